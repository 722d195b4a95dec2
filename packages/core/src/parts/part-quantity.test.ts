import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { booked, librarySheet, type TestBench } from '../bench/bench.fixtures.ts';
import { billLines, coverFor, type Command, type OrderedLine } from '../bench/index.ts';
import { sourceOf } from '../bench/sources/source-of.ts';
import { openNeeds, orderPlan } from './index.ts';

/** Three retainer screws are always new. */
const SCREW = 'retainer-screw';
const NEEDED = 3;
type Line = Omit<OrderedLine, 'line'>;
const line = (count: number, more: Partial<Line> = {}): Line => ({
  number: 'N-1',
  title: 'Retainer screw',
  count,
  priceMinor: 55,
  supplier: 'Gannet Parts',
  parts: [SCREW],
  kit: false,
  from: 'supplier',
  needed: NEEDED,
  ...more,
});
const order = (...lines: Line[]): Command => ({ type: 'order-parts', lines });
const idOf = (bench: TestBench, n = 0): string => Object.keys(bench.state.partLines)[n]!;
const holds = (bench: TestBench): string[] => bench.state.holds.filter((h) => !h.cleared).map((h) => h.note);
const alternator = (): TestBench => booked(librarySheet('alternator-brushpin'), null);
const shelf = { catalogue: new Map(), stock: new Map() };
const open = (bench: TestBench): [number, number | undefined][] =>
  openNeeds(bench.sheet, bench.state).flatMap((n) => (n.part === SCREW ? [[n.count, n.ordered]] : []));

describe('a part of which some come from one and some from another', () => {
  test('is covered when the counts reach what is needed, and what is ordered past that is refused', () => {
    const bench = alternator();
    expect(open(bench)).toEqual([[NEEDED, undefined]]);
    bench.do(order(line(1)));
    expect(open(bench)).toEqual([[2, 1]]);
    expect(bench.refused(order(line(2), line(1))).code).toBe('wrong-value');
    expect(bench.refused(order(line(1, { needed: undefined }))).says).toMatch(/1 of 3 are ordered already, N-1/);
    bench.do(order(line(2, { number: 'N-2', supplier: 'Pell' })));
    expect(open(bench)).toEqual([]);
    expect(bench.refused(order(line(1))).says).toMatch(/ordered already, N-1, N-2/);
  });

  test('the list asks for the rest and says of how many; what the list makes is taken', () => {
    const bench = alternator();
    bench.do(order(line(1)));
    const rest = orderPlan(bench.sheet, bench.state, shelf, 'singles').lines.find((l) => l.parts.includes(SCREW))!;
    expect(rest).toMatchObject({ count: 2, needed: NEEDED });
    bench.do(order(rest));
    expect(coverFor(bench.state, SCREW)).toMatchObject({ share: { count: 3, needed: 3 }, whole: true });
  });

  test('the wait is over when all of them are here, wherever the last came from', () => {
    const bench = alternator();
    bench.do(order(line(1)));
    bench.do({ type: 'arrive-part', line: idOf(bench), missing: [] });
    expect(holds(bench)).toEqual(['Retainer screw']);
    expect(sourceOf(bench.state, SCREW)).toBeUndefined();
    bench.do(order(line(2, { from: 'drawer', number: 'N-2' })));
    expect(holds(bench)).toEqual([]);
    expect(sourceOf(bench.state, SCREW)).toBe('1 × N-1, Gannet Parts; 2 × N-2, from the drawer');
    expect(bench.refold().partLines).toEqual(bench.state.partLines);
  });

  test('one that is cancelled is to be ordered again', () => {
    const bench = alternator();
    bench.do(order(line(1)));
    bench.do(order(line(2)));
    bench.do({ type: 'cancel-line', line: idOf(bench), why: 'none left' });
    expect(open(bench)).toEqual([[1, 2]]);
  });

  test('the bill has what was ordered, and the rest at its own price', () => {
    const bench = alternator();
    bench.do(order(line(1)));
    const money = { rateMinor: 6000, taxPercent: 20, currency: '£' };
    const screws = billLines(bench.sheet, bench.state, money).filter((l) => l.title.startsWith('Retainer screw'));
    expect(screws.map((l) => [l.count, l.eachMinor])).toEqual([
      [1, 55],
      [2, 60],
    ]);
  });

  test.each([
    ['some of two parts', line(1, { parts: [SCREW, 'brushes'] })],
    ['all of it, said to be some', line(NEEDED)],
  ])('%s: refused', (_, wrong) => {
    const bench = alternator();
    expect(bench.refused(order(wrong)).code).toBe('wrong-value');
    expect(bench.state.partLines).toEqual({});
  });

  test('whatever is ordered and cancelled, no more is on order than is needed, and the rest is what is asked for', () => {
    const step = fc.oneof(
      fc.record({ order: fc.integer({ min: 1, max: NEEDED - 1 }) }),
      fc.record({ cancel: fc.nat({ max: 5 }) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 10 }), (steps) => {
        const bench = alternator();
        let live: [string, number][] = [];
        const had = (): number => live.reduce((sum, [, count]) => sum + count, 0);
        for (const s of steps) {
          if ('order' in s && had() + s.order <= NEEDED) {
            bench.do(order(line(s.order)));
            live.push([Object.keys(bench.state.partLines).at(-1)!, s.order]);
          } else if ('order' in s) expect(bench.refused(order(line(s.order))).code).toBe('already-done');
          else if (live[s.cancel]) {
            bench.do({ type: 'cancel-line', line: live[s.cancel]![0], why: 'not wanted' });
            live = live.filter((_, i) => i !== s.cancel);
          }
          expect(open(bench).reduce((sum, [count]) => sum + count, 0)).toBe(NEEDED - had());
        }
      }),
      { numRuns: 40 },
    );
  });
});
