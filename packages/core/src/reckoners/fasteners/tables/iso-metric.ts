/**
 * Metric threads after ISO 261 (selection), and what sits under the head.
 * coarse, fine: pitch in mm. dw: least bearing diameter under a hexagon head, ISO 4014 (grade A to M24, B above), mm.
 * hole: clearance hole, medium series, ISO 273, mm. Rows from memory; d2, d3 and stress area are never stored but
 * derived, and the rows are spot-checked in the tests against ISO 898-1's printed stress areas.
 */
export interface MetricRow {
  readonly d: number;
  readonly coarse?: number;
  readonly fine: readonly number[];
  readonly dw?: number;
  readonly hole?: number;
}
const row = (d: number, coarse: number | undefined, fine: readonly number[], dw?: number, hole?: number): MetricRow =>
  Object.freeze({ d, coarse, fine, dw, hole });

export const metricThreads: readonly MetricRow[] = Object.freeze([
  //  d    coarse fine                   dw     hole
  row(1, 0.25, []),
  row(1.2, 0.25, []),
  row(1.4, 0.3, []),
  row(1.6, 0.35, [], 2.27, 1.8),
  row(1.8, 0.35, []),
  row(2, 0.4, [0.25], 3.07, 2.4),
  row(2.5, 0.45, [0.35], 4.07, 2.9),
  row(3, 0.5, [0.35], 4.57, 3.4),
  row(3.5, 0.6, [0.35], 5.07, 3.9),
  row(4, 0.7, [0.5], 5.88, 4.5),
  row(5, 0.8, [0.5], 6.88, 5.5),
  row(6, 1, [0.75], 8.88, 6.6),
  row(7, 1, [0.75], 9.63, 7.6),
  row(8, 1.25, [1, 0.75], 11.63, 9),
  row(9, 1.25, [1, 0.75]),
  row(10, 1.5, [1.25, 1, 0.75], 14.63, 11),
  row(11, 1.5, [1, 0.75]),
  row(12, 1.75, [1.5, 1.25, 1], 16.63, 13.5),
  row(14, 2, [1.5, 1.25, 1], 19.64, 15.5),
  row(15, undefined, [1.5, 1]),
  row(16, 2, [1.5, 1], 22.49, 17.5),
  row(17, undefined, [1.5, 1]),
  row(18, 2.5, [2, 1.5, 1], 25.34, 20),
  row(20, 2.5, [2, 1.5, 1], 28.19, 22),
  row(22, 2.5, [2, 1.5, 1], 31.71, 24),
  row(24, 3, [2, 1.5, 1], 33.61, 26),
  row(25, undefined, [2, 1.5, 1]),
  row(26, undefined, [1.5]),
  row(27, 3, [2, 1.5, 1], 38, 30),
  row(28, undefined, [2, 1.5, 1]),
  row(30, 3.5, [3, 2, 1.5, 1], 42.75, 33),
  row(32, undefined, [2, 1.5]),
  row(33, 3.5, [3, 2, 1.5], 46.55, 36),
  row(35, undefined, [1.5]),
  row(36, 4, [3, 2, 1.5], 51.11, 39),
  row(38, undefined, [1.5]),
  row(39, 4, [3, 2, 1.5], 55.86, 42),
  row(40, undefined, [3, 2, 1.5]),
  row(42, 4.5, [4, 3, 2, 1.5], 59.95, 45),
  row(45, 4.5, [4, 3, 2, 1.5], 64.7, 48),
  row(48, 5, [4, 3, 2, 1.5], 69.45, 52),
  row(50, undefined, [3, 2, 1.5]),
  row(52, 5, [4, 3, 2, 1.5], 74.2, 56),
  row(55, undefined, [4, 3, 2, 1.5]),
  row(56, 5.5, [4, 3, 2, 1.5], 78.66, 62),
  row(60, 5.5, [4, 3, 2, 1.5]),
  row(64, 6, [4, 3, 2, 1.5], 88.16, 70),
  row(65, undefined, [4, 3, 2, 1.5]),
  row(68, 6, [4, 3, 2, 1.5]),
]);
