import { canonical, type Quantity } from '../../quantities/index.ts';
import type { Setting, Sheet } from '../../sheet/index.ts';
import { librarySheet } from '../bench.fixtures.ts';
import type { ReadingResult } from '../log/facts.ts';
import { emptyBench, type BenchState, type SettingRound, type Stamp } from '../log/state.ts';

export const mm = (n: number): Quantity => canonical(n, 'length');
export const stamp: Stamp = { seq: 1, at: '', by: { id: 'p', name: 'P', initials: 'P' } };

/** What a try was judged to be, with an uncertainty in the unit of its mean. */
export const result = (
  mean: Quantity,
  verdict: ReadingResult['verdict'] = 'outside',
  uncertainty = 0.005,
): ReadingResult => ({ mean, uncertainty: { value: uncertainty, unit: mean.unit }, verdict, working: [] });

/** An end float that is read once. */
export const float = (more: Partial<Setting> = {}): Setting => ({
  id: 'float',
  title: 'Float',
  kind: 'end-float',
  dimension: 'length',
  gauge: 'indicator',
  band: { low: mm(0.03), high: mm(0.08) },
  target: mm(0.05),
  repeats: 1,
  ...more,
});

/** A pack that was fitted for the float. */
export const fitted = (pack: number): NonNullable<SettingRound['fitted']> => ({
  op: 'o',
  setting: 'float',
  pieces: [mm(pack)],
  pack: mm(pack),
  needed: mm(pack),
  predicted: mm(0.05),
  uncertainty: mm(0.01),
  working: [],
  ...stamp,
});

/** A sheet with these settings and no others. */
export const sheetWith = (...settings: Setting[]): Sheet => ({
  ...librarySheet('hub-dolly'),
  settings: Object.fromEntries(settings.map((s) => [s.id, s])),
});

/** A bench that has these rounds of its settings behind it. */
export const stateOf = (
  rounds: Readonly<Record<string, readonly SettingRound[]>>,
  more: Partial<BenchState> = {},
): BenchState => ({
  ...emptyBench('j'),
  settings: Object.fromEntries(Object.entries(rounds).map(([id, r]) => [id, { rounds: r }])),
  ...more,
});
