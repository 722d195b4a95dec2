import { describe, expect, test } from '@jest/globals';
import { canonical, type Quantity } from '../../quantities/index.ts';
import type { SettingMethod, Setting } from '../../sheet/index.ts';
import { emptyBench, type BenchState, type Reading, type SettingRound } from '../log/state.ts';
import { dueReading, nextTry, settingBand, spentParts } from './index.ts';
import { neededPack } from './packs.ts';
import { float, mm, result, sheetWith, stamp, stateOf } from './setting.fixtures.ts';

const deg = (n: number): Quantity => canonical(n, 'angle');
const nm = (value: number): Quantity => ({ value, unit: 'N·m' });

describe('a sleeve that is crushed', () => {
  const drag = float({
    dimension: 'torque',
    band: { low: nm(1.6), high: nm(2.4) },
    target: nm(2),
    methods: { '': { kind: 'crush', first: deg(5), part: 'washer' } },
  });
  const rounds = (
    ...all: [value: Quantity, moved?: { turned?: Quantity; renewed?: string }][]
  ): readonly SettingRound[] =>
    all.map(([value, moved]) => ({
      readings: [],
      result: result(value),
      ...(moved ? { adjusted: { note: 'x', ...moved, ...stamp } } : {}),
    }));
  const next = (...all: Parameters<typeof rounds>): NonNullable<ReturnType<typeof nextTry>> =>
    nextTry(sheetWith(drag), stateOf({ float: rounds(...all) }), drag, {})!;
  test('before there is a slope: the step of the sheet, always on', () => {
    expect(next([nm(0.1)]).move).toEqual({ kind: 'turn', turned: deg(5) });
    expect(next([nm(0.1)]).say).toMatch(/never back/);
  });
  test('with a slope: half of the way, so that it cannot run past', () => {
    // By hand: 0.4 N·m for 2°, and 1.0 wanted: half of 5° is 2.5°.
    const { move, predicted } = next([nm(0.6)], [nm(1.0), { turned: deg(2) }]);
    expect(move).toEqual({ kind: 'turn', turned: expect.objectContaining({ value: expect.closeTo(2.5, 9) }) });
    expect(predicted!.value).toBeCloseTo(1.5, 9);
  });
  test('overshot is never backed off: a new one, and the tries begin anew', () => {
    const over = next([nm(1.2)], [nm(2.6), { turned: deg(5) }]);
    expect(over.move).toEqual({ kind: 'renew', part: 'washer' });
    expect(over.say).toMatch(/never back the nut off/);
    const again = next([nm(1.2)], [nm(2.6), { turned: deg(5) }], [nm(0.1), { renewed: 'washer' }]);
    expect(again.move).toEqual({ kind: 'turn', turned: deg(5) });
  });
  test('each one that was spent is counted', () => {
    const state = stateOf({
      float: rounds([nm(2.6)], [nm(0.1), { renewed: 'washer' }], [nm(2.7)], [nm(0.1), { renewed: 'washer' }]),
    });
    expect(spentParts(state)).toEqual({ washer: 2 });
  });
});

describe('packs that are reckoned before one is in', () => {
  const by = (method: SettingMethod, more: Partial<Setting> = {}): Setting =>
    float({
      shims: { drawer: 'd', thicker: 'tighter', trial: mm(1), pack: 'the pack', mayBeOff: mm(0.01) },
      methods: { '': method },
      ...more,
    });
  const reading = (where: string, value: Quantity): Reading => ({
    op: 'o',
    subject: 'setting',
    id: 'float',
    value,
    how: 'hand',
    instrument: null,
    moment: 'depth',
    where,
    result: null,
    ...stamp,
  });
  const measured = (...readings: Reading[]): BenchState => ({ ...emptyBench('j'), readings });
  test('a pinion: the figure etched on it first, then the distance without a shim; by hand', () => {
    const pinion = by(
      { kind: 'pinion', nominal: mm(76), gauge: 'depth gauge' },
      { band: { low: mm(75.98), high: mm(76.02) }, target: mm(76) },
    );
    const sheet = sheetWith(pinion);
    expect(dueReading(sheet, measured(), pinion)?.depth?.id).toBe('etched');
    const etched = measured(reading('etched', mm(-0.02)));
    expect(dueReading(sheet, etched, pinion)?.depth?.id).toBe('checking');
    // 76 − 0.02 is wanted; the gauge face stands 0.95 too far out, and a thicker shim moves it in.
    const both = measured(reading('etched', mm(-0.02)), reading('checking', mm(76.93)));
    expect(neededPack(pinion, both)!.needed.value).toBeCloseTo(0.95, 9);
    const { band, target } = settingBand(pinion, both);
    expect([band.low.value, target.value, band.high.value]).toEqual([
      expect.closeTo(75.96, 9),
      expect.closeTo(75.98, 9),
      expect.closeTo(76, 9),
    ]);
  });
  test('the gap under a cover: gap and float, whichever way a thicker pack is said to go', () => {
    const gap = by({ kind: 'gap', gauge: 'feeler' });
    expect(dueReading(sheetWith(gap), measured(), gap)?.depth?.gauge).toBe('feeler');
    expect(neededPack(gap, measured(reading('gap', mm(0.42))))!.needed.value).toBeCloseTo(0.47, 9);
  });
});
