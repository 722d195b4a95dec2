import { verbTitle } from '../ladder/words.ts';
import type { WaitOp } from './ops.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const waitingTitles: Titles<WaitOp> = {
  cure: verbTitle,
  soak: verbTitle,
  rest: verbTitle,
  heat: verbTitle,
};
