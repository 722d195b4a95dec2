import { beforeAll, describe, expect, test } from '@jest/globals';
import { axle, booked, librarySheet, now, upTo, type TestBench } from '../bench.fixtures.ts';
import type { Command, RefusalCode } from '../index.ts';

/** A refusal says what is in the way and what would clear it; nothing is appended. */
type Row = [what: string, command: Command, code: RefusalCode, says: RegExp];

function refusesAll(make: () => TestBench, rows: readonly Row[]): void {
  let bench: TestBench;
  beforeAll(() => {
    bench = make();
  });
  test.each(rows)('%s', (_, command, code, says) => {
    const before = bench.state.seq;
    const refusal = bench.refused(command);
    expect({ code: refusal.code, seq: bench.state.seq }).toEqual({ code, seq: before });
    expect(refusal.says).toMatch(says);
    expect(refusal.clears).not.toBe('');
  });
}

describe('the shelf refuses', () => {
  describe('on the bench', () => {
    refusesAll(axle, [
      ['to move nowhere', { type: 'move', to: '  ' }, 'not-complete', /Where to/],
      ['to park nowhere', { type: 'park', why: 'parts', note: 'seal', to: '' }, 'not-complete', /Where does it go/],
      [
        'a hold for no known reason',
        { type: 'hold', why: 'lunch' as 'parts', note: '' },
        'not-a-choice',
        /"lunch" is no reason/,
      ],
      [
        'to park for no known reason',
        { type: 'park', why: 'lunch' as 'parts', note: '', to: 'S1' },
        'not-a-choice',
        /"lunch" is no reason/,
      ],
      ['to resume what is not parked', { type: 'resume', to: 'B', counts: {} }, 'already-done', /not parked/],
      ['to clear a hold that is not there', { type: 'clear-hold', hold: 'none' }, 'unknown-hold', /no such hold/],
    ]);
  });
  describe('while parked', () => {
    const parkedAxle = (): TestBench => {
      const bench = axle();
      bench.do({ type: 'complete', op: upTo(bench, 'off', 'strip cover'), tray: 'A1' });
      bench.do({ type: 'park', why: 'parts', note: 'seal', to: 'S1' });
      return bench;
    };
    const whole = (bench: TestBench): Record<string, number> =>
      Object.fromEntries(Object.entries(bench.state.off).map(([part, lying]) => [part, lying.count]));
    refusesAll(parkedAxle, [
      ['to park again', { type: 'park', why: 'parts', note: 'pin', to: 'S2' }, 'parked', /parked at S1/],
      ['to move to where it stands', { type: 'move', to: 'S1' }, 'already-done', /stands at S1/],
      [
        'to hold twice for one thing',
        { type: 'hold', why: 'parts', note: ' seal ' },
        'already-done',
        /on hold for that/,
      ],
      ['to resume to nowhere', { type: 'resume', to: ' ', counts: {} }, 'not-complete', /Where to/],
      ['to resume uncounted', { type: 'resume', to: 'B', counts: {} }, 'not-complete', /not counted/],
      [
        'to resume with half a bolt',
        { type: 'resume', to: 'B', counts: { ...whole(parkedAxle()), 'cover-bolt': 9.5 } },
        'wrong-value',
        /9.5 is no count/,
      ],
      ['work', { type: 'complete', op: 'strip pin.0' }, 'parked', /stands parked at S1/],
    ]);
  });
});

describe('the clock refuses', () => {
  const timer = (minutes: number, kind = 'cure', title = 'Sealant'): Command => ({
    type: 'start-timer',
    kind: kind as 'cure',
    title,
    minutes,
  });
  const running = (): TestBench => {
    const bench = axle();
    bench.do(timer(30));
    const first = Object.values(bench.state.timers)[0]!;
    bench.do({ type: 'end-timer', timer: first.id, reason: 'a second bead went over it' });
    bench.do(timer(45));
    return bench;
  };
  let ended: string;
  let open: string;
  beforeAll(() => {
    [ended, open] = Object.keys(running().state.timers) as [string, string];
  });
  refusesAll(running, [
    ['no time at all', timer(0), 'wrong-value', /0 min is no time/],
    ['a time that runs backwards', timer(-5), 'wrong-value', /-5 min/],
    ['more than a week', timer(7 * 24 * 60 + 1), 'wrong-value', /10081 min/],
    ['what is no number', timer(Number.NaN), 'wrong-value', /NaN min/],
    ['an unknown kind of wait', timer(10, 'nap'), 'not-a-choice', /"nap" is no kind/],
    ['a wait for nothing', timer(10, 'cure', ' '), 'not-complete', /What is waited for/],
    ['a timer that is not there', { type: 'end-timer', timer: 'none' }, 'wrong-value', /no such timer/],
    ['a thing to make ready that is not there', { type: 'prepare', item: 'none' }, 'unknown-op', /no such thing/],
  ]);
  test('to end one twice, and to cut one short without a word', () => {
    const bench = running();
    [ended, open] = Object.keys(bench.state.timers) as [string, string];
    expect(bench.refused({ type: 'end-timer', timer: ended }).code).toBe('already-done');
    const short = bench.refused({ type: 'end-timer', timer: open });
    expect(short.code).toBe('still-waiting');
    expect(short.says).toMatch(/Sealant: 4[45] min to go/);
  });
});

describe('what is put into this job alone is refused', () => {
  refusesAll(axle, [
    [
      'a mark on a part that is not there',
      { type: 'add-mark', between: ['cover', 'moon'], where: 'top', with: 'paint' },
      'wrong-value',
      /no part "moon"/,
    ],
    [
      'a mark between a part and itself',
      { type: 'add-mark', between: ['cover', 'cover'], where: 'top', with: 'paint' },
      'wrong-value',
      /between two parts/,
    ],
    [
      'a mark nowhere',
      { type: 'add-mark', between: ['cover', 'pin'], where: ' ', with: '' },
      'not-complete',
      /Where is it/,
    ],
    ['an aid without a name', { type: 'add-aid', title: '', where: 'left' }, 'not-complete', /What is it/],
    ['a lead from nowhere', { type: 'add-lead', title: 'Earth', where: '' }, 'not-complete', /Where is it/],
    [
      'a surprise without a word',
      { type: 'surprise', kind: 'not-as-sheet', title: '', note: '' },
      'not-complete',
      /What is it/,
    ],
    [
      'a broken part that is not there',
      { type: 'surprise', kind: 'broken', title: 'Snapped', note: '', part: 'moon' },
      'wrong-value',
      /Which part is broken/,
    ],
    [
      'a part that comes off without a name',
      { type: 'surprise', kind: 'comes-off-first', title: 'Guard', note: '', parts: [{ title: ' ', count: 1 }] },
      'not-complete',
      /What comes off/,
    ],
    [
      'none of a part that comes off',
      { type: 'surprise', kind: 'comes-off-first', title: 'Guard', note: '', parts: [{ title: 'Nut', count: 0 }] },
      'wrong-value',
      /0 is no count/,
    ],
  ]);
  test('more than sixty things: then the sheet wants a new revision', () => {
    const bench = axle();
    for (let i = 1; i <= 60; i += 1) bench.do({ type: 'add-aid', title: `Plug ${i}`, where: 'line' });
    expect(bench.refused({ type: 'add-aid', title: 'Plug 61', where: 'line' }).clears).toMatch(/new revision/);
  });
});

describe('counts refuse', () => {
  test('a part that does not come off here, and no tray', () => {
    const bench = axle();
    const op = upTo(bench, 'off', 'strip cover');
    expect(bench.refused({ type: 'complete', op }).says).toBe('Where does it lie?');
    expect(bench.refused({ type: 'complete', op, tray: 'A1', counts: { 'seal@left': 1 } }).says).toMatch(
      /"seal@left" does not come off here/,
    );
    expect(bench.refused({ type: 'complete', op, tray: 'A1', counts: { 'cover-bolt': 'later' } }).says).toMatch(
      /there are/,
    );
  });

  test('a ball said to be lost when all, or more than all, are there', () => {
    const bench = booked(librarySheet('hub-loose-ball'), null);
    const op = upTo(bench, 'count');
    const counting = now(bench).op;
    if (counting.kind !== 'count') throw new Error('not a count');
    const all = bench.sheet.parts[counting.part ?? counting.what]!.count;
    const lost = (count: number): Command => ({ type: 'count', op, count, lost: 'renew', reason: 'looked everywhere' });
    expect(bench.refused(lost(all)).says).toMatch(/none is lost/);
    expect(bench.refused(lost(all + 1)).says).toMatch(/none is lost/);
    expect(bench.refused({ type: 'count', op, count: all - 1, lost: 'renew' }).says).toBe('Why is one missing?');
    bench.do(lost(all - 1));
    expect(bench.state.findings[counting.part ?? counting.what]).toBe('renew');
  });

  test('what is counted already', () => {
    expect(axle().refused({ type: 'count-tray', part: 'cover-bolt', count: 9 }).says).toMatch(/counted already/);
  });
});
