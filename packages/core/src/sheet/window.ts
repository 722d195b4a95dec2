import type { Band, Quantity } from '../quantities/index.ts';

/** A stage with no tolerance of its own takes a tenth either way: common practice. */
const ASSUMED_TOLERANCE = 0.1;

/** The window that is taken about a single figure. */
export function assumedWindow(to: Quantity): Band {
  const half = to.value * ASSUMED_TOLERANCE;
  return {
    low: { value: to.value - half, unit: to.unit },
    high: { value: to.value + half, unit: to.unit },
    nominal: to,
  };
}
