import type { MarkOp } from './ops.ts';
import { accept } from '../command/refusal.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const marksCompletions: Completions<MarkOp> = {
  'fit-aid': (_state, _sheet, op) => accept({ type: 'aid-fitted', payload: { op: op.id, aid: op.aid } }),
  'remove-aid': (_state, _sheet, op) => accept({ type: 'aid-removed', payload: { op: op.id, aid: op.aid } }),
  mark: (_state, _sheet, op) => accept({ type: 'mark-made', payload: { op: op.id, mark: op.mark } }),
  align: (_state, _sheet, op) => accept({ type: 'mark-aligned', payload: { op: op.id, mark: op.mark } }),
};
