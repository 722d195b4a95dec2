/**
 * Boundary dimensions of rolling bearings, mm: bore, outside, width (mounted width T for tapers).
 * Radial bearings after the ISO 15 dimension plan (series 60, 62, 63, 64, 69; 72, 73 angular contact and NU2, NU3 roller
 * bearings share the outlines of 62 and 63; the small 6xx stand by their own number); tapers after ISO 355 (320, 302, 322, 303).
 * Rows from memory; the tests hold them to the plan's own rules (bore code, growth with size, shared outside diameters
 * of series 2 and 3 and their tapers).
 */
export interface BearingRow {
  readonly bore: number;
  readonly outside: number;
  readonly width: number;
}
/** Rows in the order of the bore code, beginning with `first`. */
const series = (first: number, rows: readonly (readonly [number, number])[]): ReadonlyMap<number, BearingRow> =>
  new Map(
    rows.map(([outside, width], i) => [first + i, Object.freeze({ bore: boreOfCode(first + i), outside, width })]),
  );

/** Bore code to bore, mm: 00 10, 01 12, 02 15, 03 17, from 04 five times the code. */
export function boreOfCode(code: number): number {
  return [10, 12, 15, 17][code] ?? 5 * code;
}

// prettier-ignore
export const boundaryDimensions: Readonly<Record<string, ReadonlyMap<number, BearingRow>>> = Object.freeze({
  '60': series(0, [[26, 8], [28, 8], [32, 9], [35, 10], [42, 12], [47, 12], [55, 13], [62, 14], [68, 15], [75, 16], [80, 16], [90, 18], [95, 18], [100, 18], [110, 20], [115, 20], [125, 22], [130, 22], [140, 24], [145, 24], [150, 24]]),
  '62': series(0, [[30, 9], [32, 10], [35, 11], [40, 12], [47, 14], [52, 15], [62, 16], [72, 17], [80, 18], [85, 19], [90, 20], [100, 21], [110, 22], [120, 23], [125, 24], [130, 25], [140, 26], [150, 28], [160, 30], [170, 32], [180, 34]]),
  '63': series(0, [[35, 11], [37, 12], [42, 13], [47, 14], [52, 15], [62, 17], [72, 19], [80, 21], [90, 23], [100, 25], [110, 27], [120, 29], [130, 31], [140, 33], [150, 35], [160, 37], [170, 39], [180, 41], [190, 43], [200, 45], [215, 47]]),
  '64': series(3, [[62, 17], [72, 19], [80, 21], [90, 23], [100, 25], [110, 27], [120, 29], [130, 31], [140, 33], [150, 35], [160, 37], [180, 42], [190, 45], [200, 48], [210, 52], [225, 54]]),
  '69': series(0, [[22, 6], [24, 6], [28, 7], [30, 7], [37, 9], [42, 9], [47, 9], [55, 10], [62, 12], [68, 12], [72, 12], [80, 13], [85, 13], [90, 13], [100, 16], [105, 16], [110, 16], [120, 18], [125, 18], [130, 18], [140, 20]]),
  '320': series(4, [[42, 15], [47, 15], [55, 17], [62, 18], [68, 19], [75, 20], [80, 20], [90, 23], [95, 23], [100, 23], [110, 25], [115, 25], [125, 29], [130, 29], [140, 32], [145, 32], [150, 32]]),
  '302': series(2, [[35, 11.75], [40, 13.25], [47, 15.25], [52, 16.25], [62, 17.25], [72, 18.25], [80, 19.75], [85, 20.75], [90, 21.75], [100, 22.75], [110, 23.75], [120, 24.75], [125, 26.25], [130, 27.25], [140, 28.25], [150, 30.5], [160, 32.5], [170, 34.5], [180, 37]]),
  '322': series(5, [[52, 19.25], [62, 21.25], [72, 24.25], [80, 24.75], [85, 24.75], [90, 24.75], [100, 26.75], [110, 29.75], [120, 32.75], [125, 33.25], [130, 33.25], [140, 35.25], [150, 38.5], [160, 42.5], [170, 45.5], [180, 49]]),
  '303': series(2, [[42, 14.25], [47, 15.25], [52, 16.25], [62, 18.25], [72, 20.75], [80, 22.75], [90, 25.25], [100, 27.25], [110, 29.25], [120, 31.5], [130, 33.5], [140, 36], [150, 38], [160, 40], [170, 42.5]]),
});

/** Small bearings whose last figure is the bore in mm: designation → bore, outside, width. ISO 15, from memory. */
// prettier-ignore
export const smallBearings: Readonly<Record<string, BearingRow>> = Object.freeze(
  Object.fromEntries(
    ([['604', 4, 12, 4], ['605', 5, 14, 5], ['606', 6, 17, 6], ['607', 7, 19, 6], ['608', 8, 22, 7], ['609', 9, 24, 7],
      ['623', 3, 10, 4], ['624', 4, 13, 5], ['625', 5, 16, 5], ['626', 6, 19, 6], ['627', 7, 22, 7], ['628', 8, 24, 8], ['629', 9, 26, 8],
      ['634', 4, 16, 5], ['635', 5, 19, 6]] as const).map(([code, bore, outside, width]) => [code, { bore, outside, width }]),
  ),
);
/** Series that share the outline of a deep-groove series, and what they are. */
export const sharedOutlines: Readonly<Record<string, { readonly as: string; readonly kind: string }>> = Object.freeze({
  '72': { as: '62', kind: 'angular-contact' },
  '73': { as: '63', kind: 'angular-contact' },
  NU2: { as: '62', kind: 'cylindrical-roller' },
  NU3: { as: '63', kind: 'cylindrical-roller' },
});
/** What a designation's series is. */
export function kindOfSeries(series: string): string {
  return sharedOutlines[series]?.kind ?? (series.length === 3 && !series.startsWith('NU') ? 'taper' : 'deep-groove');
}
/** Every bearing of the tables by its number: the commoner kinds first where outlines are shared. */
export function* allBearings(): Generator<{
  readonly designation: string;
  readonly kind: string;
  readonly row: BearingRow;
}> {
  for (const [series, rows] of Object.entries(boundaryDimensions))
    for (const [code, row] of rows) yield { designation: numberOf(series, code), kind: kindOfSeries(series), row };
  for (const [designation, row] of Object.entries(smallBearings)) yield { designation, kind: 'deep-groove', row };
  for (const [series, { as, kind }] of Object.entries(sharedOutlines))
    for (const [code, row] of boundaryDimensions[as]!)
      if (series !== 'NU2' || code >= 3) yield { designation: numberOf(series, code), kind, row };
}
const numberOf = (series: string, code: number): string => `${series}${String(code).padStart(2, '0')}`;

/** No hotter than this when it is heated to fit, °C: greased and sealed bearings, and open ones. Common practice. */
export const HEAT_LIMIT_C = Object.freeze({ sealed: 80, open: 120 });

/** What stands behind the number, common practice, from memory. */
export const suffixes: readonly (readonly [RegExp, string])[] = [
  [/2RS|2RSR|DDU|LLU|2RS1/, 'rubber seals on both sides: greased for life, no hotter than about 80 °C when fitting'],
  [/2RZ|LLB/, 'low-friction rubber seals on both sides: greased for life, no hotter than about 80 °C when fitting'],
  [/2Z(?!R)|ZZ/, 'metal shields on both sides'],
  [/(?<!2)RS/, 'rubber seal on one side'],
  [/(?<!2)RZ/, 'low-friction rubber seal on one side'],
  [/(?<![2ZR])Z(?!Z)/, 'metal shield on one side'],
  [/C2(?!\d)/, 'less internal clearance than normal'],
  [/C3(?!\d)/, 'more internal clearance than normal'],
  [/C4(?!\d)/, 'more internal clearance than C3'],
  [/NR(?!\d)/, 'snap-ring groove with its ring'],
];
