import { describe, expect, test } from '@jest/globals';
import type { PastVisit, VisitFigure } from '@jubb/contract';
import { renderToStaticMarkup } from 'react-dom/server';
import type { Trend } from './history.ts';
import { ThenNow } from './then-now.tsx';
import { TrendChart } from './trend-chart.tsx';
import { float, visit } from './visit.fixtures.ts';

const back = (number: number, ...figures: VisitFigure[]): PastVisit => visit(number, { stage: 'strip', figures });
const cells = (now: PastVisit, then: PastVisit): string =>
  renderToStaticMarkup(<ThenNow now={now} then={then} />)
    .replace(/\u202f/g, ' ')
    .replace(/<!-- -->/g, '')
    .replace(/<[^>]+>/g, '|')
    .replace(/\|+/g, '|');

describe('a unit that came back', () => {
  test('what it left with stands beside what is found now, and how it changed', () => {
    const then = back(290, float('as-found', 0.4), float('now', 0.05));
    const page = cells(back(318, float('as-found', 0.15)), then);
    expect(page).toContain('|Left with, job 290|Found now, job 318|');
    // Not what it came with then, but what it left with.
    expect(page).toContain('|End float|0.05 mm|0.15 mm|3.0 times as much, outside its band|');
  });

  test('what was only found then has that to be held against; a figure without a band has no verdict', () => {
    const plain = { low: undefined, high: undefined };
    const page = cells(back(318, float('as-found', 0.15, plain)), back(290, float('as-found', 0.4, plain)));
    expect(page).toMatch(/\|End float\|0\.4 mm\|0\.15 mm\|$/);
  });

  test('nothing stands there while nothing can be compared', () => {
    expect(cells(back(318), back(290, float('now', 0.05)))).toBe('');
    expect(cells(back(318, float('as-found', 1, { id: 'other' })), back(290, float('now', 0.05)))).toBe('');
    // Read after the work: that is no finding.
    expect(cells(back(318, float('now', 0.05)), back(290, float('now', 0.05)))).toBe('');
  });
});

describe('a figure over the visits', () => {
  const at = (month: number): string => new Date(2026, month, 3).toISOString();
  const trend: Trend = {
    id: 'float',
    title: 'End float',
    unit: 'mm',
    low: 0.03,
    high: 0.08,
    points: [
      { at: at(1), job: 290, moment: 'as-found', value: 0.4 },
      { at: at(1), job: 290, moment: 'now', value: 0.05 },
      { at: at(10), job: 318, moment: 'as-found', value: 0.15 },
    ],
  };
  const drawn = (of: Trend): string => renderToStaticMarkup(<TrendChart trend={of} />).replace(/<!-- -->/g, '');

  test('is told in words to those who do not see it', () => {
    expect(drawn(trend)).toContain(
      'aria-label="End float: Feb 2026 as found 0.4, Feb 2026 after 0.05, Nov 2026 as found 0.15 mm"',
    );
  });

  test('found is open, after the work is filled; larger stands higher, each visit is dated once', () => {
    const html = drawn(trend);
    const circles = [...html.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)" r="6" fill="([^"]+)"/g)];
    expect(circles.map((c) => c[3])).toEqual(['var(--sheet)', 'var(--ink)', 'var(--sheet)']);
    const [found, after, again] = circles.map((c) => Number(c[2]));
    expect(found!).toBeLessThan(again!);
    expect(again!).toBeLessThan(after!);
    expect((html.match(/>Feb 26</g) ?? []).length).toBe(1);
    // Both limits are drawn and named.
    expect(html).toContain('>0.03<');
    expect(html).toContain('>0.08<');
  });

  test('one value alone, and values that are all the same, are drawn inside the picture', () => {
    for (const points of [trend.points.slice(0, 1), [0, 1].map((i) => ({ ...trend.points[i]!, value: 0 }))]) {
      const { low: _low, high: _high, ...open } = trend;
      const html = drawn({ ...open, points });
      const ys = [...html.matchAll(/cy="([^"]+)"/g)].map((m) => Number(m[1]));
      expect(ys).toHaveLength(points.length);
      for (const y of ys) expect(y > 0 && y < 150).toBe(true);
      expect(html).not.toContain('NaN');
    }
  });
});
