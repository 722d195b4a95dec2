/** Mean of repeated readings, with the expanded uncertainty (k = 2) of gauge and scatter together (GUM, type A and B). */
export function meanOfReadings(values: readonly number[], gaugeU: number): { mean: number; uncertainty: number } {
  const n = values.length;
  // Twelve figures: far past any gauge, and free of the last bit's noise.
  const mean = Number((values.reduce((a, b) => a + b, 0) / n).toPrecision(12));
  if (n < 2) return { mean, uncertainty: gaugeU };
  const s = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1));
  return { mean, uncertainty: Math.hypot(gaugeU, (2 * s) / Math.sqrt(n)) };
}
