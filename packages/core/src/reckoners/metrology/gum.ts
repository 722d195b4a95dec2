/** Root of the sum of squares: how independent uncertainties add (GUM, JCGM 100:2008, 5.1.2). */
export const rootSumSquares = (parts: readonly number[]): number => Math.hypot(...parts);

/**
 * Expanded uncertainty of a result that hangs on readings: each input is moved by its own uncertainty in turn, and the
 * changes of the result are added in squares (GUM 5.1.3, sensitivities taken numerically). k stays that of the inputs.
 * @param result the result as a function of the inputs
 * @param inputs their values, in the order in which `result` takes them
 * @param uncertainties their expanded uncertainties, in the same units
 */
export function propagate(
  result: (...inputs: number[]) => number,
  inputs: readonly number[],
  uncertainties: readonly number[],
): number {
  return rootSumSquares(
    inputs.map((_, i) => {
      const u = uncertainties[i] ?? 0;
      if (u === 0) return 0;
      const moved = (by: number): number => result(...inputs.map((x, j) => (j === i ? x + by : x)));
      return (moved(u) - moved(-u)) / 2;
    }),
  );
}
