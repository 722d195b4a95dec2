/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import type { PlanJobLabel } from '@jubb/contract';
import { workCalendar, type Plan, type PlanProblem, type Resource } from '@jubb/core/planning';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { HEAD, LANE_LEFT, lanesGeometry, LANES_WIDTH } from './lane-geometry.ts';
import { Lanes } from './lanes.tsx';
import { weekAxis } from './week-axis.ts';

afterEach(cleanup);
const MONDAY = Date.UTC(2026, 10, 23, 8) / 60_000;
const day = [['08:00', '17:00']] as const;
const shop = workCalendar('shop', [day, day, day, day, day, [], []], 'Europe/London', MONDAY, 30);
const resource = (id: string, title: string, kind: Resource['kind']): Resource => ({
  id,
  title,
  kind,
  capacity: 1,
  calendar: 'shop',
});
const activity = (id: string, on: readonly string[], more: object = {}): object => ({
  id,
  title: `Strip ${id}`,
  minutes: 60,
  attended: true,
  pauses: true,
  needs: [{ anyOf: on, count: 1 }],
  after: [],
  ...more,
});
const problem = {
  now: MONDAY,
  resources: [
    resource('oven', 'Oven', 'oven'),
    resource('press', 'Press', 'press'),
    resource('h1', 'Ailsa Brock', 'hands'),
    resource('h2', 'Tam Veitch', 'hands'),
  ],
  calendars: [shop],
  places: [],
  pins: [{ activity: 'a1', start: MONDAY }],
  jobs: [
    {
      id: 'j1',
      name: '301',
      release: MONDAY,
      due: null,
      weight: 1,
      activities: [activity('a1', ['h1', 'h2']), activity('a2', ['h1'])],
    },
    {
      id: 'j2',
      name: '302',
      release: MONDAY,
      due: null,
      weight: 1,
      activities: [
        activity('b1', ['oven'], { attended: false }),
        activity('b2', ['h2'], { notBefore: MONDAY + 1440, notBeforeWhy: 'parts' }),
      ],
    },
  ],
} as unknown as PlanProblem;
const plan = {
  slots: {
    a1: { start: MONDAY, end: MONDAY + 60, on: ['h1'] },
    a2: { start: MONDAY + 60, end: MONDAY + 120, on: ['h1'] },
    b1: { start: MONDAY + 30, end: MONDAY + 90, on: ['oven'] },
    b2: { start: MONDAY + 1440, end: MONDAY + 1500, on: ['h2'] },
  },
} as unknown as Plan;
const label = (number: number, due: number | null): PlanJobLabel => ({
  id: `j${number - 300}`,
  number,
  title: 'Hub',
  customer: 'C',
  place: null,
  due,
  weight: 1,
});
const labels = [label(301, MONDAY + 600), label(302, null)];
const axis = weekAxis(shop.open, MONDAY, 2, 'Europe/London', LANE_LEFT, LANES_WIDTH - LANE_LEFT - 2);
const g = lanesGeometry(problem, plan, labels, axis, MONDAY);

describe('where a week lies', () => {
  test('hands first, then the tools that something is on; a press that nothing is on takes no room', () => {
    expect(g.rows.map((r) => r.r.id)).toEqual(['h1', 'h2', 'oven']);
    for (const [i, row] of g.rows.entries())
      expect(row.y).toBe(i === 0 ? HEAD + g.band : g.rows[i - 1]!.y + g.rows[i - 1]!.tall);
  });

  test('work of one job that follows on is one bar, and none lies outside the drawing', () => {
    expect(g.runs.map((r) => [r.run.resource, r.run.job])).toEqual([
      ['h1', 'j1'],
      ['h2', 'j2'],
      ['oven', 'j2'],
    ]);
    for (const { x, w, top, tall } of g.runs) {
      expect(x).toBeGreaterThanOrEqual(LANE_LEFT);
      expect(x + w).toBeLessThanOrEqual(g.right + 1e-6);
      expect(top + tall).toBeLessThanOrEqual(g.shelf);
    }
  });

  test('what runs in one lane at the same time lies in rows of its own, none over another, all in the lane', () => {
    const both = {
      ...plan,
      slots: {
        ...plan.slots,
        b1: { start: MONDAY + 30, end: MONDAY + 90, on: ['oven'] },
        a2: { start: MONDAY + 60, end: MONDAY + 120, on: ['oven'] },
        b2: { start: MONDAY + 120, end: MONDAY + 180, on: ['oven'] },
      },
    } as unknown as Plan;
    const inOven = lanesGeometry(problem, both, labels, axis, MONDAY);
    const oven = inOven.rows.find((row) => row.r.id === 'oven')!;
    expect(oven.rows.map((row) => row.map((b) => b.activity.id))).toEqual([['b1', 'b2'], ['a2']]);
    const runs = inOven.runs.filter((r) => r.run.resource === 'oven');
    expect(runs).toHaveLength(3);
    for (const [i, a] of runs.entries()) {
      expect(a.top).toBeGreaterThanOrEqual(oven.y);
      expect(a.top + a.tall).toBeLessThanOrEqual(oven.y + oven.tall);
      for (const b of runs.slice(i + 1))
        expect(
          a.x + a.w <= b.x + 1e-6 || b.x + b.w <= a.x + 1e-6 || a.top + a.tall <= b.top || b.top + b.tall <= a.top,
        ).toBe(true);
    }
  });

  test('what waits for something stands on the shelf with what for, under the lanes', () => {
    expect(g.waits.map((w) => [w.job.name, w.why, w.until])).toEqual([['302', 'parts', MONDAY + 1440]]);
    expect(g.tall).toBeGreaterThan(g.shelf);
  });
});

describe('a piece of work on the drawing', () => {
  const moves = { choose: jest.fn(), move: jest.fn(), drop: jest.fn() };
  const drawn = (more: Partial<React.ComponentProps<typeof Lanes>> = {}): void => {
    for (const f of Object.values(moves)) f.mockClear();
    render(
      <Lanes
        problem={problem}
        plan={plan}
        labels={labels}
        axis={axis}
        now={MONDAY}
        late={new Set(['j1'])}
        chosen={undefined}
        moved={undefined}
        {...moves}
        {...more}
      />,
    );
  };
  const piece = (name: RegExp): HTMLElement => screen.getByRole('button', { name });

  test('says its job, what it is, whose lane, that it is pinned and late', () => {
    drawn();
    expect(piece(/a1/).getAttribute('aria-label')).toBe('301: Strip a1, Ailsa Brock, pinned, late');
    expect(piece(/b1/).getAttribute('aria-label')).toBe('302: Strip b1, Oven');
  });

  test('is chosen by focus, moved by the arrows in quarters of an hour, and put down by Enter', () => {
    drawn();
    fireEvent.focus(piece(/a2/));
    expect(moves.choose).toHaveBeenCalledWith('a2');
    fireEvent.keyDown(piece(/a2/), { key: 'ArrowRight' });
    expect(moves.move).toHaveBeenLastCalledWith({ activity: 'a2', start: MONDAY + 75, on: ['h1'] });
    fireEvent.keyDown(piece(/a2/), { key: 'Enter' });
    expect(moves.drop).not.toHaveBeenCalled();
    cleanup();
    drawn({ moved: { activity: 'a2', start: MONDAY + 75, on: ['h1'] } });
    fireEvent.keyDown(piece(/a2/), { key: 'Enter' });
    expect(moves.drop).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(piece(/a2/), { key: 'Escape' });
    expect(moves.move).toHaveBeenLastCalledWith(undefined);
  });

  test('never goes before now', () => {
    drawn();
    fireEvent.keyDown(piece(/a1/), { key: 'ArrowLeft' });
    expect(moves.move).toHaveBeenLastCalledWith({ activity: 'a1', start: MONDAY, on: ['h1'] });
  });
});
