import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { axle, booked, librarySheet, type TestBench } from '../bench/bench.fixtures.ts';
import {
  agreedMinor,
  billOf,
  hoursMinor,
  roundMinor,
  taxMinor,
  withTax,
  workedMinutes,
  type Command,
} from '../bench/index.ts';
import { neededParts, newestNumber, orderPlan, type CatalogueItem, type PartsShelf } from '../parts/index.ts';
import { findingsForCustomer, learnTime, quoteOptions } from './index.ts';

const money = { rateMinor: 5200, taxPercent: 20 };
const EMPTY: PartsShelf = { catalogue: new Map(), stock: new Map() };
const shelf = (items: readonly CatalogueItem[], stock: Readonly<Record<string, number>> = {}): PartsShelf => ({
  catalogue: new Map(items.map((i) => [i.number, i])),
  stock: new Map(Object.entries(stock)),
});
/** A bench stripped and judged. */
function judged(bench: TestBench, findings: Record<string, 'renew' | 'dress' | 'watch' | 'reuse'>): TestBench {
  bench.run((c) => 'op' in c && c.op?.startsWith('build/') === true, {
    finding: (part) => ({ finding: findings[part] ?? 'reuse', reason: `seen: ${part}` }),
  });
  return bench;
}
const cylinder = (findings: Record<string, 'renew' | 'dress'> = {}): TestBench =>
  judged(booked(librarySheet('cylinder-lift'), 'double'), findings);

describe('sums', () => {
  test.each([
    // By hand, halves away from zero as an invoice rounds.
    [0.5, 1], [1.49, 1], [2.5, 3], [-0.5, -1], [1.005 * 100, 101], [0, 0],
  ])('%p rounds to %p', (amount, minor) => {
    expect(roundMinor(amount)).toBe(minor);
  }); // prettier-ignore
  test('a sheet worked by hand: 1 h 37 min at 52.00, parts 73.30, tax 17.5 %', () => {
    // 97 min × 5200/60 = 8406.67 → 84.07; 84.07 + 73.30 = 157.37; 17.5 % = 27.53975 → 27.54; in all 184.91
    const net = hoursMinor(97, 5200) + 7330;
    expect([hoursMinor(97, 5200), net, taxMinor(net, 17.5), withTax(net, 17.5)]).toEqual([8407, 15737, 2754, 18491]);
  });
  test('tax on the sum differs from tax line by line by less than half a unit a line, and is never negative', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1e6), { maxLength: 12 }), fc.integer({ min: 0, max: 30 }), (lines, percent) => {
        const net = lines.reduce((a, b) => a + b, 0);
        const byLine = lines.reduce((sum, l) => sum + taxMinor(l, percent), 0);
        expect(Math.abs(taxMinor(net, percent) - byLine)).toBeLessThanOrEqual(lines.length / 2 + 0.5);
        expect(withTax(net, percent)).toBeGreaterThanOrEqual(net);
      }),
    );
  });
});

describe('what a job needs', () => {
  test('always new, found worn, one time only; not what another method or variant fits', () => {
    const bench = judged(axle(), { pin: 'renew' });
    const needs = neededParts(bench.sheet, bench.state);
    expect(needs.map((n) => [n.part, n.why])).toEqual([
      ['lock-bolt', 'always-new'],
      ['pin', 'finding'],
      ['seal@left', 'always-new'],
      ['seal@right', 'always-new'],
    ]);
    const lever = booked(librarySheet('lever-piston'), 'red-oil');
    const chosen = (method: string): string[] => {
      const b = booked(librarySheet('lever-piston'), 'red-oil');
      b.run((c) => 'op' in c && c.op?.startsWith('build/') === true, {
        choice: (m) => (m === 'rear-by' ? method : undefined),
      });
      return neededParts(b.sheet, b.state).map((n) => n.part);
    };
    expect(lever.sheet.parts['rear-ring']).toBeDefined();
    expect(chosen('lip')).toContain('rear-lip');
    expect(chosen('lip')).not.toContain('rear-ring');
    expect(chosen('ring')).toEqual(expect.arrayContaining(['rear-ring', 'backing']));
    expect(chosen('ring')).not.toContain('rear-lip');
  });

  test('numbers are followed to the newest, the drawer comes first, and what it has not is bought', () => {
    const bench = judged(axle(), { pin: 'renew' });
    const list = shelf(
      [
        { number: 'OR9-305', title: 'Pin', priceMinor: 3800, supplier: 'G', supersededBy: 'OR9-306' },
        { number: 'OR9-306', title: 'Pin, hardened', priceMinor: 4100, supplier: 'H' },
      ],
      { 'OR9-311': 1, 'OR9-306': 0 },
    );
    const plan = orderPlan(bench.sheet, bench.state, list);
    expect(plan.lines.find((l) => l.parts.includes('lock-bolt'))).toMatchObject({ from: 'drawer' });
    expect(plan.lines.find((l) => l.parts.includes('pin'))).toMatchObject({
      number: 'OR9-306', instead: 'OR9-305', priceMinor: 4100, supplier: 'H',
    }); // prettier-ignore
    // The kit at the sheet's own 22.00, the pin at the list's 41.00.
    expect(plan.totalMinor).toBe(2200 + 4100);
  });

  test('a circle of supersessions is named, not followed for ever', () => {
    const newer = new Map([['A', 'B'], ['B', 'C'], ['C', 'A']]); // prettier-ignore
    expect(() => newestNumber('A', newer)).toThrow(/A → B → C → A/);
    expect(newestNumber('X', newer)).toEqual(['X']);
  });
});

describe('ways out', () => {
  test('a dressed rod against a new one: dressing is cheap, and its comebacks are counted', () => {
    const bench = cylinder({ rod: 'dress' });
    const { options, advised, words } = quoteOptions(bench.sheet, bench.state, EMPTY, money);
    expect(options.map((o) => o.id)).toEqual(expect.arrayContaining(['repair', 'renewed', 'exchange', 'leave']));
    const by = Object.fromEntries(options.map((o) => [o.id, o]));
    expect(by['repair']!.title).toBe('Dress the rod, other parts new');
    expect(by['renewed']!.totalMinor).toBeGreaterThan(by['repair']!.totalMinor);
    expect(by['repair']!.comebackRisk).toBeCloseTo(1 / 3, 9);
    // Expected: net and a third of a repair once more, with tax.
    const net = Math.round(by['repair']!.netMinor * (1 + 1 / 3));
    expect(by['repair']!.expectedMinor).toBe(net + taxMinor(net, 20));
    const cheapest = [...options].filter((o) => o.id !== 'leave').sort((a, b) => a.expectedMinor - b.expectedMinor)[0]!;
    expect(advised).toBe(cheapest.id);
    expect(words).toContain('is expected to cost');
  });

  test('whatever is found, lines add up to the net, tax is on the net, and nothing is a fraction of a minor unit', () => {
    fc.assert(
      fc.property(
        fc.record({ rod: fc.constantFrom('reuse', 'dress', 'renew'), gland: fc.constantFrom('reuse', 'renew') }),
        fc.integer({ min: 0, max: 20000 }),
        fc.integer({ min: 0, max: 30 }),
        (findings, rateMinor, taxPercent) => {
          const bench = cylinder(findings as Record<string, 'renew' | 'dress'>);
          for (const o of quoteOptions(bench.sheet, bench.state, EMPTY, { rateMinor, taxPercent }).options) {
            expect(o.lines.reduce((s, l) => s + l.sumMinor, 0)).toBe(o.netMinor);
            expect(o.totalMinor).toBe(o.netMinor + taxMinor(o.netMinor, taxPercent));
            expect([o.netMinor, o.totalMinor, o.expectedMinor].every(Number.isSafeInteger)).toBe(true);
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  test('findings in words that a customer understands, the worst first', () => {
    const bench = cylinder({ rod: 'dress', gland: 'renew' });
    const words = findingsForCustomer(bench.sheet, bench.state).map((f) => f.words);
    expect(words.slice(0, 2)).toEqual([
      'The gland is worn out and must be renewed.',
      'The rod is marked; it can be dressed smooth and used again, or renewed.',
    ]);
    expect(words.join(' ')).not.toMatch(/undefined|null/);
  });
});

describe('quotes and the agreed sum', () => {
  const quoteOf = (bench: TestBench): Extract<Command, { type: 'make-quote' }> => {
    const { options, advised } = quoteOptions(bench.sheet, bench.state, EMPTY, money);
    return {
      type: 'make-quote', options, advised, findings: findingsForCustomer(bench.sheet, bench.state),
      currency: '£', taxName: 'VAT', taxPercent: 20, note: '',
    }; // prettier-ignore
  };
  const answer = (version: number, more: Partial<Extract<Command, { type: 'answer-quote' }>>): Command => ({
    type: 'answer-quote', version, answer: 'yes', option: 'repair', agreedMinor: 0, who: 'Mrs Isbister', how: 'in person', note: '', ...more,
  }); // prettier-ignore

  test('the newest yes is what is agreed; a no holds the job for a decision; an older version cannot be answered', () => {
    const bench = cylinder();
    bench.do(quoteOf(bench));
    bench.do(quoteOf(bench));
    expect(bench.refused(answer(1, {})).says).toBe('Quote 2 is the newest');
    bench.do(answer(2, { answer: 'no', option: null }));
    // What was said at booking stands.
    expect(agreedMinor(bench.state)).toBe(24000);
    expect(bench.state.holds.filter((h) => !h.cleared).map((h) => h.why)).toEqual(['decision']);
    bench.do(quoteOf(bench));
    bench.do(answer(3, { answer: 'only this much', agreedMinor: 9000 }));
    expect(agreedMinor(bench.state)).toBe(9000);
  });

  test.each([
    ['nobody', { who: '  ' }, 'not-complete'],
    ['a way that was not offered', { option: 'kits' as const }, 'not-complete'],
    ['an answer that is none', { answer: 'maybe' as 'yes' }, 'not-a-choice'],
    ['less than nothing', { answer: 'only this much' as const, agreedMinor: -1 }, 'wrong-value'],
  ])('%s: refused', (_, more, code) => {
    const bench = cylinder();
    const offered = quoteOf(bench);
    bench.do({ ...offered, options: offered.options.filter((o) => o.id !== 'kits') });
    expect(bench.refused(answer(1, more)).code).toBe(code);
  });

  test('a quote whose lines do not add up is refused', () => {
    const bench = cylinder();
    const quote = quoteOf(bench);
    const [first, ...rest] = quote.options;
    expect(bench.refused({ ...quote, options: [{ ...first!, netMinor: first!.netMinor + 1 }, ...rest] }).says).toMatch(
      /add up/,
    );
  });

  test('while nothing new is found the bill is what was quoted; a finding since reckons it anew', () => {
    const bench = cylinder();
    const quote = quoteOf(bench);
    bench.do(quote);
    bench.do(answer(1, {}));
    expect(billOf(bench.sheet, bench.state, money).totalMinor).toBe(quote.options[0]!.totalMinor);
    expect(agreedMinor(bench.state)).toBe(quote.options[0]!.totalMinor);
    bench.do({ type: 'surprise', kind: 'broken', title: 'Snapped', note: '', part: 'tube' });
    const { totalMinor } = billOf(bench.sheet, bench.state, money);
    expect(totalMinor).toBeGreaterThan(quote.options[0]!.totalMinor + 24000);
  });
});

describe('a broken part that the sheet has no number for', () => {
  test('is priced by hand in every way that needs it, and in none that does not', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run((c) => c.type === 'judge');
    const [nameless] = Object.values(bench.sheet.parts).filter((p) => p.order === undefined);
    bench.do({ type: 'surprise', kind: 'broken', title: 'Cracked', note: '', part: nameless!.id });
    const offer = (byHand: Record<string, number>): ReturnType<typeof quoteOptions> =>
      quoteOptions(bench.sheet, bench.state, EMPTY, money, undefined, byHand);
    const without = offer({});
    const priced = offer({ [nameless!.id]: 8400 });
    const cost = 8400 * nameless!.count;
    for (const [i, o] of priced.options.entries()) {
      const needs = !['exchange', 'leave'].includes(o.id);
      expect(o.netMinor - without.options[i]!.netMinor).toBe(needs ? cost : 0);
      expect(o.lines.some((l) => l.title === `${nameless!.title}, priced by hand`)).toBe(needs);
      expect(o.totalMinor).toBe(o.netMinor + taxMinor(o.netMinor, money.taxPercent));
    }
  });
});

describe('what a job comes to before it is quoted', () => {
  test('is reckoned by the lists and by how long such jobs take here, as the offer is', () => {
    const bench = cylinder();
    const plain = billOf(bench.sheet, bench.state, money);
    const listed = Object.values(bench.sheet.parts).flatMap((p) => (p.order && p.priceMinor ? [[p.order, 2 * p.priceMinor]] : [])); // prettier-ignore
    const pricing = { prices: Object.fromEntries(listed) as Record<string, number>, timeFactor: 1.5, jobs: 4 };
    const bill = billOf(bench.sheet, bench.state, { ...money, pricing });
    expect(bill.minutes).toBe(Math.round(1.5 * plain.minutes));
    expect(bill.partsMinor).toBe(2 * plain.partsMinor);
    const { options } = quoteOptions(bench.sheet, bench.state, EMPTY, money, { jobs: 4, factor: 1.5 });
    expect(bill.minutes).toBe(options[0]!.minutes);
    // A number that no list names stays at the sheet's price.
    expect(billOf(bench.sheet, bench.state, { ...money, pricing: { ...pricing, prices: {} } }).partsMinor).toBe(
      plain.partsMinor,
    );
  });
});

describe('what such jobs really took', () => {
  test('few jobs barely move the sheet’s figure, many do; it stays between a half and three times', () => {
    const job = { minutes: 200, sheetMinutes: 100 };
    // (200 + 3·100)/(100 + 3·100) = 1.25; ten: (2000 + 300)/(1000 + 300) = 1.769
    expect(learnTime([job]).factor).toBeCloseTo(1.25, 9);
    expect(learnTime(Array.from({ length: 10 }, () => job)).factor).toBeCloseTo(2300 / 1300, 9);
    expect(learnTime([{ minutes: 1e6, sheetMinutes: 100 }]).factor).toBe(3);
    expect(learnTime([{ minutes: 0, sheetMinutes: 100 }])).toEqual({ jobs: 0, factor: 1 });
  });
  test('a long pause counts as twenty minutes, and a hold not at all', () => {
    const bench = axle();
    const took = (): number => workedMinutes(bench.sheet, bench.state).minutes;
    bench.do({ type: 'note', text: 'a' });
    const before = took();
    bench.wait(90);
    bench.do({ type: 'note', text: 'b' });
    expect(took() - before).toBeCloseTo(20, 6);
    bench.do({ type: 'hold', why: 'helper', note: '' });
    const held = took();
    bench.wait(15);
    bench.do({ type: 'clear-hold', hold: bench.state.holds[0]!.id });
    expect(took()).toBe(held);
  });
});
