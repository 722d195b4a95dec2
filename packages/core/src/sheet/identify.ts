import { inCanonical, type Quantity } from '../quantities/index.ts';
import type { IdentifyQuestion } from './types.ts';

export type Identification = { readonly variant: string } | { readonly undecided: readonly string[] };

/**
 * Which variant an answer means. A measured value that lies in no band, or in the bands of two variants, is undecided:
 * `undecided` lists the variants that come near (none when it fits nothing).
 */
export function identify(question: IdentifyQuestion, answer: Quantity | string): Identification {
  const fits = question.choices.filter((c) => {
    if (typeof answer === 'string') return c.word?.toLowerCase() === answer.trim().toLowerCase();
    if (!c.band || !question.dimension) return false;
    const x = inCanonical(answer, question.dimension);
    const low = inCanonical(c.band.low, question.dimension);
    const high = inCanonical(c.band.high, question.dimension);
    const hair = 1e-9 * Math.max(1, Math.abs(high));
    return x >= low - hair && x <= high + hair;
  });
  const variants = [...new Set(fits.map((c) => c.variant))];
  return variants.length === 1 ? { variant: variants[0]! } : { undecided: variants };
}
