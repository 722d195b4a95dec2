import type { IdentifyOp } from './ops.ts';
import { refuse } from '../command/refusal.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const identifyCompletions: Completions<IdentifyOp> = {
  identify: (_state, sheet, op) =>
    refuse('not-complete', sheet.identify.find((q) => q.id === op.question)?.ask ?? 'Which is it?', 'Answer it'),
};
