import { describe, expect, test } from '@jest/globals';
import { axle, booked, librarySheet, now, upTo } from '../bench.fixtures.ts';
import { aidsIn, betweenNow, blockers, buildRecord, jobSheet, ladderOf, leadsOff } from '../index.ts';
import type { Op } from '../../sheet/index.ts';

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
    bench.run((_, s) => s.steps['strip caliper@left'] !== undefined);
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
    bench.run(
      (c, s) =>
        c.type === 'start-timer' &&
        c.kind === 'cure' &&
        betweenNow(bench.sheet, s).some((b) => b.state === 'started, not tightened'),
      {
        choice: (m) => (m === 'joint-wait' ? 'wait' : undefined),
      },
    );
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
    // The sheet, with one washer above and the same below.
    const sheet = librarySheet('cab-strut');
    const stack = sheet.stacks['top-stack']!;
    const layers = stack.layers.map((l) => (l.part === 'washer-low' ? { ...l, part: 'washer' } : l));
    const bench = booked({ ...sheet, stacks: { 'top-stack': { ...stack, layers } } }, 'soft');
    const op = upTo(bench, 'stack');
    bench.do({ type: 'order-stack', op, order: [5, 1, 2, 3, 4, 0, 6] });
    expect(bench.state.stacks['top-stack']!.found!.asSheet).toBe(true);
  });
});
