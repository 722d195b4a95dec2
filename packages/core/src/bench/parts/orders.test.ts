import { describe, expect, test } from '@jest/globals';
import { axle, type TestBench } from '../bench.fixtures.ts';
import type { LadderStep } from '../../sheet/index.ts';
import { kitsAwaited, ladderOf, type Command, type OrderedLine } from '../index.ts';

type Line = Omit<OrderedLine, 'line'>;
const line = (parts: readonly string[], more: Partial<Line> = {}): Line => ({
  number: 'N-1',
  title: 'Thing',
  count: 1,
  priceMinor: 1000,
  supplier: 'Gannet Parts',
  parts,
  kit: false,
  from: 'supplier',
  ...more,
});
const order = (...lines: Line[]): Command => ({ type: 'order-parts', lines });
const idOf = (bench: TestBench, n = 0): string => Object.keys(bench.state.partLines)[n]!;
const open = (bench: TestBench): string[] =>
  bench.state.holds.filter((h) => !h.cleared).map((h) => `${h.why}: ${h.note}`);

describe('ordering', () => {
  test('what comes from a supplier holds the job, what lies in the drawer is here at once', () => {
    const bench = axle();
    bench.do(order(line(['pin'], { title: 'Pin' }), line(['lock-bolt'], { from: 'drawer' })));
    expect(Object.values(bench.state.partLines).map((l) => l.status)).toEqual(['ordered', 'arrived']);
    expect(open(bench)).toEqual(['parts: Pin']);
    const drawerOnly = axle();
    drawerOnly.do(order(line(['lock-bolt'], { from: 'drawer' })));
    expect(open(drawerOnly)).toEqual([]);
  });

  test('many parts are named by the first three', () => {
    const bench = axle();
    bench.do(order(...['pin', 'cover', 'lock-bolt', 'seal@left'].map((p) => line([p], { title: p }))));
    expect(open(bench)).toEqual(['parts: pin, cover, lock-bolt and 1 more']);
  });

  test.each<[string, Command, RegExp]>([
    ['nothing', order(), /0 lines/],
    ['half a part', order(line(['pin'], { count: 0.5 })), /0.5 is no count/],
    ['none of a part', order(line(['pin'], { count: 0 })), /0 is no count/],
    ['a part that is not there', order(line(['moon'])), /no part "moon"/],
    ['a part in it twice', order(line(['pin']), line(['pin', 'cover'])), /in it twice/],
    ['two hundred and one lines', order(...Array.from({ length: 201 }, () => line([]))), /201 lines/],
  ])('%s is refused', (_, command, says) => {
    const bench = axle();
    expect(bench.refused(command).says).toMatch(says);
    expect(bench.state.partLines).toEqual({});
  });

  test('what is on order is not ordered again; what was cancelled, or missing from its kit, may be', () => {
    const bench = axle();
    bench.do(order(line(['pin'])));
    expect(bench.refused(order(line(['pin']))).code).toBe('already-done');
    bench.do({ type: 'cancel-line', line: idOf(bench), why: 'found one' });
    bench.do(order(line(['pin', 'lock-bolt'], { kit: true })));
    bench.do({ type: 'arrive-part', line: idOf(bench, 1), missing: ['lock-bolt'] });
    expect(bench.refused(order(line(['pin']))).code).toBe('already-done');
    bench.do(order(line(['lock-bolt'])));
    expect(Object.values(bench.state.partLines)).toHaveLength(3);
  });
});

describe('what comes', () => {
  const twoOrdered = (): TestBench => {
    const bench = axle();
    bench.do(order(line(['pin'], { title: 'Pin' }), line(['cover'], { title: 'Cover' })));
    return bench;
  };
  test('only the last to come clears the wait', () => {
    const bench = twoOrdered();
    bench.do({ type: 'arrive-part', line: idOf(bench, 0), missing: [] });
    expect(open(bench)).toHaveLength(1);
    bench.do({ type: 'arrive-part', line: idOf(bench, 1), missing: [] });
    expect(open(bench)).toEqual([]);
  });
  test('what a kit lacked is waited for until another line brings it, whatever comes after the kit', () => {
    const bench = axle();
    bench.do(order(line(['pin', 'lock-bolt'], { kit: true }), line(['cover'])));
    bench.do({ type: 'arrive-part', line: idOf(bench, 0), missing: ['lock-bolt'] });
    bench.do({ type: 'arrive-part', line: idOf(bench, 1), missing: [] });
    expect(open(bench)).toHaveLength(1);
    bench.do(order(line(['lock-bolt'])));
    bench.do({ type: 'arrive-part', line: idOf(bench, 2), missing: [] });
    expect(open(bench)).toEqual([]);
  });
  test('a cancelled line is not waited for', () => {
    const bench = twoOrdered();
    bench.do({ type: 'cancel-line', line: idOf(bench, 1), why: 'not wanted' });
    bench.do({ type: 'arrive-part', line: idOf(bench, 0), missing: [] });
    expect(open(bench)).toEqual([]);
  });
  test('the wrong one goes back, is waited for again, and each time is kept', () => {
    const bench = twoOrdered();
    const first = idOf(bench);
    for (const why of ['too wide', 'too narrow']) {
      for (const l of Object.values(bench.state.partLines))
        if (l.status === 'ordered') bench.do({ type: 'arrive-part', line: l.line, missing: [] });
      bench.do({ type: 'send-part-back', line: first, why });
    }
    expect(bench.state.partLines[first]!.sentBack.map((s) => s.why)).toEqual(['too wide', 'too narrow']);
    expect(open(bench)).toEqual(['parts: Pin again']);
  });
  test.each<[string, (bench: TestBench) => Command, string]>([
    ['a line that is not there', () => ({ type: 'arrive-part', line: 'none', missing: [] }), 'unknown-op'],
    ['missing what is not in it', (b) => ({ type: 'arrive-part', line: idOf(b), missing: ['moon'] }), 'wrong-value'],
    ['sent back without a word', (b) => ({ type: 'send-part-back', line: idOf(b), why: ' ' }), 'not-complete'],
    ['cancelled without a word', (b) => ({ type: 'cancel-line', line: idOf(b), why: '' }), 'not-complete'],
  ])('%s: refused', (_, command, code) => {
    const bench = twoOrdered();
    expect(bench.refused(command(bench)).code).toBe(code);
  });
  test('what is here is cancelled no more, and what the drawer gave is not sent back', () => {
    const bench = twoOrdered();
    bench.do({ type: 'arrive-part', line: idOf(bench), missing: [] });
    expect(bench.refused({ type: 'cancel-line', line: idOf(bench), why: 'x' }).code).toBe('wrong-kind');
    bench.do(order(line(['lock-bolt'], { from: 'drawer' })));
    expect(bench.refused({ type: 'send-part-back', line: idOf(bench, 2), why: 'x' }).code).toBe('wrong-kind');
  });
  test('replayed, the log says the same', () => {
    const bench = twoOrdered();
    bench.do({ type: 'arrive-part', line: idOf(bench), missing: [] });
    bench.do({ type: 'send-part-back', line: idOf(bench), why: 'bent' });
    expect(bench.refold().partLines).toEqual(bench.state.partLines);
    expect(bench.refold().holds).toEqual(bench.state.holds);
  });
});

describe('a kit that a strip hangs on', () => {
  const sealStep = (bench: TestBench): LadderStep =>
    ladderOf(bench.sheet, bench.state).strip.find((s) =>
      s.ops.some((o) => o.kind === 'off' && o.parts.some((p) => p.part === 'seal@left')),
    )!;
  const kit = line(['seal@left', 'seal@right'], { kit: true, title: 'Both shaft seals' });
  test('on its way: nobody has looked into it; come whole: nothing is said', () => {
    const bench = axle();
    bench.do(order(kit));
    expect(kitsAwaited(sealStep(bench), bench.state)).toEqual([
      { line: idOf(bench), title: 'Both shaft seals', parts: ['seal@left'], lacks: 'not-here' },
    ]);
    bench.do({ type: 'arrive-part', line: idOf(bench), missing: [] });
    expect(kitsAwaited(sealStep(bench), bench.state)).toEqual([]);
  });
  test('come short: what is not in it is named, until another line covers it', () => {
    const bench = axle();
    bench.do(order(kit));
    bench.do({ type: 'arrive-part', line: idOf(bench), missing: ['seal@left'] });
    expect(kitsAwaited(sealStep(bench), bench.state)[0]!.lacks).toEqual(['seal@left']);
    bench.do(order(line(['seal@left'])));
    expect(kitsAwaited(sealStep(bench), bench.state)).toEqual([]);
  });
  test('it is asked on the strip only, and for what comes off in that step only', () => {
    const bench = axle();
    bench.do(order(kit));
    const { strip, build } = ladderOf(bench.sheet, bench.state);
    const asked = [...strip, ...build].filter((s) => kitsAwaited(s, bench.state).length > 0).map((s) => s.id);
    expect(asked.length).toBeGreaterThan(0);
    expect(asked.every((id) => id.startsWith('strip ') && id.includes('seal'))).toBe(true);
  });
});
