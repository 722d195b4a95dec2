import type { Band } from './band.ts';
import { convert, type Quantity } from './quantity.ts';

/** Between a number and its unit: thin and non-breaking. */
export const THIN_SPACE = '\u202f';

/** Rounds half away from zero, without the surprise of 1.005 × 100 = 100.49999. */
export function roundTo(value: number, decimals: number): number {
  const rounded = Number(`${Math.round(Number(`${Math.abs(value)}e${decimals}`))}e${-decimals}`);
  if (!Number.isFinite(rounded)) return Number(value.toFixed(Math.min(decimals, 20)));
  return value < 0 ? -rounded || 0 : rounded;
}

/** Decimals that show a number to `figures` significant figures, at least 0 and at most 9. */
export function decimalsFor(value: number, figures: number): number {
  if (value === 0) return 0;
  const exponent = Math.floor(Math.log10(Math.abs(value)));
  return Math.min(9, Math.max(0, figures - 1 - exponent));
}

/** Decimals of a graduation: 0.2 → 1, 0.005 → 3, 1 → 0. */
export function decimalsOfStep(step: number): number {
  for (let d = 0; d <= 9; d += 1) if (Math.abs(roundTo(step, d) - step) < step * 1e-6) return d;
  return 9;
}

/** Decimals that show every one of these figures as it was read: 34 beside 33.92 is 34.00. */
export function decimalsOfAll(values: readonly number[]): number {
  return Math.max(0, ...values.map(decimalsOfStep));
}

/** A micrometer shows thousandths: a figure that ends there was read or typed so, and is shown whole. */
const READ_DECIMALS = 3;

/**
 * A number with a real minus sign and a fixed count of decimals. Without one: as it is when it ends within three
 * decimals, as a figure that was read or typed does; else, being computed, to four significant figures.
 */
export function formatNumber(value: number, decimals?: number): string {
  const whole = roundTo(value, READ_DECIMALS);
  const ends = Math.abs(whole - value) <= 1e-9 * Math.max(1, Math.abs(value));
  const shown = ends ? whole : roundTo(value, decimalsFor(value, 4));
  const text = decimals === undefined ? String(shown) : roundTo(value, decimals).toFixed(decimals);
  return text.replace('-', '−');
}

/** "21.8 N·m", with a thin space; degrees and percent as the trade writes them. */
export function formatQuantity(q: Quantity, decimals?: number): string {
  const number = formatNumber(q.value, decimals);
  if (q.unit === '1') return number;
  if (q.unit === 'deg') return `${number}°`;
  return `${number}${THIN_SPACE}${q.unit}`;
}

/**
 * What was read, or the mean of several: as it is when it ends within three decimals, as most gauges show it; else a length to
 * the thousandth of its millimetre and everything else to four significant figures. Used wherever a reading stands, so that it
 * is rounded once and the same.
 */
export function formatReading(q: Quantity): string {
  const ends = Math.abs(roundTo(q.value, READ_DECIMALS) - q.value) <= 1e-9 * Math.max(1, Math.abs(q.value));
  return formatQuantity(q, !ends && q.unit === 'mm' && Math.abs(q.value) >= 1 ? READ_DECIMALS : undefined);
}

/** "24 ± 2 N·m" when it was given so, "at most 0.05 mm" on one side, else "0.03 to 0.08 mm". */
export function formatBand(band: Band, given?: number): string {
  if (band.only) return `${band.only} ${formatQuantity(band.only === 'at most' ? band.high : band.low, given)}`;
  const high = convertLike(band.high, band.low);
  const decimals = given ?? decimalsOfBand(band.low.value, high.value);
  if (band.nominal) {
    const half = high.value - band.nominal.value;
    return `${formatNumber(band.nominal.value, given)} ± ${formatQuantity({ value: half, unit: band.nominal.unit }, given)}`;
  }
  return `${formatNumber(band.low.value, decimals)} to ${formatQuantity(high, decimals)}`;
}

/** As many decimals for both ends, when both end within {@link READ_DECIMALS}: 0.12 to 0.20. */
function decimalsOfBand(low: number, high: number): number | undefined {
  const ends = (v: number): boolean => Math.abs(roundTo(v, READ_DECIMALS) - v) <= 1e-9 * Math.max(1, Math.abs(v));
  // Nothing to 0.05 is said so: a bare 0 needs no decimals.
  return low !== 0 && ends(low) && ends(high) ? decimalsOfAll([low, high]) : undefined;
}

function convertLike(q: Quantity, like: Quantity): Quantity {
  return q.unit === like.unit ? q : convert(q, like.unit);
}
