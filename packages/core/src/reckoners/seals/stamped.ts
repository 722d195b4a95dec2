import { ReckonError } from '../shape/index.ts';

const ACCEPTED = 'sizes as stamped, such as 35-52-7, 20x14x3, 1 3/8 x 2 1/8 x 3/8 in, -214 or AS568A-214';

/** Sizes of a seal, mm. */
export interface SealSizes {
  readonly inside: number | undefined;
  readonly outside: number | undefined;
  readonly width: number | undefined;
}

const NUMBER = /(\d+)[\s-]+(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|\d*\.\d+|\d+/g;

/** The numbers of a stamp: whole, decimal with or without a nought before the point, fractions and mixed fractions. */
function numbersIn(text: string): number[] {
  return [...text.matchAll(NUMBER)].map(([whole, units, over, under, top, bottom]) =>
    units !== undefined
      ? Number(units) + Number(over) / Number(under)
      : top !== undefined
        ? Number(top) / Number(bottom)
        : Number(whole),
  );
}

/**
 * Three sizes in whatever order they are stamped: the two larger are inside and outside, the third the width. Two numbers
 * are inside and section.
 * @throws ReckonError `unknown-size` naming `field`
 */
export function stampedSizes(given: string, field = 'text'): SealSizes {
  const text = given.replace(/(\d),(\d)/g, '$1.$2');
  const inch = /"|″|\binch|in\b/i.test(text) ? 25.4 : 1;
  const numbers = numbersIn(text.replace(/[x×*]/gi, ' × '));
  const sizes = numbers.map((n) => n * inch);
  const [a, b, c] = sizes;
  if (a === undefined || b === undefined || sizes.length > 3 || sizes.some((n) => !(n > 0) || n > 3000))
    throw new ReckonError('unknown-size', field, given, ACCEPTED);
  if (c === undefined) return { inside: Math.max(a, b), outside: undefined, width: Math.min(a, b) };
  const [width, inside, outside] = [...sizes].sort((x, y) => x - y);
  // A ring thicker than its bore is written inside, outside, section: then the order of the stamp is kept.
  if (c > Math.min(a, b) && a < b && Math.abs(a + 2 * c - b) < 0.01 * b) return { inside: a, outside: b, width: c };
  return { inside, outside, width };
}
