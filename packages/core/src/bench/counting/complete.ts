import { lowerFirst } from '../ladder/words.ts';
import type { CountOp } from './ops.ts';
import { refuse } from '../command/refusal.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const countingCompletions: Completions<CountOp> = {
  count: (_state, sheet, op) =>
    refuse(
      'not-complete',
      `How many of ${lowerFirst(sheet.parts[op.what]?.title ?? op.what)} are there?`,
      'Count them',
    ),
};
