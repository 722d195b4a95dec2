import { describe, expect, test } from '@jest/globals';
import { axle, booked, librarySheet, now, upTo, type TestBench } from '../bench.fixtures.ts';
import { aheadNow, ladderOf, minutesToRun, returnSheet, standingNow, timerHasRun, timersRunning } from '../index.ts';

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
