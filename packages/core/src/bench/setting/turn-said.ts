import { canonical, inCanonical, parseQuantity, QuantityError, type Quantity } from '../../quantities/index.ts';

const BARE = /^[+-]?\d+([.,]\d+)?\s*°?$/;

/** How far somebody says that it was turned, or why that cannot be read. */
export type TurnSaid = { readonly turned: Quantity } | { readonly problem: string };

/**
 * Reads how far something was turned: degrees where no unit is said. A figure without a sign goes the way that was advised.
 * What cannot be read is no turn, and least of all the one that was advised.
 * @param advised the turn that was advised, an angle
 */
export function turnSaid(text: string, advised: Quantity): TurnSaid {
  const plain = text.trim();
  let degrees: number;
  if (BARE.test(plain)) degrees = Number(plain.replace(',', '.').replace('°', ''));
  else
    try {
      degrees = inCanonical(parseQuantity(plain, 'angle'), 'angle');
    } catch (e) {
      if (!(e instanceof QuantityError)) throw e;
      return { problem: `“${plain.slice(0, 40)}” is no turn: degrees, such as 40` };
    }
  if (degrees === 0) return { problem: 'Turned by nothing: leave it empty where it was turned as advised' };
  if (Math.abs(degrees) > 36_000) return { problem: `${plain.slice(0, 40)} is more than a hundred turns` };
  const signed = /^[+-]/.test(plain) ? degrees : degrees * (Math.sign(inCanonical(advised, 'angle')) || 1);
  return { turned: canonical(signed, 'angle') };
}
