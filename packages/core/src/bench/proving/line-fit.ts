/** A straight line through points by least squares, with the standard error of its slope. Textbook linear regression. */
export function lineFit(points: readonly (readonly [number, number])[]): {
  readonly slope: number;
  readonly at0: number;
  readonly slopeError: number;
} {
  const n = points.length;
  const mx = points.reduce((s, p) => s + p[0], 0) / n;
  const my = points.reduce((s, p) => s + p[1], 0) / n;
  let sxx = 0;
  let sxy = 0;
  for (const [x, y] of points) {
    sxx += (x - mx) ** 2;
    sxy += (x - mx) * (y - my);
  }
  const slope = sxx === 0 ? 0 : sxy / sxx;
  const at0 = my - slope * mx;
  const left = points.reduce((s, [x, y]) => s + (y - at0 - slope * x) ** 2, 0);
  return { slope, at0, slopeError: sxx === 0 || n < 3 ? Infinity : Math.sqrt(left / (n - 2) / sxx) };
}

/** Chance that a normal value of mean 0 and deviation 1 lies under x (Abramowitz and Stegun 7.1.26, within 1.5e-7). */
export function normalBelow(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp((-x * x) / 2);
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}
