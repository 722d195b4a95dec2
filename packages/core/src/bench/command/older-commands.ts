import type { Command } from './commands.ts';

/** Commands by the names that pages of earlier releases give them: a device may have kept one for weeks without a line. */
const RENAMED: ReadonlyMap<string, Command['type']> = new Map([['lead-back', 'return-to-step']]);

/** A command as it is called today; the same object where nothing has to change. */
export function commandToday(command: Command): Command {
  const type = RENAMED.get(command.type);
  return type === undefined ? command : ({ ...command, type } as Command);
}
