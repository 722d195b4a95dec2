/**
 * Widest gap, mm, that a ring without a backup ring bridges, by hardness (Shore A) and pressure (bar), at about 70 °C.
 * Handbook charts, from memory; half of these for pulsing pressure.
 */
export const extrusionGaps: Readonly<Record<70 | 80 | 90, readonly (readonly [bar: number, gapMm: number])[]>> =
  Object.freeze({
    70: [
      [16, 0.35],
      [35, 0.25],
      [70, 0.17],
      [100, 0.1],
      [160, 0.05],
    ],
    80: [
      [16, 0.45],
      [35, 0.32],
      [70, 0.24],
      [100, 0.17],
      [160, 0.1],
      [210, 0.06],
    ],
    90: [
      [16, 0.55],
      [35, 0.4],
      [70, 0.3],
      [100, 0.23],
      [160, 0.16],
      [210, 0.12],
      [350, 0.06],
    ],
  });

/** Widest gap at a pressure, mm, linear between the chart's points; 0 past its end. */
export function widestGapMm(hardness: 70 | 80 | 90, bar: number): number {
  const points = extrusionGaps[hardness];
  const over = points.findIndex(([p]) => bar <= p);
  if (over === -1) return 0;
  const [p1, g1] = points[over]!;
  const [p0, g0] = points[over - 1] ?? [0, g1];
  return g0 + ((g1 - g0) * (bar - p0)) / (p1 - p0);
}

/** The chart that a hardness is judged by, Shore A. */
export function chartHardness(hardness: number): 70 | 80 | 90 {
  return hardness < 75 ? 70 : hardness < 85 ? 80 : 90;
}
