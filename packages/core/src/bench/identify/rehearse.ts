import type { IdentifyOp } from './ops.ts';
import { middle } from '../rehearsal/middle.ts';
import type { Quantity } from '../../quantities/index.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const identifyHands: Hands<IdentifyOp> = {
  identify: (op, { sheet, state, figures }) => {
    const question = sheet.identify.find((q) => q.id === op.question)!;
    const fits = question.choices.find(
      (c) => state.variant === undefined || c.variants.length === 0 || c.variants.includes(state.variant),
    );
    const { band, word } = fits ?? question.choices[0]!;
    const middleOf = (b: { low: Quantity; high: Quantity }): string => {
      const m = middle(b.low, b.high);
      return `${m.value} ${m.unit}`;
    };
    return {
      type: 'identify',
      op: op.id,
      question: question.id,
      answer: figures.identify?.(question.id) ?? (band ? middleOf(band) : word!),
    };
  },
};
