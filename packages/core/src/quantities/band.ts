import { QuantityError } from './errors.ts';
import { parseQuantity, splitQuantity, inCanonical, type Quantity } from './quantity.ts';
import { dimensionsOfUnit, type Dimension } from './units.ts';

/** An accepted range, both ends in the same unit; `nominal` when it was written as "24 ± 2". */
export interface Band {
  readonly low: Quantity;
  readonly high: Quantity;
  readonly nominal?: Quantity;
  /** A limit on one side: nothing is judged by the other end, which is only where a drawing ends. */
  readonly only?: 'at most' | 'at least';
}

const ACCEPTED = 'a band such as "24 ± 2 N·m", "20 to 30 N·m", "at most 0.05 mm" or "at least 12 bar"';
const ONE_SIDED = /^\s*(at most|at least)\s+(.*)$/;

/** True when the text is written as a band rather than as one value. */
export function looksLikeBand(text: string): boolean {
  return ONE_SIDED.test(text) || /±|\+\/-|\bto\b|\d\s*(\.\.|…)\s*[\d.]/.test(text);
}

/**
 * Reads "24 ± 2 N·m", "0.03 mm to 0.08 mm", "20 to 30 N·m" (the first end takes the unit of the second), and limits on one
 * side: "at most 0.05 mm", "at least 12 bar".
 * @throws QuantityError `not-a-band`, `band-upside-down`, or whatever reading an end throws
 */
export function parseBand(input: string, dimension?: Dimension): Band {
  const oneSided = ONE_SIDED.exec(input);
  if (oneSided) return oneSidedBand(oneSided[1] as 'at most' | 'at least', parseQuantity(oneSided[2]!, dimension));
  const plusMinus = /^(.*?)(?:±|\+\/-)(.*)$/.exec(input);
  if (plusMinus) {
    const spread = parseQuantity(plusMinus[2]!, dimension);
    const first = splitQuantity(plusMinus[1]!);
    const nominal = parseQuantity(first.unit ? plusMinus[1]! : `${plusMinus[1]!} ${spread.unit}`, dimension);
    // The spread of a temperature is a difference, so ends are made in the nominal's own unit.
    const half = nominal.unit === spread.unit ? spread.value : spreadIn(spread, nominal);
    if (half < 0) throw new QuantityError('band-upside-down', `"${input}": the spread is negative`, input, ACCEPTED);
    return {
      low: { value: nominal.value - half, unit: nominal.unit },
      high: { value: nominal.value + half, unit: nominal.unit },
      nominal,
    };
  }
  const range = /^(.*?)(?:\bto\b|\.\.|…)(.*)$/.exec(input);
  if (!range) throw new QuantityError('not-a-band', `"${input}" is not a band`, input, ACCEPTED);
  const high = parseQuantity(range[2]!, dimension);
  const first = splitQuantity(range[1]!);
  const low = parseQuantity(first.unit ? range[1]! : `${range[1]!} ${high.unit}`, dimension);
  const shared = dimension ?? dimensionsOfUnit(high.unit)[0]!;
  if (inCanonical(low, shared) > inCanonical(high, shared)) {
    throw new QuantityError('band-upside-down', `"${input}": the low end is above the high end`, input, ACCEPTED);
  }
  return { low, high };
}

/** The other end of a limit on one side: nothing below "at most", and as much again above "at least". */
function oneSidedBand(only: 'at most' | 'at least', limit: Quantity): Band {
  const { value, unit } = limit;
  return only === 'at most'
    ? { low: { value: Math.min(0, 2 * value), unit }, high: limit, only }
    : { low: limit, high: { value: value + (Math.abs(value) || 1), unit }, only };
}

/** What a value is judged by: both ends, or the one that is a limit. */
export const limitsOf = ({ low, high, only }: Band): { readonly lower?: Quantity; readonly upper?: Quantity } => ({
  ...(only === 'at most' ? {} : { lower: low }),
  ...(only === 'at least' ? {} : { upper: high }),
});

function spreadIn(spread: Quantity, nominal: Quantity): number {
  const dimension = dimensionsOfUnit(nominal.unit)[0]!;
  const zero = inCanonical({ value: 0, unit: spread.unit }, dimension);
  const perUnit =
    inCanonical({ value: 1, unit: nominal.unit }, dimension) - inCanonical({ value: 0, unit: nominal.unit }, dimension);
  return (inCanonical(spread, dimension) - zero) / perUnit;
}

/** Low and high of a band in the canonical unit of `dimension`. */
export function bandInCanonical(band: Band, dimension: Dimension): { low: number; high: number } {
  return { low: inCanonical(band.low, dimension), high: inCanonical(band.high, dimension) };
}
