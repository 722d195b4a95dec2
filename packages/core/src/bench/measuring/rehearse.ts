import type { MeasureOp } from './ops.ts';
import { placesLeft } from './places.ts';
import { canonical } from '../../quantities/index.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const measuringHands: Hands<MeasureOp> = {
  measure: (op, { sheet, state, figures, read }) => {
    const m = sheet.measures[op.measure]!;
    const where = placesLeft(m, state)[0];
    if (where !== undefined)
      return {
        ...read(`${m.id} ${where}`, m.newSize ?? m.max ?? m.min ?? canonical(1, m.dimension), m.dimension),
        where,
        ...(m.shape === 'winding' ? { temperature: canonical(20, 'temperature') } : {}),
      };
    if (m.groove && !state.answers[op.id]) return { type: 'answer', op: op.id, answer: figures.groove ?? 'no' };
    return { type: 'complete', op: op.id };
  },
};
