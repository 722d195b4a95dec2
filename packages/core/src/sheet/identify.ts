import { inCanonical, type Quantity } from '../quantities/index.ts';
import type { IdentifyQuestion, Sheet } from './types.ts';

type Choice = IdentifyQuestion['choices'][number];

/**
 * What one answer means: one choice, or undecided. A measured value that lies in no band, in the bands of two choices,
 * or so near a second band that the gauge cannot tell, is undecided: `near` lists the choices that come near (none when
 * it is a word that the sheet does not know).
 */
export type Identification = { readonly choice: Choice } | { readonly near: readonly Choice[] };

/**
 * Holds an answer against the choices of a question.
 * @param uncertainty of the gauge, in the dimension of the question; none means what was read is what it is
 */
export function identify(
  question: IdentifyQuestion,
  answer: Quantity | string,
  uncertainty?: Quantity,
): Identification {
  if (typeof answer === 'string') {
    const fits = question.choices.filter((c) => c.word?.toLowerCase() === answer.trim().toLowerCase());
    return fits.length === 1 ? { choice: fits[0]! } : { near: fits };
  }
  const { dimension } = question;
  if (!dimension) return { near: [] };
  const x = inCanonical(answer, dimension);
  const u = uncertainty ? Math.abs(inCanonical(uncertainty, dimension)) : 0;
  const bands = question.choices
    .filter((c) => c.band !== undefined)
    .map((c) => ({ c, low: inCanonical(c.band!.low, dimension), high: inCanonical(c.band!.high, dimension) }));
  const hair = 1e-9 * Math.max(1, ...bands.map((b) => Math.abs(b.high)));
  const fits = bands.filter((b) => x + u >= b.low - hair && x - u <= b.high + hair);
  const inside = fits.filter((b) => x >= b.low - hair && x <= b.high + hair);
  if (fits.length === 1 && inside.length === 1) return { choice: fits[0]!.c };
  if (fits.length > 0) return { near: fits.map((b) => b.c) };
  // In no band: its neighbours on either side are the ones it could be.
  const below = bands.filter((b) => b.high < x).sort((a, b) => b.high - a.high)[0];
  const above = bands.filter((b) => b.low > x).sort((a, b) => a.low - b.low)[0];
  return { near: below && above ? [below.c, above.c] : [] };
}

export interface Narrowed {
  /** Variants that every answer so far leaves possible. None: the answers contradict each other. */
  readonly candidates: readonly string[];
  /** The one that is left, when one is. */
  readonly variant: string | null;
}

/** Which variants are left after some answers; a choice that speaks of a part only leaves all of them. */
export function narrow(sheet: Pick<Sheet, 'variants'>, chosen: readonly Pick<Choice, 'variants'>[]): Narrowed {
  const candidates = sheet.variants
    .map((v) => v.id)
    .filter((v) => chosen.every((c) => c.variants.length === 0 || c.variants.includes(v)));
  const asked = chosen.some((c) => c.variants.length > 0);
  return { candidates, variant: asked && candidates.length === 1 ? candidates[0]! : null };
}
