import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, type TestBench } from './bench.fixtures.ts';
import {
  aheadNow,
  aidsIn,
  betweenNow,
  blockers,
  buildRecord,
  jobSheet,
  ladderOf,
  leadsOff,
  minutesToRun,
  nextMove,
  returnSheet,
  standingNow,
  timerHasRun,
  timersRunning,
} from './index.ts';
import type { LadderStep, Op, OpKind } from '../sheet/index.ts';

const now = (bench: TestBench): { step: LadderStep; op: Op } => {
  const move = nextMove(bench.sheet, bench.state);
  if (move.kind !== 'op') throw new Error(`no operation is next: ${move.kind}`);
  return move;
};
/** Rehearses until an operation of a kind is next, on a step if one is named. */
const upTo = (bench: TestBench, kind: OpKind, step?: string): string => {
  bench.run((_, s) => {
    const move = nextMove(bench.sheet, s);
    return move.kind === 'op' && move.op.kind === kind && (step === undefined || move.step.id === step);
  });
  return now(bench).op.id;
};
const axle = (): TestBench => booked(librarySheet('axle-clip'), 'short-ratio');

describe('taking off', () => {
  test('one bolt is left in, shown, and comes out last', () => {
    const bench = axle();
    const undo = upTo(bench, 'undo', 'strip cover');
    bench.do({ type: 'complete', op: undo });
    expect(betweenNow(bench.sheet, bench.state).map((b) => [b.title, b.state])).toContainEqual([
      'Cover',
      '1 left in on purpose',
    ]);
    expect(now(bench).op.kind).toBe('last-out');
    bench.do({ type: 'complete', op: now(bench).op.id });
    expect(betweenNow(bench.sheet, bench.state).some((b) => b.title === 'Cover')).toBe(false);
  });

  test('a count that is not the sheet’s needs its reason; what is found is kept', () => {
    const bench = axle();
    const op = upTo(bench, 'off', 'strip cover');
    const counts = { 'cover-bolt': 9 };
    expect(bench.refused({ type: 'complete', op, tray: 'A1', counts }).code).toBe('count-disagrees');
    bench.do({ type: 'complete', op, tray: 'A1', counts, reason: 'One hole was empty' });
    expect(bench.state.off['cover-bolt']!.count).toBe(9);
  });

  test.each([-1, 1e9, 1.5, Number.NaN])('a count of %p is no count', (count) => {
    const bench = axle();
    const op = upTo(bench, 'off', 'strip cover');
    const refused = bench.refused({ type: 'complete', op, tray: 'A1', counts: { 'cover-bolt': count }, reason: 'x' });
    expect(refused.code).toBe('wrong-value');
  });

  test('when one way fails the next is at hand; the last that destroys makes the part renew', () => {
    const bench = axle();
    const op = upTo(bench, 'off', 'strip seal@left');
    bench.do({ type: 'way-failed', op });
    bench.do({ type: 'way-failed', op, note: 'the hook tore out' });
    expect(bench.refused({ type: 'way-failed', op }).code).toBe('not-a-choice');
    bench.do({ type: 'complete', op, tray: 'A1' });
    expect(bench.state.findings['seal@left']).toBe('renew');
    expect(bench.state.findings['seal@right']).toBeUndefined();
    expect(bench.state.off['seal@left']).toBeUndefined();
  });

  test('a part cut up for what is good in it leaves the piece in the tray, and the piece goes back', () => {
    const bench = booked(librarySheet('prop-centre'), 'wide');
    const op = upTo(bench, 'off', 'strip carrier');
    bench.do({ type: 'complete', op, tray: 'C3' });
    expect([bench.state.off['carrier'], bench.state.off['shell']?.count, bench.state.off['shell']?.tray]).toEqual([
      undefined,
      1,
      'C3',
    ]);
    bench.run((c) => c.type === 'sign-off');
    expect(bench.state.off).toEqual({});
  });

  test('a thing of one side never settles the other', () => {
    const bench = axle();
    upTo(bench, 'off', 'strip shaft@right');
    expect(Object.keys(bench.state.off)).toEqual(expect.arrayContaining(['shaft@left', 'clip@left']));
    expect(bench.state.off['shaft@right']).toBeUndefined();
    const ladderNow = ladderOf(bench.sheet, bench.state);
    const place = (side: string): Op[] =>
      ladderNow.build.find((s) => s.id === `build shaft@${side}`)!.ops.filter((o) => o.kind === 'place');
    expect(place('left').map((o) => 'part' in o && o.part)).toEqual(['shaft@left', 'clip@left']);
    expect(place('right').map((o) => 'part' in o && o.part)).toEqual(['shaft@right', 'clip@right']);
  });
});

describe('what stands in between', () => {
  test('swung aside stays on show until the part is placed', () => {
    const bench = axle();
    upTo(bench, 'off', 'strip caliper@left');
    expect(betweenNow(bench.sheet, bench.state)).toContainEqual({
      key: 'part:caliper@left',
      title: 'Left brake caliper',
      state: 'swung aside, lines on',
    });
    bench.run((_, s) => s.steps['build caliper@left'] !== undefined);
    expect(betweenNow(bench.sheet, bench.state)).toEqual([]);
  });

  test('snug through the sealant’s wait is started and not tightened', () => {
    const bench = axle();
    bench.run((c) => c.type === 'start-timer' && c.kind === 'cure', {
      choice: (m) => (m === 'joint-wait' ? 'wait' : undefined),
    });
    expect(betweenNow(bench.sheet, bench.state).map((b) => b.state)).toContain('started, not tightened');
    expect(blockers(bench.sheet, bench.state).map((b) => b.code)).toContain('in-between');
  });

  test('refitted for the time being is on the unit and not in the tray, until it comes off again', () => {
    const bench = booked(librarySheet('output-spanner'), 'short-nose');
    upTo(bench, 'refit');
    expect(bench.state.off['spanner-nut']?.count).toBe(1);
    bench.do({ type: 'complete', op: now(bench).op.id });
    expect(bench.state.off['spanner-nut']).toBeUndefined();
    expect(betweenNow(bench.sheet, bench.state).map((b) => [b.title, b.state])).toContainEqual([
      'Spanner nut',
      'refitted for the time being',
    ]);
    bench.run((_, s) => s.steps['strip cones'] !== undefined);
    expect([bench.state.off['spanner-nut']?.count, betweenNow(bench.sheet, bench.state).map((b) => b.title)]).toEqual([
      1,
      ['Propshaft'],
    ]);
  });

  test('hung, and put back', () => {
    const bench = booked(librarySheet('output-spanner'), 'short-nose');
    upTo(bench, 'undo', 'strip guard');
    expect(betweenNow(bench.sheet, bench.state).map((b) => b.state)).toEqual(['hung']);
  });
});

describe('leads, aids and marks of the sheet and of one’s own', () => {
  test('every parted lead is counted until it is on again', () => {
    const bench = booked(librarySheet('tensioner-belt'), 'single');
    upTo(bench, 'off', 'strip clear');
    expect(leadsOff(bench.sheet, bench.state).map((l) => l.title)).toEqual([
      'Battery earth lead',
      'Air filter hose',
      'Intake clamp',
      'Temperature connector',
      'Fan speed connector',
      'Screen washer hose',
    ]);
    bench.run((c) => c.type === 'sign-off');
    expect(leadsOff(bench.sheet, bench.state)).toEqual([]);
  });

  test('own things bring the operation that settles them, on the other side of the rung at hand', () => {
    const bench = axle();
    upTo(bench, 'undo', 'strip cover');
    bench.do({ type: 'add-aid', title: 'Magnet', where: 'in the drain hole' });
    bench.do({ type: 'add-lead', title: 'Lamp connector', where: 'right tube' });
    bench.do({ type: 'add-mark', between: ['cover', 'pin'], where: 'at six', with: 'paint' });
    expect(aidsIn(bench.sheet, bench.state).map((a) => a.title)).toContain('Magnet');
    const sheet = jobSheet(bench.sheet, bench.state);
    const cover = ladderOf(sheet, bench.state).build.find((s) => s.id === 'build cover')!;
    expect(cover.ops.slice(-3).map((o) => o.kind)).toEqual(['remove-aid', 'reconnect', 'align']);
    expect(jobSheet(sheet, bench.state)).toBe(sheet);
    bench.run((c) => c.type === 'sign-off');
    expect(blockers(bench.sheet, bench.state)).toEqual([]);
    expect(bench.refold()).toEqual(bench.state);
  });

  test('a mark between a part and itself, or a part that is not there, is no mark', () => {
    const bench = axle();
    const add = (a: string, b: string): string =>
      bench.refused({ type: 'add-mark', between: [a, b], where: 'top', with: 'paint' }).says;
    expect(add('cover', 'cover')).toMatch(/not cover and itself/);
    expect(add('cover', 'nothing')).toMatch(/no part "nothing"/);
  });

  test('two marks on one joint: each must be lined up', () => {
    const bench = booked(librarySheet('alternator-brushpin'), 'three-group');
    upTo(bench, 'align', 'build frames');
    bench.do({ type: 'complete', op: now(bench).op.id });
    expect(blockers(bench.sheet, bench.state).filter((b) => b.code === 'mark-not-aligned')).toHaveLength(1);
  });
});

describe('counts', () => {
  test('loose balls: one short is refused a place, looked for, found, and goes on', () => {
    const bench = booked(librarySheet('hub-loose-ball'), 'six-mm');
    const op = upTo(bench, 'count', 'build balls@left');
    bench.do({ type: 'count', op, count: 8 });
    expect([now(bench).op.id, bench.state.counted.at(-1)!.agrees]).toEqual([op, false]);
    expect(bench.refused({ type: 'complete', op }).code).toBe('not-complete');
    bench.do({ type: 'count', op, count: 9 });
    expect(now(bench).op.kind).toBe('lubricate');
  });
  test('one that is lost makes all of that side new, with where it was looked for', () => {
    const bench = booked(librarySheet('hub-loose-ball'), 'six-mm');
    const op = upTo(bench, 'count', 'build balls@left');
    expect(bench.refused({ type: 'count', op, count: 8, lost: 'renew' }).code).toBe('not-complete');
    bench.do({ type: 'count', op, count: 8, lost: 'renew', reason: 'Under the bench, in the rag' });
    expect([bench.state.findings['ball@left'], bench.state.findings['ball@right']]).toEqual(['renew', 'reuse']);
    expect(bench.state.findingNotes['ball@left']!.reason).toBe('8 of 9 found: Under the bench, in the rag');
  });
  test('how many nobody knows: counted as they come, or later from the tray; what went out must come back', () => {
    const bench = booked(librarySheet('gearbox-four'), 'late');
    const op = upTo(bench, 'off', 'strip case');
    expect(bench.refused({ type: 'complete', op, tray: 'A1' }).says).toMatch(/How many of case bolt/);
    bench.do({ type: 'complete', op, tray: 'A1', counts: { 'bell-bolt': 'later' } });
    expect(blockers(bench.sheet, bench.state).map((b) => b.code)).toContain('not-counted');
    bench.do({ type: 'count-tray', part: 'bell-bolt', count: 14 });
    expect(jobSheet(bench.sheet, bench.state).joints['case-bolts']!.count).toBe(14);
    const count = upTo(bench, 'count', 'build case');
    bench.do({ type: 'count', op: count, count: 13 });
    expect(now(bench).op.id).toBe(count);
    bench.do({ type: 'count', op: count, count: 14 });
    upTo(bench, 'tighten', 'build case');
    bench.run((_, s) => s.steps['build case'] !== undefined);
    expect(bench.state.joints['case-bolts']!.pulls.filter((p) => p.verdict === 'within')).toHaveLength(28);
  });
});

describe('stacks', () => {
  test('recorded as found; built otherwise than the sheet only with a reason', () => {
    const bench = booked(librarySheet('cab-strut'), 'soft');
    const op = upTo(bench, 'stack');
    const layers = bench.sheet.stacks['top-stack']!.layers.length;
    const sheetOrder = Array.from({ length: layers }, (_, i) => i);
    const swapped = [1, 0, ...sheetOrder.slice(2)];
    expect(bench.refused({ type: 'order-stack', op, order: [0, 0, 1, 2, 3, 4, 5] }).code).toBe('wrong-value');
    bench.do({ type: 'order-stack', op, order: swapped });
    expect(bench.state.stacks['top-stack']!.found!.asSheet).toBe(false);
    const again = upTo(bench, 'restack');
    expect(bench.refused({ type: 'order-stack', op: again, order: swapped }).code).toBe('not-complete');
    bench.do({ type: 'order-stack', op: again, order: swapped, reason: 'Maker’s note of a later kind' });
    const record = buildRecord(bench.sheet, bench.state).strip.stacks[0]!;
    expect([record.built?.[0], record.reason]).toEqual(['Top mount', 'Maker’s note of a later kind']);
  });
  test('layers of the same part are alike', () => {
    const bench = booked(librarySheet('cab-strut'), 'soft');
    const op = upTo(bench, 'stack');
    bench.do({ type: 'order-stack', op, order: [5, 1, 2, 3, 4, 0, 6] });
    expect(bench.state.stacks['top-stack']!.found!.asSheet).toBe(true);
  });
});

describe('surprises', () => {
  test('something else comes off first: down before this rung, up after it, and counted', () => {
    const bench = booked(librarySheet('output-spanner'), 'short-nose');
    upTo(bench, 'undo', 'strip flange');
    bench.do({
      type: 'surprise',
      kind: 'comes-off-first',
      title: 'Stone guard',
      note: 'Two bolts from below',
      parts: [
        { title: 'Guard', count: 1 },
        { title: 'Guard bolt', count: 2 },
      ],
    });
    expect(now(bench).step.title).toBe('Stone guard');
    bench.run((_, s) => s.steps['strip own-1'] !== undefined);
    expect(bench.state.off['own-1-part-2']!.count).toBe(2);
    expect(now(bench).step.id).toBe('strip flange');
    const { build } = ladderOf(bench.sheet, bench.state);
    const ids = build.map((s) => s.id);
    expect(ids.indexOf('build own-1')).toBe(ids.indexOf('build flange') + 1);
    expect(bench.state.lessons.map((l) => [l.rung, l.words])).toEqual([
      ['flange', 'Stone guard: Two bolts from below'],
    ]);
    bench.run();
    expect(bench.state.handedOver).toBeDefined();
    expect(bench.refold()).toEqual(bench.state);
  });
  test('broken already: the part is renewed, and said so', () => {
    const bench = axle();
    upTo(bench, 'undo', 'strip cover');
    bench.do({ type: 'surprise', kind: 'broken', title: 'Ear cracked off', note: '', part: 'cover' });
    expect(bench.state.findings['cover']).toBe('renew');
    expect(bench.refused({ type: 'surprise', kind: 'broken', title: 'x', note: '', part: 'no-such' }).code).toBe(
      'wrong-value',
    );
  });
  test('not as the sheet says: a note on the rung and a lesson', () => {
    const bench = axle();
    upTo(bench, 'undo', 'strip cover');
    bench.do({ type: 'surprise', kind: 'not-as-sheet', title: 'Eleven bolts', note: 'one behind the tube' });
    expect(bench.state.notes[0]).toMatchObject({ step: 'strip cover', about: 'not-as-sheet' });
  });
});

describe('waits', () => {
  const waiting = (): { bench: TestBench; op: string } => {
    const bench = axle();
    bench.run((c) => c.type === 'start-timer' && c.kind === 'cure', {
      choice: (m) => (m === 'joint-wait' ? 'wait' : undefined),
    });
    return { bench, op: now(bench).op.id };
  };
  test('cut short asks why and is recorded; waited for, it is not', () => {
    const { bench, op } = waiting();
    bench.do({ type: 'start-timer', op, title: 'Sealant', minutes: 15, kind: 'cure' });
    const [timer] = timersRunning(bench.state);
    expect(bench.refused({ type: 'complete', op }).code).toBe('still-waiting');
    expect(minutesToRun(timer!, timer!.at)).toBe(15);
    bench.do({ type: 'complete', op, reason: 'Customer waits' });
    expect(Object.values(bench.state.timers).at(-1)!.ended?.early).toBe('Customer waits');
    const other = waiting();
    other.bench.do({ type: 'start-timer', op: other.op, title: 'Sealant', minutes: 15, kind: 'cure' });
    other.bench.wait(15);
    other.bench.do({ type: 'complete', op: other.op });
    expect(Object.values(other.bench.state.timers).at(-1)!.ended?.early).toBeNull();
    expect(timerHasRun(timer!, timer!.due)).toBe(true);
  });
  test('a timer of one’s own runs, and is ended once it has run', () => {
    const bench = axle();
    bench.do({ type: 'start-timer', title: 'Parts in the wash', minutes: 20, kind: 'other' });
    const [timer] = timersRunning(bench.state);
    expect(bench.refused({ type: 'end-timer', timer: timer!.id }).code).toBe('still-waiting');
    bench.wait(20);
    bench.do({ type: 'end-timer', timer: timer!.id });
    expect(timersRunning(bench.state)).toEqual([]);
  });
  test.each([0, -5, Number.NaN, 1e6])('%p minutes is no wait', (minutes) => {
    expect(axle().refused({ type: 'start-timer', title: 'x', minutes, kind: 'other' }).code).toBe('wrong-value');
  });
  test('the oven is told in time: no later than its own minutes before it is wanted', () => {
    const bench = booked(librarySheet('differential-side'), 'open');
    expect(aheadNow(bench.sheet, bench.state)).toEqual([]);
    bench.run((_, s) => aheadNow(bench.sheet, s).some((a) => a.kind === 'oven'), {
      finding: (p) => (p === 'bearing@left' ? { finding: 'renew', reason: 'pitted' } : undefined),
    });
    const item = aheadNow(bench.sheet, bench.state).find((a) => a.kind === 'oven')!;
    expect(item.inMinutes).toBeLessThanOrEqual(item.minutes);
    bench.do({ type: 'prepare', item: item.id });
    expect(timersRunning(bench.state).map((t) => t.kind)).toEqual(['oven']);
    expect(aheadNow(bench.sheet, bench.state).some((a) => a.id === item.id)).toBe(false);
  });
});

describe('the shelf', () => {
  const parked = (): TestBench => {
    const bench = booked(librarySheet('output-spanner'), 'long-nose');
    upTo(bench, 'refit', 'strip thread-guard');
    bench.do({ type: 'note', text: 'Nut took seven turns' });
    bench.do({ type: 'park', why: 'parts', note: 'Both cones', to: 'Shelf 3' });
    return bench;
  };
  test('parked, hands are off; the return sheet says where it stands', () => {
    const bench = parked();
    expect(bench.refused({ type: 'complete', op: now(bench).op.id, tray: 'A1' }).code).toBe('parked');
    const sheet = returnSheet(bench.sheet, bench.state);
    expect(sheet).toMatchObject({
      parked: { to: 'Shelf 3' },
      at: expect.stringContaining('Nut on to save the thread'),
    });
    expect(sheet.standing).toEqual(standingNow(bench.sheet, bench.state).map((s) => s.say));
    expect(sheet.aids.map((a) => a.title)).toEqual(['Drum chocks', 'Wire hanger']);
    expect(sheet.leads.map((l) => l.title)).toEqual(['Speed sensor connector']);
    expect(sheet.between.map((b) => b.title)).toEqual(['Propshaft']);
    expect(sheet.marks.map((m) => m.title)).toEqual(['Propshaft to flange', 'Nut to shaft']);
    expect(sheet.waits.map((w) => w.note)).toEqual(['Both cones']);
    expect(sheet.notes.map((n) => n.text)).toEqual(['Nut took seven turns']);
    const lying = sheet.trays.flatMap((t) => t.parts).reduce((n, p) => n + p.count, 0);
    expect(lying).toBe(Object.values(bench.state.off).reduce((n, o) => n + o.count, 0));
  });
  test('resumed by other hands, once the trays are counted', () => {
    const bench = parked();
    const counts = Object.fromEntries(Object.entries(bench.state.off).map(([p, o]) => [p, o.count]));
    expect(bench.refused({ type: 'resume', to: 'D', counts: {} }).code).toBe('not-complete');
    expect(bench.refused({ type: 'resume', to: 'D', counts: { ...counts, 'prop-screw': 3 } }).says).toMatch(
      /3 found, 4 came off/,
    );
    bench.do({ type: 'resume', to: 'D', counts });
    expect([bench.state.place, bench.state.parked, bench.state.holds.every((h) => h.cleared)]).toEqual([
      'D',
      undefined,
      true,
    ]);
    bench.run();
    expect(bench.state.handedOver).toBeDefined();
  });
});

describe('figures', () => {
  test('one without a unit is no figure until someone says which, and the record says who', () => {
    const bench = booked(librarySheet('cab-strut'), 'soft');
    const op = upTo(bench, 'tighten', 'build lower');
    const pull = {
      type: 'pull',
      op,
      bolt: 1,
      reading: { value: 95, unit: 'N·m' },
      rig: { extensionMm: 0, extensionAngleDeg: 0 },
      how: 'hand',
    } as const;
    expect(bench.refused(pull).says).toMatch(/without a unit/);
    expect(bench.refused({ type: 'say-unit', op, unit: 'kgf·m', reason: 'x' }).code).toBe('not-a-choice');
    expect(bench.refused({ type: 'say-unit', op, unit: 'ft·lbf', reason: ' ' }).code).toBe('not-complete');
    bench.do({ type: 'say-unit', op, unit: 'N·m', reason: 'The dealer’s own page' });
    bench.do(pull);
    expect(buildRecord(bench.sheet, bench.state).strip.weakFigures).toContainEqual({
      what: 'Lower bolts',
      figure: '95 N·m',
      whose: 'the sheet gave no unit: N·m, The dealer’s own page',
    });
  });
  test('a turn goes on from a torque, and is judged by its degrees', () => {
    const bench = booked(librarySheet('prop-centre'), 'wide');
    upTo(bench, 'tighten', 'build front');
    bench.run((c) => c.type === 'pull' && c.turnedDeg !== undefined);
    const op = now(bench).op.id;
    const pull = {
      type: 'pull',
      op,
      bolt: 1,
      reading: { value: 25, unit: 'N·m' },
      rig: { extensionMm: 0, extensionAngleDeg: 0 },
      how: 'hand',
    } as const;
    expect(bench.refused(pull).says).toMatch(/a turn/);
    bench.do({ ...pull, turnedDeg: 50 });
    bench.do({ ...pull, turnedDeg: 70 });
    const verdicts = bench.state.joints['front-flange']!.pulls.filter((p) => p.stage === 1).map((p) => [
      p.turnedDeg,
      p.verdict,
    ]);
    expect(verdicts).toEqual([
      [50, 'low'],
      [70, 'within'],
    ]);
  });
  test('no figure in the book is computed, safe for the softer thread, and marked', () => {
    const joint = librarySheet('tensioner-belt').joints['tensioner-joint']!;
    expect(joint.from).toEqual({ kind: 'computed' });
    // M10 8.8 dry takes 48 N·m at 90 % of yield (VDI 2230-1 table A1); a safe one lies well below.
    expect(joint.stages[0]!.to.value).toBeGreaterThan(20);
    expect(joint.stages[0]!.to.value).toBeLessThan(40);
  });
});

describe('a setting that is moved by hand', () => {
  test('each try is a round of its own, and the mean is never taken across a move', () => {
    const bench = booked(librarySheet('output-spanner'), 'short-nose');
    const op = upTo(bench, 'set', 'build nut');
    const read = (value: number): void =>
      bench.do({ type: 'take-reading', op, value: { value, unit: 'N·m' }, how: 'hand' });
    read(3.0);
    expect(bench.refused({ type: 'adjust', op, note: 'x' }).code).toBe('not-complete');
    read(3.2);
    expect(bench.refused({ type: 'complete', op }).code).toBe('not-complete');
    bench.do({ type: 'adjust', op, note: 'Nut back one slot' });
    read(1.5);
    read(1.7);
    const rounds = bench.state.settings['drag']!.rounds;
    expect(rounds.map((r) => r.result?.mean.value)).toEqual([3.1, 1.6]);
    expect(bench.refused({ type: 'adjust', op, note: 'x' }).code).toBe('already-done');
    bench.do({ type: 'complete', op });
    expect(bench.state.settings['drag']!.confirmed?.value.value).toBe(1.6);
  });
});

describe('which one it is', () => {
  test('told on its rung, the ladder changes', () => {
    const bench = booked(librarySheet('differential-side'), null);
    const ids = (): string[] => ladderOf(bench.sheet, bench.state).all.map((s) => s.id);
    expect(ids()).not.toContain('strip plates');
    const op = upTo(bench, 'identify');
    expect(bench.refused({ type: 'identify', op, question: 'inside', answer: 'a spring' }).says).toMatch(
      /not one of the answers/,
    );
    bench.do({ type: 'identify', op, question: 'inside', answer: 'plate pack' });
    expect(ids()).toContain('strip plates');
    expect(ids()).not.toContain('strip washers');
  });
  test('an answer that contradicts one before is said, not believed', () => {
    const bench = booked(librarySheet('differential-side'), null);
    bench.do({ type: 'identify', question: 'splines', answer: '24' });
    expect(bench.state.variant).toBe('open');
    const op = upTo(bench, 'identify');
    expect(bench.refused({ type: 'identify', op, question: 'inside', answer: 'plate pack' }).says).toMatch(
      /says otherwise/,
    );
  });
  test('a measured value between two is undecided; colour tells which number stands now', () => {
    const bench = booked(librarySheet('hub-dolly'), null);
    expect(bench.refused({ type: 'identify', question: 'studs', answer: '71 mm' }).says).toMatch(
      /near Six studs, late and Five studs, early: undecided/,
    );
    const alternator = booked(librarySheet('alternator-brushpin'), 'three-group');
    alternator.do({ type: 'identify', question: 'plug', answer: 'Black' });
    expect(jobSheet(alternator.sheet, alternator.state).parts['regulator']!.order).toBe('BA14-247');
  });
});
