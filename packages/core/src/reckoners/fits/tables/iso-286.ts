/**
 * ISO 286-1:2010: standard tolerance grades (table 1) and fundamental deviations (tables 2 and 3), µm, to 500 mm.
 * Entered from memory; the tests hold every grade and deviation to the standard's own generating formulas, within the
 * standard's rounding.
 */

/** Upper ends of the main steps of nominal size, mm: "over the last, up to and including this". */
export const sizeSteps = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500] as const;

/** Grade → tolerance for each main step. */
// prettier-ignore
export const toleranceGrades: Readonly<Record<number, readonly number[]>> = Object.freeze({
  4:  [3, 4, 4, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20],
  5:  [4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27],
  6:  [6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40],
  7:  [10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63],
  8:  [14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97],
  9:  [25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155],
  10: [40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250],
  11: [60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400],
});

/** Shafts a little or well below the line: −es for each main step; holes take +EI the same. */
// prettier-ignore
export const clearanceDeviations = Object.freeze({
  d: [20, 30, 40, 50, 65, 80, 100, 120, 145, 170, 190, 210, 230],
  e: [14, 20, 25, 32, 40, 50, 60, 72, 85, 100, 110, 125, 135],
  f: [6, 10, 13, 16, 20, 25, 30, 36, 43, 50, 56, 62, 68],
  g: [2, 4, 5, 6, 7, 9, 10, 12, 14, 15, 17, 18, 20],
  h: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
} as const);

/** Shafts above the line: +ei for each main step. k: grades 4 to 7 only, 0 for the others. */
// prettier-ignore
export const interferenceDeviations = Object.freeze({
  k: [0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5],
  m: [2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23],
  n: [4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40],
  p: [6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68],
} as const);

/** r and s have finer steps above 50 mm. */
export const fineSteps = [
  3, 6, 10, 18, 30, 50, 65, 80, 100, 120, 140, 160, 180, 200, 225, 250, 280, 315, 355, 400, 450, 500,
] as const;
// prettier-ignore
export const fineDeviations = Object.freeze({
  r: [10, 15, 19, 23, 28, 34, 41, 43, 51, 54, 63, 65, 68, 77, 80, 84, 94, 98, 108, 114, 126, 132],
  s: [14, 19, 23, 28, 35, 43, 53, 59, 71, 79, 92, 100, 108, 122, 130, 140, 158, 170, 190, 208, 232, 252],
} as const);

/** j shafts: ei; J holes: ES. j8 and above are defined to 3 mm only, so are left to js. */
// prettier-ignore
export const jShafts: Readonly<Record<number, readonly number[]>> = Object.freeze({
  5: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  6: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  7: [-4, -4, -5, -6, -8, -10, -12, -15, -18, -21, -26, -28, -32],
});
// prettier-ignore
export const jHoles: Readonly<Record<number, readonly number[]>> = Object.freeze({
  6: [2, 5, 5, 6, 8, 10, 13, 16, 18, 22, 25, 29, 33],
  7: [4, 6, 8, 10, 12, 14, 18, 22, 26, 30, 36, 39, 43],
  8: [6, 10, 12, 15, 20, 24, 28, 34, 41, 47, 55, 60, 66],
});
/** j8 is defined to 3 mm only. */
export const J8_SHAFT_TO_3 = -6;
