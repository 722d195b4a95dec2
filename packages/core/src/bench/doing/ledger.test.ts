import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, TestBench, upTo } from '../bench.fixtures.ts';
import { buildRecord, fluidLedger } from '../index.ts';

const sheet = librarySheet('axle-pinion');
const says = (bench: TestBench, fluid: string): string | undefined =>
  fluidLedger(sheet, bench.state)
    .find((f) => f.fluid === fluid)
    ?.says.replace(/\u202f/g, ' ');
const litres = (value: number) => ({ value, unit: 'l' });

describe('the ledger of fluids and compounds', () => {
  test('a drain that was measured says what came out of what belongs in, and that it is not filled yet', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    expect(fluidLedger(sheet, bench.state)).toEqual([]);
    bench.do({ type: 'complete', op: upTo(bench, 'drain'), amount: litres(2.7) });
    expect(says(bench, 'oil')).toBe('2.7 l of 2.8 l came out; not filled yet');
    expect(fluidLedger(sheet, bench.state)[0]!.out).toBe(true);
  });

  test('less than belongs in was lost before', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.do({ type: 'complete', op: upTo(bench, 'drain'), amount: litres(1.5) });
    expect(says(bench, 'oil')).toMatch(/came out: some was lost before/);
  });

  test.each([
    ['a length', { value: 3, unit: 'mm' }, 'wrong-value'],
    ['less than nothing', litres(-1), 'absurd'],
    ['ten times as much', litres(28), 'absurd'],
  ])('%s is refused', (_, amount, code) => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    expect(bench.refused({ type: 'complete', op: upTo(bench, 'drain'), amount }).code).toBe(code);
  });

  test('at the end all is in again, what was only used is said so, and the record has it', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'renew', reason: 'worn' }) });
    const lines = fluidLedger(sheet, bench.state);
    expect(lines.some((f) => f.out)).toBe(false);
    expect(says(bench, 'oil')).toBe('drained; filled, 2.8 l by the sheet');
    expect(says(bench, 'sealant')).toMatch(/^used (once|\d+ times)$/);
    expect(buildRecord(sheet, bench.state).fluids).toEqual(lines);
    expect(bench.refold()).toEqual(bench.state);
  });

  test('a fill far off the sheet’s amount is said', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.do({ type: 'complete', op: upTo(bench, 'fill'), amount: litres(2.2) });
    expect(says(bench, 'oil')).toBe('drained; 2.2 l went in, where the sheet gives 2.8 l');
  });
});
