/**
 * Unified threads, ASME B1.1 (UNC, UNF). d in inch, threads per inch; flats: hexagon cap screw, ASME B18.2.1, inch
 * (number sizes have no hexagon standard there). Rows from memory, spot-checked against B1.1's printed stress areas.
 */
export interface UnifiedRow {
  readonly name: string;
  readonly dIn: number;
  readonly unc?: number;
  readonly unf?: number;
  readonly flatsIn?: number;
}
const row = (name: string, dIn: number, unc?: number, unf?: number, flatsIn?: number): UnifiedRow =>
  Object.freeze({ name, dIn, unc, unf, flatsIn });

export const unifiedThreads: readonly UnifiedRow[] = Object.freeze([
  //  name     d, in  UNC UNF flats, in
  row('#0', 0.06, undefined, 80),
  row('#1', 0.073, 64, 72),
  row('#2', 0.086, 56, 64),
  row('#3', 0.099, 48, 56),
  row('#4', 0.112, 40, 48),
  row('#5', 0.125, 40, 44),
  row('#6', 0.138, 32, 40),
  row('#8', 0.164, 32, 36),
  row('#10', 0.19, 24, 32),
  row('#12', 0.216, 24, 28),
  row('1/4', 1 / 4, 20, 28, 7 / 16),
  row('5/16', 5 / 16, 18, 24, 1 / 2),
  row('3/8', 3 / 8, 16, 24, 9 / 16),
  row('7/16', 7 / 16, 14, 20, 5 / 8),
  row('1/2', 1 / 2, 13, 20, 3 / 4),
  row('9/16', 9 / 16, 12, 18, 13 / 16),
  row('5/8', 5 / 8, 11, 18, 15 / 16),
  row('3/4', 3 / 4, 10, 16, 1 + 1 / 8),
  row('7/8', 7 / 8, 9, 14, 1 + 5 / 16),
  row('1', 1, 8, 12, 1.5),
  row('1 1/8', 1 + 1 / 8, 7, 12, 1 + 11 / 16),
  row('1 1/4', 1 + 1 / 4, 7, 12, 1 + 7 / 8),
  row('1 3/8', 1 + 3 / 8, 6, 12, 2 + 1 / 16),
  row('1 1/2', 1 + 1 / 2, 6, 12, 2.25),
]);
