import { describe, expect, test } from '@jest/globals';
import { canonical, inCanonical } from '../../quantities/index.ts';
import type { Joint, Sheet } from '../../sheet/index.ts';
import { booked, librarySheet, type TestBench } from '../bench.fixtures.ts';
import { nextMove, type Command } from '../index.ts';
import type { TracePoint } from './events.ts';
import type { Pull } from '../log/state.ts';
import { gave, signsOf, wrenchesFor, type Wrench } from './index.ts';

/** Torque that rises with the turn at `rate`, from `from` to `to`; past `yieldsAt` at a quarter of it. */
function trace(rate: number, to: number, { from = 0, yieldsAt = Infinity, longest = 400 } = {}): TracePoint[] {
  const points: TracePoint[] = [[0, 0]];
  let t = from;
  for (let a = 2; t < to && a <= longest; a += 2) {
    t += 2 * rate * (t > yieldsAt ? 0.25 : 1);
    points.push([a, Math.min(t, to)]);
  }
  return points;
}
const pulled = (rate: number, to: number): Pull =>
  ({ trace: trace(rate, to), turnedDeg: trace(rate, to).at(-1)![0], verdict: 'within' }) as unknown as Pull;
const cap = librarySheet('hub-dolly').joints['cap-bolts']!;
const signs = (t: TracePoint[], neighbours: Pull[] = [], fromLoose = true): readonly string[] =>
  signsOf(cap, 1, { trace: t, turnedDeg: t.at(-1)![0], verdict: 'within' }, neighbours, fromLoose);

describe('what the way it turned points to', () => {
  const usual = [pulled(0.22, 24), pulled(0.24, 24), pulled(0.21, 24)];
  test('a clean pull points to nothing, with neighbours or without', () => {
    expect(signs(trace(0.23, 24))).toEqual([]);
    expect(signs(trace(0.23, 24), usual)).toEqual([]);
  });
  test('a rise that falls under half and stays there: it gave', () => {
    expect(gave(trace(0.23, 24, { yieldsAt: 18 }))).toBe(true);
    expect(signs(trace(0.23, 24, { yieldsAt: 18 }))).toEqual(['yielding']);
    // A rise that only just turns at the very end is a wrench that was let go.
    expect(gave(trace(0.23, 24, { yieldsAt: 23.8 }))).toBe(false);
  });
  test('stiff from the first turn is a crossed thread, but not where it went on from a stage', () => {
    const crossed: TracePoint[] = Array.from({ length: 40 }, (_, i) => [i * 2, i < 25 ? 14 : 14 + (i - 24) * 0.7]);
    expect(signs(crossed)).toEqual(['cross-threaded']);
    expect(signs(crossed, [], false)).not.toContain('cross-threaded');
  });
  test('short and hard beside its neighbours is a bottom; short alone is a dry thread; far is soft or stretched', () => {
    expect(signs(trace(0.9, 24), usual)).toEqual(['bottomed']);
    expect(signs(trace(0.08, 24), usual)).toEqual(['turned-too-far']);
    const short: TracePoint[] = [
      [0, 0],
      [0, 20],
      [4, 20.4],
      [8, 20.9],
      [12, 21.4],
      [16, 22],
    ];
    expect(signs(short, usual, false)).toEqual(['turned-too-little']);
  });
  test('the sheet’s own turn counts before the neighbours', () => {
    const told: Joint = {
      ...cap,
      stages: [cap.stages[0]!, { ...cap.stages[1]!, expect: { low: canonical(60, 'angle'), high: canonical(140, 'angle') } }],
    }; // prettier-ignore
    const t = trace(0.9, 24);
    expect(signsOf(told, 1, { trace: t, turnedDeg: t.at(-1)![0], verdict: 'within' }, [], false)).toEqual(['bottomed']);
  });
  test('a one-time fastener that is turned on by an angle is meant to give', () => {
    const once: Joint = {
      ...cap,
      fasteners: 'new',
      stages: [cap.stages[0]!, { ...cap.stages[1]!, kind: 'angle', to: canonical(90, 'angle') }],
    };
    const t = trace(0.23, 40, { from: 10, yieldsAt: 18, longest: 90 });
    expect(signsOf(once, 1, { trace: t, turnedDeg: 90, verdict: 'within' }, [], false)).toEqual([]);
    expect(
      signsOf({ ...once, fasteners: 'reuse' }, 1, { trace: t, turnedDeg: 90, verdict: 'within' }, [], false),
    ).toEqual(['yielding']);
  });
});

describe('which wrench to take', () => {
  const wrench = (id: string, maxNm: number, u: number, more: object = {}): Wrench => ({
    id,
    name: id,
    uncertainty: { value: u, unit: 'N·m' },
    calibratedTo: '2027-03-31',
    wrench: { maxNm, lengthMm: 400, ...more },
  });
  const shop = [wrench('small', 20, 0.2), wrench('middle', 100, 0.8), wrench('large', 340, 3, { angle: true })];
  const noExtension = { extensionMm: 0, extensionAngleDeg: 0 };
  const verdicts = (joint: Joint, stage: number, wrenches = shop, today = '2026-11-25'): [string, string][] =>
    wrenchesFor(joint, stage, 0, noExtension, wrenches, today).map((w) => [w.wrench.id, w.verdict]);

  test('in range and fine enough first; past its end, or below a fifth of it, last', () => {
    // 24 ± 2 N·m: 4 wide over 2 × 0.8 is 2.5.
    expect(verdicts(cap, 1)).toEqual([['middle', 'good'], ['small', 'out of range'], ['large', 'out of range']]); // prettier-ignore
    // 10 N·m, a tenth either way: 2 wide over 2 × 0.2 is 5; a fifth of 100 is more than 10.
    expect(verdicts(cap, 0).slice(0, 2)).toEqual([['small', 'good'], ['middle', 'out of range']]); // prettier-ignore
  });
  test('an extension moves a figure into range', () => {
    const [first] = wrenchesFor(cap, 1, 0, { extensionMm: 120, extensionAngleDeg: 0 }, shop, '2026-11-25');
    // By hand: 24 × 400 / 520 = 18.5 N·m.
    expect([first!.wrench.id, first!.verdict]).toEqual(['small', 'good']);
    expect(first!.showsNm).toBeCloseTo(18.46, 2);
  });
  test('one whose calibration ran out comes after one that is good, and says when', () => {
    const late = { ...wrench('late', 100, 0.5), calibratedTo: '2026-11-24' };
    expect(verdicts(cap, 1, [late, ...shop]).slice(0, 2)).toEqual([['middle', 'good'], ['late', 'overdue']]); // prettier-ignore
    expect(verdicts(cap, 1, [late], '2026-11-24')).toEqual([['late', 'good']]);
  });
  test('a turn wants a wrench that measures it', () => {
    const turned = librarySheet('prop-centre');
    const joint = Object.values(turned.joints).find((j) => j.stages.some((s) => s.kind === 'angle'))!;
    const angle = joint.stages.findIndex((s) => s.kind === 'angle');
    const all = wrenchesFor(
      joint,
      angle,
      0,
      noExtension,
      [...shop, wrench('turns', 100, 1, { angle: true })],
      '2026-11-25',
    );
    expect(all.filter((w) => w.verdict !== 'out of range').every((w) => w.wrench.wrench?.angle)).toBe(true);
    expect(all.find((w) => w.wrench.id === 'middle')!.says).toBe('does not measure the turn');
  });
});

/** A bench at the tightening of a joint, for a sheet that is the library's but for that joint. */
function atJoint(change: Partial<Joint>): { bench: TestBench; op: string } {
  const hub = librarySheet('hub-dolly');
  const sheet: Sheet = { ...hub, joints: { ...hub.joints, 'cap-bolts': { ...cap, ...change } } };
  const bench = booked(sheet, 'six-stud');
  bench.run((_, state) => {
    const move = nextMove(bench.sheet, state);
    return move.kind === 'op' && move.op.kind === 'tighten' && move.op.joint === 'cap-bolts';
  });
  const move = nextMove(bench.sheet, bench.state);
  if (move.kind !== 'op') throw new Error('never came to it');
  return { bench, op: move.op.id };
}
const rig = { extensionMm: 0, extensionAngleDeg: 0 };
const pull = (op: string, bolt: number, nm: number, more: Partial<Extract<Command, { type: 'pull' }>> = {}): Command => ({
  type: 'pull', op, bolt, reading: canonical(nm, 'torque'), rig, how: 'hand', ...more,
}); // prettier-ignore

describe('pulls that want an answer', () => {
  test('an odd pull holds the joint though its torque is right; it may stand with what was found', () => {
    const { bench, op } = atJoint({});
    const crossed: TracePoint[] = Array.from({ length: 40 }, (_, i) => [i * 2, i < 25 ? 6 : 6 + (i - 24) * 0.27]);
    bench.do(pull(op, 1, 10, { trace: crossed, turnedDeg: 78 }));
    const [first] = bench.state.joints['cap-bolts']!.pulls;
    expect([first!.verdict, first!.advice, first!.signs]).toEqual(['within', 'look', ['cross-threaded']]);
    expect(bench.refused(pull(op, 4, 10)).says).toMatch(/turned oddly/);
    expect(bench.refused({ type: 'answer-pull', op, bolt: 1, answer: 'accepted' }).code).toBe('not-complete');
    bench.do({ type: 'answer-pull', op, bolt: 1, answer: 'accepted', note: 'Paint in the thread, clean below' });
    expect(bench.refused(pull(op, 1, 10)).says).toMatch(/Fastener 4 is next/);
  });
  test('too high does not stand, whatever is said', () => {
    const { bench, op } = atJoint({});
    bench.do(pull(op, 1, 13));
    expect(bench.refused({ type: 'answer-pull', op, bolt: 1, answer: 'accepted', note: 'x' }).code).toBe(
      'not-a-choice',
    );
  });
  test('a one-time fastener is not pulled twice', () => {
    const { bench, op } = atJoint({ fasteners: 'new' });
    bench.do(pull(op, 1, 13));
    expect(bench.refused({ type: 'answer-pull', op, bolt: 1, answer: 'slackened' }).says).toMatch(/not pulled twice/);
    bench.do({ type: 'answer-pull', op, bolt: 1, answer: 'renewed' });
    bench.do(pull(op, 1, 10));
  });
  test('another instrument than a wrench, or a wrench out of its range, pulls nothing', () => {
    const { bench, op } = atJoint({});
    const instrument = { id: 'i', name: 'Indicator 1', simulated: true, kind: 'indicator' };
    expect(bench.refused(pull(op, 1, 10, { how: 'instrument', instrument })).code).toBe('wrong-instrument');
    const large = { ...instrument, name: 'Wrench 3', kind: 'torque-wrench', rangeNm: { min: 40, max: 340 } };
    expect(bench.refused(pull(op, 1, 10, { how: 'instrument', instrument: large })).says).toMatch(
      /good from 40 to 340/,
    );
    expect(bench.state.joints['cap-bolts']!.pulls).toEqual([]);
  });
});

describe('a self-locking nut', () => {
  test('what it takes to turn comes on top of every figure', () => {
    const { bench, op } = atJoint({ running: true });
    expect(bench.refused(pull(op, 1, 10)).says).toMatch(/self-locking/);
    expect(bench.refused({ type: 'say-running', op, torque: canonical(0, 'torque'), how: 'hand' }).says).toMatch(
      /does not lock/,
    );
    expect(bench.refused({ type: 'say-running', op, torque: canonical(30, 'torque'), how: 'hand' }).clears).toMatch(
      /binds/,
    );
    bench.do({ type: 'say-running', op, torque: canonical(3, 'torque'), how: 'hand' });
    bench.do(pull(op, 1, 10));
    // 9 to 11 and 3: 12 to 14 N·m.
    expect(bench.state.joints['cap-bolts']!.pulls[0]!.verdict).toBe('low');
    bench.do(pull(op, 1, 13));
    expect(bench.state.joints['cap-bolts']!.pulls[1]!.verdict).toBe('within');
  });
});

describe('a joint that is loosened again', () => {
  const tight = (change: Partial<Joint> = {}): { bench: TestBench; op: string } => {
    const { bench, op } = atJoint(change);
    bench.run((_, state) => state.done[op] !== undefined);
    return { bench, op };
  };
  test('loses its ticks and comes up again; nothing before it does', () => {
    const { bench, op } = tight();
    const done = Object.keys(bench.state.done).length;
    bench.do({ type: 'loosen', joint: 'cap-bolts', why: 'The ring was pinched' });
    expect(bench.state.done[op]).toBeUndefined();
    expect(Object.keys(bench.state.done)).toHaveLength(done - 1);
    const move = nextMove(bench.sheet, bench.state);
    expect(move.kind === 'op' && move.op.id).toBe(op);
    expect(bench.refused({ type: 'sign-off' }).blockers!.some((b) => b.code === 'pull-missing')).toBe(true);
    bench.do(pull(op, 1, 10));
    expect(bench.refold()).toEqual(bench.state);
  });
  test('one-time fasteners are used up by it, and asked for anew', () => {
    const { bench, op } = tight({ fasteners: 'new' });
    bench.do({ type: 'loosen', joint: 'cap-bolts', why: 'Dowel forgotten' });
    expect(bench.refused(pull(op, 1, 10)).clears).toMatch(/new ones/);
    bench.do({ type: 'renew-fasteners', op });
    expect(bench.state.renewed['cap-bolt']!.count).toBe(6);
    bench.do(pull(op, 1, 10));
  });
  test('what is not pulled is not loosened, and a reason is due', () => {
    const { bench } = atJoint({});
    expect(bench.refused({ type: 'loosen', joint: 'cap-bolts', why: 'x' }).code).toBe('already-done');
    expect(bench.refused({ type: 'loosen', joint: 'moon', why: 'x' }).code).toBe('wrong-value');
    const after = tight();
    expect(after.bench.refused({ type: 'loosen', joint: 'cap-bolts', why: ' ' }).code).toBe('not-complete');
  });
});

describe('no figure in the sheet', () => {
  test('the computed one is kept with its working, and filed as a lesson, once', () => {
    const bench = booked(librarySheet('tensioner-belt'), librarySheet('tensioner-belt').variants[0]!.id);
    bench.run((c) => c.type === 'sign-off');
    const tightened = bench.events.find((e) => e.type === 'joint-tightened' && e.payload.joint === 'tensioner-joint');
    const working = tightened?.type === 'joint-tightened' ? tightened.payload.computed! : [];
    const said = working.at(-1)!.value;
    const nm = typeof said === 'string' ? NaN : inCanonical(said, 'torque');
    // M10 8.8 at 90 % of yield takes 48 N·m (VDI 2230-1 table A1); 70 % is 37.
    expect(nm).toBeGreaterThan(20);
    expect(nm).toBeLessThanOrEqual(38);
    const lessons = bench.state.lessons.filter((l) => l.kind === 'no-figure');
    expect(lessons).toHaveLength(1);
    expect(lessons[0]!.words).toMatch(/no figure in the sheet; \d+/);
  });
});
