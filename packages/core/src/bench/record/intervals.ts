/** A figure from a few jobs with the range that it may really have, 95 %. */
export interface Interval {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

const Z95 = 1.96;
/** Wilson's interval of a share (Wilson 1927): honest when there are few, and never outside 0 to 1. */
export function shareInterval(hits: number, of: number): Interval | undefined {
  if (of <= 0) return undefined;
  const p = hits / of;
  const z2 = Z95 * Z95;
  const middle = (p + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z95 / (1 + z2 / of)) * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of));
  return { value: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Student's t, 97.5 %, for 1 to 30 degrees of freedom (handbook tables). */
const T975 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
] as const; // prettier-ignore

/** Mean of a few values with Student's interval; one value alone has no range that is known. */
export function meanInterval(values: readonly number[]): Interval | undefined {
  const n = values.length;
  if (n === 0) return undefined;
  const mean = values.reduce((s, v) => s + v, 0) / n;
  if (n === 1) return { value: mean, low: 0, high: Infinity };
  const s = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1));
  const half = ((T975[n - 2] ?? Z95) * s) / Math.sqrt(n);
  return { value: mean, low: Math.max(0, mean - half), high: mean + half };
}
