import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { axle, booked, librarySheet } from '../bench/bench.fixtures.ts';
import { quoteOptions } from '../quote/index.ts';
import { billOf, jobSheet } from '../bench/index.ts';
import {
  creditLines,
  creditSums,
  draftInvoice,
  invoiceLineProblem,
  invoiceNotYet,
  invoicesCsv,
  invoiceStanding,
  invoiceSums,
  type InvoiceLine,
} from './index.ts';

const line = (more: Partial<InvoiceLine>): InvoiceLine => ({
  title: 'Seal',
  kind: 'part',
  count: 1,
  eachMinor: 100,
  sumMinor: 100,
  ...more,
});
const anyLine = fc
  .record({ count: fc.integer({ min: 1, max: 50 }), eachMinor: fc.integer({ min: -500_00, max: 5000_00 }) })
  .map(({ count, eachMinor }) => line({ count, eachMinor, sumMinor: count * eachMinor }));

describe('sums', () => {
  test('of the worked example of the European invoice: 2800.00, less 1500.00, a charge of 25.00, at 25 %', () => {
    // EN 16931 base example of its CIUS for networks (from memory): net 1325.00, tax 331.25, to pay 1656.25.
    expect(invoiceSums([{ sumMinor: 280_000 }, { sumMinor: -150_000 }, { sumMinor: 2_500 }], 25)).toEqual({
      netMinor: 132_500,
      taxMinor: 33_125,
      totalMinor: 165_625,
    });
  });

  test.each([
    // By hand: net × rate / 100, halves away from nought, once on the whole.
    [[333, 333, 333], 20, 200], [[10], 17.5, 2], [[-10], 17.5, -2], [[1, 1, 1], 19, 1], [[84_07, 73_30], 17.5, 27_54], [[], 20, 0],
  ])('%j at %d %% is %d of tax', (nets, percent, tax) => {
    expect(invoiceSums(nets.map((sumMinor) => ({ sumMinor })), percent).taxMinor).toBe(tax);
  }); // prettier-ignore

  test('a credit of the whole takes back every penny, at any rate (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.array(anyLine, { maxLength: 20 }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (lines, percent) => {
          const sent = invoiceSums(lines, percent);
          const back = invoiceSums(creditLines(lines), percent);
          expect(sent.totalMinor + back.totalMinor).toBe(0);
          expect(sent.netMinor + sent.taxMinor).toBe(sent.totalMinor);
        },
      ),
    );
  });
});

test('what cost nothing is credited as nothing, and not as less than nothing', () => {
  const free = { title: 'Seal', kind: 'part' as const, count: 1, eachMinor: 0, sumMinor: 0 };
  const [line] = creditLines([free]);
  expect([line!.eachMinor, line!.sumMinor].every((n) => Object.is(n, 0))).toBe(true);
  for (const left of [undefined, 0])
    expect(Object.values(creditSums(creditLines([free]), 20, left)).every((n) => Object.is(n, 0))).toBe(true);
});

test('credits line by line come to the invoice, whatever the rate: the last takes the pennies that rounding left (fast-check)', () => {
  fc.assert(
    fc.property(
      fc.array(anyLine, { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 0, max: 3000 }),
      (lines, rate) => {
        const percent = rate / 100;
        const { totalMinor, netMinor } = invoiceSums(lines, percent);
        let left = totalMinor;
        let net = 0;
        lines.forEach((l, i) => {
          const last = i === lines.length - 1;
          const sums = creditSums(creditLines([l]), percent, last ? left : undefined);
          expect(sums.netMinor + sums.taxMinor).toBe(sums.totalMinor);
          left += sums.totalMinor;
          net += sums.netMinor;
        });
        expect([left, net]).toEqual([0, -netMinor]);
      },
    ),
  );
});

describe('a line', () => {
  test('whose sum is its count times its price is good; hours to a hundredth of the minutes behind them', () => {
    expect(invoiceLineProblem(line({ count: 3, eachMinor: 205, sumMinor: 615 }))).toBeUndefined();
    // 97 minutes at 52.00 are 84.07; written as 1.62 h they would be 84.24.
    expect(invoiceLineProblem(line({ kind: 'hours', count: 1.62, eachMinor: 5200, sumMinor: 8407 }))).toBeUndefined();
    expect(
      invoiceLineProblem(line({ title: 'Discount', kind: 'other', eachMinor: -500, sumMinor: -500 })),
    ).toBeUndefined();
  });
  test.each([
    [line({ count: 3, eachMinor: 205, sumMinor: 616 }), 'Seal: 3 × 2.05 is 6.15, not 6.16'],
    [line({ kind: 'hours', count: 1.62, eachMinor: 5200, sumMinor: 8500 }), 'not 85.00'],
    [line({ count: 0 }), 'more than nought'],
    [line({ title: '  ' }), 'says what it is for'],
  ])('%j is refused', (wrong, says) => {
    expect(invoiceLineProblem(wrong)).toContain(says);
  });
});

describe('the invoice of a job', () => {
  const money = { rateMinor: 5200, taxPercent: 20 };
  test('comes to what the bill of the job comes to, whatever the sheet', () => {
    for (const [name, variant] of [
      ['cylinder-lift', 'double'],
      ['lever-piston', 'red-oil'],
    ] as const) {
      const bench = booked(librarySheet(name), variant);
      bench.run((c) => 'op' in c && c.op?.startsWith('build/') === true, {
        finding: (part) => ({ finding: 'renew', reason: `seen: ${part}` }),
      });
      const draft = draftInvoice(bench.sheet, bench.state, money);
      const bill = billOf(jobSheet(bench.sheet, bench.state), bench.state, money);
      expect(draft.totalMinor).toBe(bill.totalMinor);
      expect(draft.lines.length).toBeGreaterThan(1);
      expect(draft.lines.map(invoiceLineProblem).filter((p) => p !== undefined)).toEqual([]);
    }
  });
  test('of a quote that nobody has answered it is what was worked, and not what was offered; with a yes it is what was agreed', () => {
    const bench = booked(librarySheet('cylinder-lift'), 'double');
    bench.run((c) => 'op' in c && c.op?.startsWith('build/') === true, {
      finding: (part) => ({ finding: part === 'rod' ? 'dress' : 'reuse', reason: `seen: ${part}` }),
    });
    const worked = draftInvoice(bench.sheet, bench.state, money).lines;
    const { options } = quoteOptions(bench.sheet, bench.state, { catalogue: new Map(), stock: new Map() }, money);
    const renewed = options.find((o) => o.id === 'renewed')!;
    bench.do({
      type: 'make-quote', options, advised: 'renewed', findings: [],
      currency: '£', taxName: 'VAT', taxPercent: 20, note: '',
    }); // prettier-ignore
    expect(draftInvoice(bench.sheet, bench.state, money).lines).toEqual(worked);
    bench.do({
      type: 'answer-quote', version: 1, answer: 'yes', option: 'renewed', agreedMinor: 0, who: 'Ada', how: 'in person', note: '',
    }); // prettier-ignore
    const agreed = draftInvoice(bench.sheet, bench.state, money);
    expect(agreed.lines).toEqual(renewed.lines);
    expect([agreed.totalMinor, agreed.overMinor]).toEqual([renewed.totalMinor, 0]);
    expect(agreed.lines).not.toEqual(worked);
  });

  test('is made out once it is signed or ended, and once', () => {
    const { state } = axle();
    expect(invoiceNotYet(state, [])).toContain('not signed yet');
    const signed = { ...state, signed: {} as never };
    expect(invoiceNotYet(signed, [])).toBeUndefined();
    const made = { number: '0007', totalMinor: 100, creditedMinor: 99 };
    expect(invoiceNotYet(signed, [made])).toBe('Invoice 0007 is made out for it already: take that back first');
    expect(invoiceNotYet(signed, [{ ...made, creditedMinor: 100 }])).toBeUndefined();
  });

  test('says how far it is over what was agreed at booking', () => {
    const { sheet, state } = axle();
    const within = draftInvoice(sheet, { ...state, booked: { ...state.booked!, spendLimitMinor: 99_999_99 } }, money);
    expect(within.overMinor).toBe(0);
    const over = draftInvoice(sheet, { ...state, booked: { ...state.booked!, spendLimitMinor: 100_00 } }, money);
    expect(over.overMinor).toBe(over.totalMinor - 100_00);
    const free = draftInvoice(sheet, { ...state, booked: { ...state.booked!, spendLimitMinor: null } }, money);
    expect([free.agreedMinor, free.overMinor]).toEqual([undefined, 0]);
  });
});

describe('how an invoice stands', () => {
  const stands = (payments: number[], credits: number[] = [], today = '2026-11-30'): string =>
    invoiceStanding(120_00, payments, credits, '2026-12-14', today).state;
  test.each<[string, string]>([
    [stands([]), 'open'],
    [stands([50_00]), 'part paid'],
    [stands([50_00], [], '2026-12-14'), 'part paid'],
    [stands([50_00], [], '2026-12-15'), 'overdue'],
    [stands([50_00, 70_00], [], '2027-12-15'), 'paid'],
    [stands([], [-120_00], '2027-12-15'), 'credited'],
    [stands([100_00], [-20_00]), 'paid'],
    [stands([130_00]), 'paid too much'],
    // Paid, then taken back: it is to be given back; and once it was, nothing is open.
    [stands([120_00], [-120_00]), 'paid too much'],
    [stands([120_00, -120_00], [-120_00]), 'credited'],
  ])('%s', (is, due) => {
    expect(is).toBe(due);
  });
  test('what is open, paid and credited always comes to the total (fast-check)', () => {
    const amounts = fc.array(fc.integer({ min: -1000_00, max: 1000_00 }), { maxLength: 8 });
    fc.assert(
      fc.property(fc.nat(1000_00), amounts, amounts, (total, payments, credits) => {
        const s = invoiceStanding(
          total,
          payments,
          credits.map((c) => -Math.abs(c)),
          '2026-12-14',
          '2026-11-30',
        );
        expect(s.openMinor + s.paidMinor + s.creditedMinor).toBe(total);
      }),
    );
  });
});

test('a file for the bookkeeper: one a row, amounts that a spreadsheet adds up', () => {
  const csv = invoicesCsv([
    {
      number: '0007',
      kind: 'credit',
      day: '2026-11-30',
      due: '2026-11-30',
      customer: 'Brae Farm, "Hill"',
      job: 312,
      of: '0006',
      currency: '£',
      netMinor: -10_000,
      taxPercent: 20,
      taxMinor: -2_000,
      totalMinor: -12_000,
      paidMinor: 0,
      openMinor: 0,
      state: 'credit',
    },
  ]);
  expect(csv.split('\n')[0]).toBe(
    'number,kind,day,due,customer,job,of,currency,net,tax_percent,tax,total,paid,open,state',
  );
  expect(csv.split('\n')[1]).toBe(
    '0007,credit,2026-11-30,2026-11-30,"Brae Farm, ""Hill""",312,0006,£,-100,20,-20,-120,0,0,credit',
  );
});
