import { QuantityError } from './errors.ts';
import { parseQuantity, splitQuantity, inCanonical, type Quantity } from './quantity.ts';
import { dimensionsOfUnit, type Dimension } from './units.ts';

/** An accepted range, both ends in the same unit; `nominal` when it was written as "24 ± 2". */
export interface Band {
  readonly low: Quantity;
  readonly high: Quantity;
  readonly nominal?: Quantity;
}

const ACCEPTED = 'a band such as "24 ± 2 N·m" or "20 to 30 N·m"';

/** True when the text is written as a band rather than as one value. */
export function looksLikeBand(text: string): boolean {
  return /±|\+\/-|\bto\b|\d\s*(\.\.|…)\s*[\d.]/.test(text);
}

/**
 * Reads "24 ± 2 N·m", "0.03 mm to 0.08 mm", "20 to 30 N·m" (the first end takes the unit of the second).
 * @throws QuantityError `not-a-band`, `band-upside-down`, or whatever reading an end throws
 */
export function parseBand(input: string, dimension?: Dimension): Band {
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
