import 'reflect-metadata';
export * from './auth.dto.ts';
export * from './booking.dto.ts';
export * from './command.dto.ts';
export * from './strip-command.dto.ts';
export * from './instrument.dto.ts';
export * from './views.ts';
