import { decideComplete } from '../command/complete.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { DoingCommand } from './commands.ts';

/** How each of these commands is decided. */
export const doingDeciders: Deciders<DoingCommand['type']> = {
  complete: decideComplete,
};
