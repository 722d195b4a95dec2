import type { CommandOf } from './commands.ts';

/** The note of a command as an event has it: left out where there is none. */
export function noteOf(command: CommandOf<'complete'>): { readonly note?: string } {
  return command.note === undefined ? {} : { note: command.note };
}
