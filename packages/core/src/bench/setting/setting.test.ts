import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { canonical, inCanonical, type Quantity } from '../../quantities/index.ts';
import type { Setting } from '../../sheet/index.ts';
import { booked, librarySheet, type TestBench } from '../bench.fixtures.ts';
import { nextMove } from '../ladder/moves.ts';
import type { ReadingResult } from '../log/facts.ts';
import type { BenchState, SettingRound } from '../log/state.ts';
import { hotValue, nextTry, piecesOfDrawer, settingBand, settingValue } from './index.ts';
import { float, mm, result, sheetWith, stamp, stateOf } from './setting.fixtures.ts';

const deg = (n: number): Quantity => canonical(n, 'angle');
/** Is the next operation of this kind? */
const nextIs = (bench: TestBench, kind: string): boolean => {
  const move = nextMove(bench.sheet, bench.state);
  return move.kind === 'op' && move.op.kind === kind;
};
/** Rounds of a setting: what was read, and how far it had been turned before. */
const tries = (...all: [value: Quantity, turned?: number][]): readonly SettingRound[] =>
  all.map(([value, turned]) => ({
    readings: [],
    result: result(value),
    ...(turned === undefined ? {} : { adjusted: { note: 'x', turned: deg(turned), ...stamp } }),
  }));
const nut = (slots: number | undefined, holes: number[] = [0, 90]): Setting =>
  float({
    methods: { '': { kind: 'nut', pitch: mm(1.5), holes: holes.map(deg), ...(slots === undefined ? {} : { slots }) } },
  });

describe('a nut that is turned back', () => {
  test('before it is read: back by what the pitch says, and how often such a nut can lock in the band', () => {
    const next = nextTry(sheetWith(nut(6)), stateOf({}), nut(6), {})!;
    // By hand: 0.05 mm of a 1.5 mm pitch is 12°.
    expect(next.say).toMatch(/back 12°, to the nearest hole/);
    // 0.03 to 0.08 mm is 12° wide, and a position comes each 30°: 40 % of starts.
    expect(next.warnings[0]).toBe('This nut locks inside the band from 40 % of starts only');
  });
  test('too loose by a whole step: on to the next hole', () => {
    const state = stateOf({ float: tries([mm(0.175)]) });
    const next = nextTry(sheetWith(nut(6)), state, nut(6), {})!;
    // By hand: 30° on takes 0.125 mm off.
    expect(next.move).toEqual({ kind: 'turn', turned: deg(30) });
    expect(inCanonical(next.predicted!, 'length')).toBeCloseTo(0.05, 9);
  });
  test('no hole falls in the band: it says so at once, with the washer and the nut that can', () => {
    const state = stateOf({ float: tries([mm(0.1)]) });
    const next = nextTry(sheetWith(nut(6)), state, nut(6), {})!;
    expect(next.move).toBeUndefined();
    // From 0.10 mm the holes give 0.10 or −0.025; a washer of 0.05 mm more brings 0.10 to 0.05.
    expect(next.cannot).toMatch(/0\.125 mm apart/);
    expect(next.cannot).toMatch(/washer 0\.05 mm thicker/);
    // 18 slots and holes at 0° and 90° repeat each 20°, places 0° and 10°: 10° apart, inside 12°.
    expect(next.cannot).toMatch(/a nut of 18 slots/);
  });
  test('without slots any turn will do', () => {
    const state = stateOf({ float: tries([mm(0.1)]) });
    const { move } = nextTry(sheetWith(nut(undefined)), state, nut(undefined), {})!;
    expect(move).toEqual({ kind: 'turn', turned: expect.objectContaining({ value: expect.closeTo(12, 6) }) });
  });
  test('property: what it advises lies in the band as reckoned, or it says that nothing does', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.6, noNaN: true }), fc.constantFrom(4, 6, 8, 10, 12), (read, slots) => {
        const setting = nut(slots);
        const next = nextTry(sheetWith(setting), stateOf({ float: tries([mm(read)]) }), setting, {})!;
        const gives = inCanonical(next.predicted!, 'length');
        expect(next.cannot === undefined).toBe(gives >= 0.03 && gives <= 0.08);
        expect(next.move === undefined).toBe(next.cannot !== undefined);
      }),
    );
  });
});

describe('a cone against its locknut', () => {
  const cone = float({ target: mm(0.02), methods: { '': { kind: 'cone', pitch: mm(1), flats: 6 } } });
  test('the first step by the pitch, in flats of the cone; the second by the tries', () => {
    const first = nextTry(sheetWith(cone), stateOf({ float: tries([mm(0.1)]) }), cone, {})!;
    // By hand: 0.08 mm of a 1 mm pitch is 28.8°, near half of a flat of 60°.
    expect(first.say).toMatch(/cone in about half of a flat \(29°\)/);
    const second = nextTry(sheetWith(cone), stateOf({ float: tries([mm(0.1)], [mm(0.04), 28.8]) }), cone, {})!;
    // By hand: 28.8 × 0.02 / 0.06 = 9.6° further.
    expect(second.move).toEqual({ kind: 'turn', turned: expect.objectContaining({ value: expect.closeTo(9.6, 6) }) });
  });
  test('tries that lead nowhere are not followed further than a quarter turn', () => {
    const { move, warnings } = nextTry(sheetWith(cone), stateOf({ float: tries([mm(2)]) }), cone, {})!;
    expect(move).toEqual({ kind: 'turn', turned: deg(90) });
    expect(warnings[0]).toMatch(/too far to be trusted/);
  });
});

describe('a drag that is turned to', () => {
  const drag = float({
    dimension: 'torque',
    band: { low: { value: 1, unit: 'N·m' }, high: { value: 2, unit: 'N·m' } },
    target: { value: 1.5, unit: 'N·m' },
    pull: { radius: mm(62), sealDrag: { value: 0.2, unit: 'N·m' } },
    bearings: ['cone-outer', 'cone-inner'],
    methods: { '': { kind: 'turn', first: deg(12), backOff: deg(90) } },
  });
  const nm = (value: number): Quantity => ({ value, unit: 'N·m' });
  const bothNew: Partial<BenchState> = { findings: { 'cone-outer': 'renew', 'cone-inner': 'renew' } };
  test('a pull on a cord is the torque of the bearings, less the seal', () => {
    // By hand: 22 N × 0.062 m − 0.2 N·m.
    expect(settingValue(drag, { value: 22, unit: 'N' }).value.value).toBeCloseTo(1.164, 9);
    expect(settingValue(drag, nm(1.3)).value).toEqual(nm(1.3));
    // Half a newton of the scale is 0.031 N·m of the drag.
    expect(settingValue(drag, { value: 22, unit: 'N' }, { value: 0.5, unit: 'N' }).uncertainty!.value).toBeCloseTo(
      0.031,
      6,
    );
    expect(() => settingValue(drag, { value: 1, unit: 'N' })).toThrow(/more than what the seal/);
  });
  test('one kept bearing makes it a used pair: half the band', () => {
    expect(settingBand(drag, stateOf({}, bothNew))).toMatchObject({ used: false, target: nm(1.5) });
    const kept = settingBand(drag, stateOf({}, { findings: { 'cone-outer': 'renew', 'cone-inner': 'reuse' } }));
    expect(kept).toMatchObject({ used: true, target: nm(0.75), band: { low: nm(0.5), high: nm(1) } });
  });
  test('first the step of the sheet, then from the last two tries, never by more than three steps', () => {
    const first = nextTry(sheetWith(drag), stateOf({ float: tries([nm(0.6)]) }, bothNew), drag, {})!;
    expect(first.move).toEqual({ kind: 'turn', turned: deg(12) });
    const then = nextTry(sheetWith(drag), stateOf({ float: tries([nm(0.6)], [nm(1.0), 12]) }, bothNew), drag, {})!;
    // By hand: 0.5 N·m wanted at 0.4 N·m for 12°.
    expect(then.move).toEqual({ kind: 'turn', turned: expect.objectContaining({ value: expect.closeTo(15, 6) }) });
    const flat = nextTry(sheetWith(drag), stateOf({ float: tries([nm(0.6)], [nm(0.61), 12]) }, bothNew), drag, {})!;
    expect(flat.move).toEqual({ kind: 'turn', turned: deg(36) });
  });
  test('too tight is not turned back to: it is backed off, and come up to from below', () => {
    const next = nextTry(sheetWith(drag), stateOf({ float: tries([nm(0.6)], [nm(2.6), 12]) }, bothNew), drag, {})!;
    expect(next.say).toMatch(/^Too tight: nut back 90°, turn the shaft, then on again to 7° short/);
  });
});

describe('two settings that pull on each other', () => {
  const sheet = librarySheet('differential-side');
  const backlash = sheet.settings['backlash']!;
  const round = (values: number[], verdict: ReadingResult['verdict']): SettingRound => ({
    readings: values.map((v) => ({
      op: 'x', subject: 'setting', id: 'backlash', moment: 'trial', where: null, value: mm(v), how: 'hand', instrument: null, result: null, ...stamp,
    })), // prettier-ignore
    result: result(mm(values.reduce((a, b) => a + b, 0) / values.length), verdict),
  });
  const drag = (value: number, verdict: ReadingResult['verdict']): SettingRound => ({
    readings: [],
    result: result({ value, unit: 'N·m' }, verdict),
  });
  const renewed: Partial<BenchState> = { findings: { 'bearing@left': 'renew', 'bearing@right': 'renew' } };
  test('too much backlash goes across, and the preload is left alone', () => {
    const state = stateOf(
      { backlash: [round([0.3, 0.31, 0.29, 0.3], 'outside')], preload: [drag(1.6, 'within')] },
      renewed,
    );
    // By hand: (0.30 − 0.16) / 0.70 = 0.20 mm.
    expect(nextTry(sheet, state, backlash, {})!.move).toEqual({ kind: 'sides', left: mm(0.2), right: mm(-0.2) });
    expect(nextTry(sheet, state, backlash, {})!.say).toMatch(
      /^Put 0\.20 mm in the left pack, take 0\.20 mm out of the right pack/,
    );
  });
  test('too little preload goes to both; both wrong are put right in one move', () => {
    const loose = stateOf(
      { backlash: [round([0.16, 0.16, 0.16, 0.16], 'within')], preload: [drag(0.8, 'outside')] },
      renewed,
    );
    // By hand: 0.8 N·m wanted at 0.8 N·m for 0.05 mm, half on each side.
    const move = nextTry(sheet, loose, backlash, {})!.move!;
    expect(move.kind === 'sides' && inCanonical(move.left, 'length') + inCanonical(move.right, 'length')).toBeCloseTo(
      0.05,
      9,
    );
    const both = stateOf(
      { backlash: [round([0.3, 0.3, 0.3, 0.3], 'outside')], preload: [drag(0.8, 'outside')] },
      renewed,
    );
    const moved = nextTry(sheet, both, backlash, {})!.move;
    if (moved?.kind !== 'sides') throw new Error('not moved on both sides');
    // 0.20 across and 0.025 more on each, to the hundredth that shims are cut to.
    expect(moved.left.value + moved.right.value).toBeCloseTo(0.05, 9);
    expect(Math.abs(moved.left.value - 0.225)).toBeLessThan(0.0051);
  });
  test('nothing is said before both are read, nor once both are within', () => {
    expect(
      nextTry(sheet, stateOf({ backlash: [round([0.3, 0.3, 0.3, 0.3], 'outside')] }, renewed), backlash, {}),
    ).toBeUndefined();
    const good = stateOf(
      { backlash: [round([0.16, 0.16, 0.16, 0.16], 'within')], preload: [drag(1.6, 'within')] },
      renewed,
    );
    expect(nextTry(sheet, good, backlash, {})).toBeUndefined();
  });
});

describe('warm', () => {
  test('a float under an aluminium case grows by what the case grows more than the shaft', () => {
    const setting = float({
      hot: { span: mm(150), rise: { value: 70, unit: 'K' }, caseMaterial: 'aluminium', shaftMaterial: 'steel', arrangement: 'face-to-face' },
    }); // prettier-ignore
    // By hand: 11.6e-6 × 150 × 70 = 0.122 mm.
    expect(inCanonical(hotValue(setting, mm(0.05))!.value, 'length')).toBeCloseTo(0.172, 3);
    expect(hotValue(float({}), mm(0.05))).toBeUndefined();
  });
});

describe('a piece that is made for it', () => {
  test('goes in without the drawer, with where it comes from, and does not go into the drawer later', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run(() => nextIs(bench, 'set'));
    const move = nextMove(bench.sheet, bench.state);
    const op = move.kind === 'op' ? move.op.id : '';
    for (const value of [0.23, 0.23, 0.23]) bench.do({ type: 'take-reading', op, value: mm(value), how: 'hand' });
    expect(bench.refused({ type: 'fit-pack', op, pieces: [mm(1.317)] }).code).toBe('not-in-drawer');
    expect(bench.refused({ type: 'fit-pack', op, pieces: [mm(1.317)], made: ' ' }).code).toBe('not-complete');
    bench.do({ type: 'fit-pack', op, pieces: [mm(1.317)], made: 'ground from 1.50' });
    const state = bench.state.settings['float'];
    expect(state!.rounds.at(-1)!.fitted!.made).toBe('ground from 1.50');
    expect(piecesOfDrawer(state)).toEqual([]);
    // Next time the drawer is what it was: the made piece is not in it.
    for (const value of [0.1, 0.1, 0.1]) bench.do({ type: 'take-reading', op, value: mm(value), how: 'hand' });
    expect(bench.refused({ type: 'fit-pack', op, pieces: [mm(1.317)] }).code).toBe('not-in-drawer');
  });
});

describe('an impossible drawer', () => {
  const pack = float({
    shims: { drawer: 'hub-shims', thicker: 'looser', trial: mm(1.5), pack: 'between the cones', mayBeOff: mm(0.01) },
  });
  const read = stateOf({ float: tries([mm(0.23)]) });
  const drawer = (...sizes: [number, number][]): Parameters<typeof nextTry>[3] => ({
    'hub-shims': sizes.map(([n, count]) => ({ thickness: mm(n), count })),
  });
  test('empty, or all sizes gone: it says what is needed', () => {
    for (const drawers of [{}, drawer([1.2, 0])])
      expect(nextTry(sheetWith(pack), read, pack, drawers)!.cannot).toBe(
        'The drawer hub-shims is empty, and 1.32\u202fmm is needed: buy or grind one',
      );
  });
  test('no pack near enough: the size to buy', () => {
    const next = nextTry(sheetWith(pack), read, pack, drawer([1, 1], [0.2, 1]))!;
    expect([next.move, next.cannot]).toEqual([
      undefined,
      expect.stringMatching(/cannot make 1\.32.*buy or grind one of 1\.32/),
    ]);
  });
  test('none within a hundredth of the middle: whatever comes out within the guarded band is made, and none beyond it', () => {
    // 1.38 would give 0.05; 1.20 + 0.10 + 0.10 = 1.40 gives 0.07, within 0.03 to 0.08 by more than the gauge's 0.005.
    const tight = stateOf({ float: tries([mm(0.17)]) });
    const next = nextTry(sheetWith(pack), tight, pack, drawer([1.2, 1], [0.1, 3]))!;
    expect(next.move!.kind === 'pack' && next.move!.pieces.map((p) => p.value)).toEqual([1.2, 0.1, 0.1]);
    expect(next.predicted!.value).toBeCloseTo(0.07, 9);
    // 1.41 would give 0.08: on the limit, and the gauge cannot tell it from outside.
    expect(nextTry(sheetWith(pack), tight, pack, drawer([1.41, 2]))!.cannot).toMatch(/cannot make 1\.38/);
  });
  test('the fewest pieces that should come out within, not just the fewest', () => {
    // 1.30 is one piece and gives 0.03, on the limit; 1.20 + 0.12 gives 0.05.
    const wide = { ...pack, shims: { ...pack.shims!, mayBeOff: mm(0.03) } };
    const next = nextTry(sheetWith(wide), read, wide, drawer([1.3, 2], [1.2, 2], [0.12, 2]))!;
    expect(next.move!.kind === 'pack' && next.move!.pieces.map((p) => p.value)).toEqual([1.2, 0.12]);
  });
});
