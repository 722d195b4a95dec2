import type { MeasureOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { placesLeft } from './places.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const measuringCompletions: Completions<MeasureOp> = {
  measure: (state, sheet, op, command) => {
    const measure = sheet.measures[op.measure];
    const missing = measure ? placesLeft(measure, state) : [];
    if (missing.length > 0) return refuse('not-complete', `Not read yet: ${missing.join(', ')}`, 'Take the readings');
    if (measure?.groove && !state.answers[op.id]) return refuse('not-complete', measure.groove.ask, 'Answer yes or no');
    return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } });
  },
};
