import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet } from '../bench.fixtures.ts';
import { cameBack, COMES_BACK_DAYS, doneVisit, qualityOf, type DoneVisit } from './quality.ts';

const day = (n: number): string => new Date(Date.UTC(2026, 0, 1) + n * 86_400_000).toISOString();

describe('a unit that came back', () => {
  test.each([
    ['the next day', [1], true],
    ['on the last day that counts', [COMES_BACK_DAYS], true],
    ['a day later', [COMES_BACK_DAYS + 1], false],
    ['booked before it left: another visit', [-1], false],
    ['never', [], false],
    ['late, and once more soon', [400, 20], true],
  ] as const)('%s', (_name, days, back) => {
    expect(cameBack(day(0), days.map(day))).toBe(back);
  });
});

describe('how sheets hold', () => {
  const visit = (more: Partial<DoneVisit>): DoneVisit => ({
    sheet: 'hub-dolly',
    title: 'Hub',
    methods: [],
    hours: 2,
    sheetHours: 1.5,
    cameBack: false,
    ...more,
  });
  test('by sheet and by the method that was chosen, with a range that knows how few there are', () => {
    const [hub, other] = qualityOf([
      visit({ methods: [['How are they fitted?', 'Warm']], hours: 2, cameBack: true }),
      visit({ methods: [['How are they fitted?', 'Pressed']], hours: 4 }),
      visit({ sheet: 'axle-clip', title: 'Axle' }),
    ]);
    expect(hub).toMatchObject({ sheet: 'hub-dolly', title: 'Hub', jobs: 2, sheetHours: 1.5 });
    expect(hub!.hours).toMatchObject({ value: 3 });
    expect(hub!.comebacks!.value).toBeCloseTo(0.5);
    expect(hub!.comebacks!.low).toBeGreaterThan(0);
    expect(hub!.methods.map((m) => [m.title, m.jobs])).toEqual([
      ['How are they fitted? Warm', 1],
      ['How are they fitted? Pressed', 1],
    ]);
    // One visit says nothing of a range: JSON has no infinity.
    expect(other!.hours).toEqual({ value: 2, low: 0, high: null });
    expect(JSON.parse(JSON.stringify(other))).toEqual(other);
  });

  test('what was not handed over, or ended otherwise, says nothing; what was says its hours and methods in words', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    expect(doneVisit(bench.sheet, bench.state, [])).toBeUndefined();
    bench.run();
    expect(bench.state.handedOver).toBeDefined();
    const done = doneVisit(bench.sheet, bench.state, [])!;
    expect(done).toMatchObject({ sheet: 'hub-dolly', cameBack: false });
    expect(done.sheetHours).toBeGreaterThan(0);
    for (const [ask, choice] of done.methods) {
      expect(ask).toMatch(/\?$/);
      expect(choice).toMatch(/^[A-Z]/);
    }
    expect(doneVisit(bench.sheet, { ...bench.state, end: { how: 'not-repaired' } as never }, [])).toBeUndefined();
  });
});
