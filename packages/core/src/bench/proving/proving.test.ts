import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, now, person, secondPerson } from '../bench.fixtures.ts';
import { decide, judgeRun, lookAgainDay, meanInterval, resultOfRun, shareInterval, suspectsOf } from '../index.ts';
import { parseBand } from '../../quantities/index.ts';
import { changeWords } from './change.ts';
import { earlyVerdict } from './early.ts';
import { lineFit, normalBelow } from './line-fit.ts';

describe('a share with its range', () => {
  // Newcombe 1998, Statistics in Medicine 17, table I, method 3 (Wilson score without continuity correction).
  test.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0.0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('%i of %i is %d to %d', (hits, of, low, high) => {
    const i = shareInterval(hits, of)!;
    expect(i.low).toBeCloseTo(low, 4);
    expect(i.high).toBeCloseTo(high, 4);
  });
  test('of none there is none', () => expect(shareInterval(0, 0)).toBeUndefined());
});

describe('a mean with its range', () => {
  test('two values: t of one degree of freedom, 12.706 (handbook table)', () => {
    const i = meanInterval([2, 4])!;
    expect(i.value).toBe(3);
    // s/√n = √2/√2 = 1.
    expect(i.high).toBeCloseTo(3 + 12.706, 3);
    expect(i.low).toBe(0);
  });
  test('one value says no range', () => expect(meanInterval([3])).toEqual({ value: 3, low: 0, high: Infinity }));
});

describe('a straight line', () => {
  test('through points on it: its slope, and no error', () => {
    const fit = lineFit([0, 1, 2, 3].map((x) => [x, 5 - 2 * x] as const));
    expect(fit.slope).toBeCloseTo(-2, 12);
    expect(fit.at0).toBeCloseTo(5, 12);
    expect(fit.slopeError).toBeCloseTo(0, 12);
  });
  // Longley-like small check by hand: x 1 2 3, y 1 2 2: slope 0.5, residuals −1/6, 1/3, −1/6; s² = 1/6; Sxx = 2.
  test('with scatter: the standard error of its slope, by hand', () => {
    expect(lineFit([[1, 1], [2, 2], [3, 2]]).slopeError).toBeCloseTo(Math.sqrt(1 / 6 / 2), 12);
  }); // prettier-ignore
  test.each([[0, 0.5], [1.959964, 0.975], [-1, 0.158655]])('normal(%d) = %d (tables)', (x, p) => {
    expect(normalBelow(x)).toBeCloseTo(p, 5);
  }); // prettier-ignore
});

describe('an early verdict', () => {
  const falls = (perS: number, n: number): [number, number][] =>
    Array.from({ length: n }, (_, i) => [i * 10, perS * i * 10 + 1e-4 * (i % 2 ? 1 : -1)]);
  test('is none before a share of the time has run', () => {
    expect(earlyVerdict(falls(1e-5, 5), 600, 0.05, 0.001)).toMatchObject({ verdict: 'undecided', stop: false });
  });
  test('of a fall far under what is allowed may be stopped, and so may one far over', () => {
    expect(earlyVerdict(falls(1e-5, 30), 600, 0.05, 0.001)).toMatchObject({ verdict: 'within', stop: true });
    expect(earlyVerdict(falls(5e-4, 30), 600, 0.05, 0.001)).toMatchObject({ verdict: 'outside', stop: true });
  });
  test('of one that heads for the limit itself is never sure', () => {
    expect(earlyVerdict(falls(0.05 / 600, 40), 600, 0.05, 0.001)).toMatchObject({ verdict: 'undecided', stop: false });
  });
});

describe('as found against now, in words', () => {
  const accept = parseBand('1 N·m to 2 N·m', 'torque');
  const nm = (value: number): { value: number; unit: string } => ({ value, unit: 'N·m' });
  test.each([
    [6, 1.5, '4.0 times less, back in its band'],
    [0.3, 1.5, '5.0 times as much, back in its band'],
    [1.4, 1.41, 'as it was, and good'],
    [1.5, 3, '2.0 times as much, outside its band'],
    [1.9, 1.5, 'less, within its band'],
  ])('%d to %d: %s', (a, b, words) => {
    expect(changeWords('torque', accept, nm(a), nm(b))).toContain(words);
  });
});

describe('a next look in words', () => {
  const out = new Date('2026-01-10T12:00:00Z');
  test.each([
    ['in 6 months', '2026-07-09'],
    ['after two weeks', '2026-01-24'],
    ['by 2027-05-01', '2027-05-01'],
    ['once a year', '2027-01-10'],
    ['at 500 h', undefined],
  ])('%s', (words, day) => {
    expect(lookAgainDay(words, out)?.toISOString().slice(0, 10)).toBe(day);
  });
  test.each([
    ['after fifty hours', 25, '2026-01-24'],
    ['after 200 hours', 40, '2026-02-14'],
    ['after a hundred hours', 30, '2026-02-03'],
    ['after ten hours', undefined, undefined],
    ['in two weeks', 40, '2026-01-24'],
  ])('%s, run %s h a week', (words, hoursPerWeek, day) => {
    expect(lookAgainDay(words, out, hoursPerWeek)?.toISOString().slice(0, 10)).toBe(day);
  });
});

describe('suspects', () => {
  const sheet = librarySheet('alternator-brushpin');
  const t = sheet.tests['output']!;
  test('come in the sheet’s order while nothing else is known, and past jobs move them', () => {
    const bench = booked(sheet, 'three-group');
    expect(suspectsOf(sheet, bench.state, t).map((s) => s.id)).toEqual(t.failedBy);
    const moved = suspectsOf(sheet, bench.state, t, { stator: 9 });
    expect(moved[0]).toMatchObject({ id: 'stator' });
    expect(moved[0]!.why).toContain('It was this in 9 of 9 such failures here');
  });
});

describe('a second person', () => {
  const sheet = librarySheet('knuckle-boot');
  test('looks it over before it is signed, and is neither who built it nor who signs it', () => {
    const bench = booked(sheet, sheet.variants[0]?.id ?? null);
    bench.run((c) => c.type === 'check-over', { finding: () => ({ finding: 'reuse', reason: 'good' }) });
    expect(bench.refused({ type: 'sign-off' }).blockers?.map((b) => b.code)).toEqual(['second-person']);
    const as = (who: typeof person, type: 'check-over' | 'sign-off'): ReturnType<typeof decide> =>
      decide(bench.state, sheet, { ...bench.envelope({ type }), who }, { drawers: {} });
    expect(as(person, 'check-over')).toMatchObject({ ok: false, refusal: { code: 'same-person' } });
    bench.do({ type: 'check-over' });
    expect(as(secondPerson, 'sign-off')).toMatchObject({ ok: false, refusal: { code: 'same-person' } });
    expect(as(person, 'sign-off').ok).toBe(true);
  });
  test('is not asked for by a sheet that does not name one', () => {
    const bench = booked();
    bench.run((c) => c.type === 'sign-off');
    expect(bench.refused({ type: 'check-over' }).code).toBe('wrong-kind');
  });
});

describe('a vacuum that is run', () => {
  test('comes to a rise in the unit of its sheet, judged with the stand’s own uncertainty', () => {
    const sheet = librarySheet('compressor-swash');
    const t = sheet.tests['vacuum']!;
    const points = Array.from({ length: 21 }, (_, i) => [60 * i, 0.001 + 0.00002 * i]);
    const outcome = judgeRun(t, { kind: 'vacuum', points });
    expect(outcome.value.unit).toBe('mbar');
    expect(outcome.value.value).toBeCloseTo(0.4, 9);
    // 0.2 mbar of the run and 0.3 of the stand: √(0.04 + 0.09) = 0.36 mbar.
    const result = resultOfRun(t, outcome, { value: 0.3, unit: 'mbar' });
    expect([result.verdict, result.uncertainty.unit]).toEqual(['within', 'mbar']);
    expect(result.uncertainty.value).toBeCloseTo(0.3606, 3);
    // A stand that states amperes says nothing of a pressure.
    expect(resultOfRun(t, outcome, { value: 5, unit: 'A' }).uncertainty.value).toBeCloseTo(0.2, 9);
  });
});

describe('a test on a stand', () => {
  test('whose run is of another kind is refused, and nothing is kept', () => {
    const bench = booked(librarySheet('cylinder-lift'), librarySheet('cylinder-lift').variants[0]?.id ?? null);
    bench.run((_, s) => s.readings.length === 0 && nextIsTest(bench));
    const { id: op } = now(bench).op;
    const before = bench.state;
    expect(bench.refused({ type: 'take-run', op, run: { kind: 'slip', points: [[0, 1], [90, 2]] } }).code).toBe('not-complete'); // prettier-ignore
    expect(bench.refused({ type: 'take-run', op, run: { kind: 'drift', points: [[0, 0], [5, 0.1]] } }).says).toContain('not sure yet'); // prettier-ignore
    expect(bench.state).toBe(before);
  });
});

function nextIsTest(bench: ReturnType<typeof booked>): boolean {
  try {
    return now(bench).op.kind === 'test';
  } catch {
    return false;
  }
}
