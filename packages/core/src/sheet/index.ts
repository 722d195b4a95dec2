export { cautionClasses } from './cautions.ts';
export { SheetError, type SheetProblem } from './errors.ts';
export { identify, type Identification } from './identify.ts';
export { stands, type LadderChoices, type Standing } from './ladder/conditions.ts';
export { ladder, type Ladder, type LadderStep } from './ladder/ladder.ts';
export { CycleError } from './ladder/order.ts';
export * from './types.ts';
