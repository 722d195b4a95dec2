import { describe, expect, test } from '@jest/globals';
import { canonical, type Quantity } from '../../../quantities/index.ts';
import type { Setting } from '../../../sheet/index.ts';
import type { BenchState, SettingRound } from '../../log/state.ts';
import { neededPack, nextTry, predict, type NextTry } from '../index.ts';
import { fitted, float, mm, result, sheetWith, stateOf } from '../setting.fixtures.ts';

const nm = (n: number): Quantity => canonical(n, 'torque');
const setting = (more: Partial<Setting>): Setting =>
  float({
    id: 's',
    title: 'Collar',
    kind: 'play',
    gauge: 'caliper',
    band: { low: mm(0.5), high: mm(1.5) },
    target: mm(1),
    ...more,
  });
const tried = (rounds: readonly SettingRound[]): BenchState => stateOf({ s: rounds });
const next = (of: Setting, rounds: readonly SettingRound[]): NextTry | undefined =>
  nextTry(sheetWith(of), tried(rounds), of, {});

describe('a collar that is slid', () => {
  const collar = setting({ methods: { '': { kind: 'slide' } } });
  test('goes by as much as is wanted, in or out', () => {
    const out = next(collar, [{ readings: [], result: result(mm(3.2), 'outside', 0.05) }])!;
    expect(out.say).toBe('Slide the collar 2.2 mm further out, and measure again');
    expect(out.move).toEqual({ kind: 'slide', slid: mm(1 - 3.2) });
    const further = next(collar, [{ readings: [], result: result(mm(0.2), 'outside', 0.05) }])!;
    expect(further.say).toContain('0.8 mm further in');
    expect(further.predicted).toEqual(mm(1));
    expect(further.working[0]).toMatchObject({ name: 'Slide', formula: 'wanted − read' });
  });
  test('nothing is said before it is read, nor once it is within', () => {
    expect(next(collar, [])).toBeUndefined();
    expect(next(collar, [{ readings: [], result: result(mm(1), 'within', 0.05) }])).toBeUndefined();
  });
});

describe('a setting that no method moves', () => {
  test('says by how much it is out and which way, and what the sheet says to that', () => {
    const plain = (value: number, more: Partial<Setting> = {}): string =>
      next(setting(more), [{ readings: [], result: result(mm(value), 'outside', 0.05) }])!.say.replace(/\s/g, ' ');
    expect(plain(1.8)).toBe('0.8 mm more than wanted');
    expect(plain(0.25)).toBe('0.75 mm less than wanted');
    expect(plain(1.8, { outside: 'The bracket is bent' })).toBe('0.8 mm more than wanted. The bracket is bent');
  });
});

describe('a drag that a pack sets', () => {
  // A thicker pack makes it looser: 0.1 mm more of it takes 2 N·m off, says the sheet.
  const drag = setting({
    dimension: 'torque',
    band: { low: nm(1), high: nm(2) },
    target: nm(1.5),
    shims: {
      drawer: 'd',
      thicker: 'looser',
      trial: mm(2),
      pack: 'behind the cup',
      mayBeOff: mm(0.01),
      per: { move: mm(0.1), gives: nm(2) },
    },
  });
  const withPack = (pack: number, drags: number): SettingRound => ({
    fitted: { ...fitted(pack), setting: 's' },
    readings: [],
    result: result(nm(drags), 'outside', 0.2),
  });
  const first: SettingRound = { readings: [], result: result(nm(3.5), 'outside', 0.2) };

  test('from the first try by what the sheet says a millimetre does', () => {
    const { needed, uncertainty, forSetting } = neededPack(drag, tried([first]))!;
    // Two N·m too much: 0.1 mm more. The gauge's 0.2 N·m are 0.01 mm.
    expect(needed.value).toBeCloseTo(2.1, 9);
    expect(uncertainty!.value).toBeCloseTo(0.01, 9);
    expect(forSetting.working[0]!.formula).toContain('slope of the sheet');
  });

  test('from two tries by what they showed', () => {
    // A tenth more took only one N·m off: there is another N·m to go, so another tenth.
    const state = tried([first, withPack(2.1, 2.5)]);
    expect(neededPack(drag, state)!.needed.value).toBeCloseTo(2.2, 9);
    expect(neededPack(drag, state)!.forSetting.working[0]!.formula).toContain('last two tries');
    expect(predict(drag, state, 2.2)!.value).toBeCloseTo(1.5, 9);
  });

  test('tries that contradict the sheet are not followed: something else has moved', () => {
    // It got tighter with more pack.
    const state = tried([first, withPack(2.1, 4.5)]);
    expect(neededPack(drag, state)!.forSetting.working[0]!.formula).toContain('slope of the sheet');
    expect(neededPack(drag, state)!.needed.value).toBeCloseTo(2.1 + 0.15, 9);
    // The same pack twice tells no slope.
    expect(neededPack(drag, tried([first, withPack(2, 3)]))!.forSetting.working[0]!.formula).toContain('of the sheet');
  });

  test('the other way round where a thicker pack makes it tighter', () => {
    const tighter = { ...drag, shims: { ...drag.shims!, thicker: 'tighter' as const } };
    expect(neededPack(tighter, tried([first]))!.needed.value).toBeCloseTo(1.9, 9);
  });

  test('an empty drawer says what would have to be bought or ground', () => {
    const out = next(drag, [first])!;
    expect(out.cannot!.replace(/\s/g, ' ')).toBe('The drawer d is empty, and 2.10 mm is needed: buy or grind one');
    expect(out.needed!.value).toBeCloseTo(2.1, 9);
    expect(out.move).toBeUndefined();
  });
});
