import { describe, expect, test } from '@jest/globals';
import type { PastVisit, VisitFigure } from '@jubb/contract';
import { float, visit } from './visit.fixtures.ts';
import { daysSince, openDeferrals, trendsOf } from './history.ts';

const at = (number: number, booked: string, more: Partial<PastVisit> = {}): PastVisit =>
  visit(number, { booked, ...more });
const read = (moment: VisitFigure['moment'], value: number, unit = 'mm'): VisitFigure =>
  float(moment, value, { value: { value, unit } });

describe('a unit over its visits', () => {
  test('figures are drawn oldest first, in one unit, whatever each was read in', () => {
    const newest = at(9, '2026-11-20T08:00:00Z', { figures: [read('as-found', 160, 'µm'), read('now', 0.05)] });
    const [trend] = trendsOf([newest, at(4, '2026-01-05T08:00:00Z', { figures: [read('now', 2, 'thou')] })]);
    expect(trend!.points.map((p) => [p.job, p.moment, Number(p.value.toFixed(4))])).toEqual([
      [4, 'now', 0.0508],
      [9, 'as-found', 0.16],
      [9, 'now', 0.05],
    ]);
    expect([trend!.low, trend!.high, trend!.unit]).toEqual([0.03, 0.08, 'mm']);
  });
  test('a figure read once is no trend', () => {
    expect(trendsOf([at(1, '2026-01-05T08:00:00Z', { figures: [read('now', 0.05)] })])).toEqual([]);
  });
  test('what was left for later stays open until the part is judged otherwise', () => {
    const bush = { part: 'bush', title: 'Eye bush', words: 'A little play' };
    const first = at(1, '2026-01-05T08:00:00Z', { deferrals: [bush, { ...bush, part: 'rod', title: 'Rod' }] });
    const second = at(2, '2026-05-05T08:00:00Z', { judged: ['rod'] });
    expect(openDeferrals([second, first]).map((d) => [d.part, d.job])).toEqual([['bush', 1]]);
    const third = at(3, '2026-07-05T08:00:00Z', { deferrals: [{ ...bush, words: 'More play' }] });
    expect(openDeferrals([third, second, first])[0]).toMatchObject({ words: 'More play', job: 3 });
  });
  test('how soon it was back', () => {
    expect(daysSince(at(1, '2026-01-05T16:00:00Z'), at(2, '2026-02-16T08:00:00Z'))).toBe(42);
  });
});
