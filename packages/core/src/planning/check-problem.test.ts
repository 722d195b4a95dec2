import { describe, expect, test } from '@jest/globals';
import { planFaults } from './check-plan.ts';
import { plan, Planner } from './improve.ts';
import { PlanError } from './plan-error.ts';
import { MONDAY, randomShop, shopResources } from './shop.fixtures.ts';
import { seeded } from './chance.ts';
import type { Activity, PlanJob, PlanProblem } from './types.ts';

const hands = [{ anyOf: ['hands-1'], count: 1 }];
const act = (id: string, more: Partial<Activity> = {}): Activity => ({
  id, title: id, minutes: 30, needs: hands, attended: true, after: [], pauses: true, ...more,
}); // prettier-ignore
const job = (activities: readonly Activity[], more: Partial<PlanJob> = {}): PlanJob => ({
  id: 'j', name: '301', release: MONDAY, due: null, weight: 1, activities, ...more,
}); // prettier-ignore
const base = randomShop(seeded(1), { jobs: 0 });
const problem = (jobs: readonly PlanJob[], more: Partial<PlanProblem> = {}): PlanProblem => ({
  ...base,
  jobs,
  ...more,
});
const refused = (p: PlanProblem): PlanError => {
  try {
    new Planner(p);
  } catch (e) {
    if (e instanceof PlanError) return e;
    throw e;
  }
  throw new Error('nothing was refused');
};

describe('what cannot be planned is refused with its field', () => {
  test.each<[string, PlanProblem, string, string]>([
    ['nobody and nothing', problem([], { resources: [] }), 'no-resources', 'resources'],
    [
      'a circle',
      problem([job([act('a', { after: [{ activity: 'b' }] }), act('b', { after: [{ activity: 'a' }] })])]),
      'circle',
      'jobs[0].activities',
    ],
    [
      'a stranger',
      problem([job([act('a', { after: [{ activity: 'x' }] })])]),
      'unknown-activity',
      'jobs[0].activities[0].after',
    ],
    ['no time', problem([job([act('a', { minutes: NaN })])]), 'bad-minutes', 'jobs[0].activities[0].minutes'],
    [
      'a tool that is not there',
      problem([job([act('a', { needs: [{ anyOf: ['lathe'], count: 1 }] })])]),
      'unknown-resource',
      'jobs[0].activities[0].needs',
    ],
    [
      'three hands of one',
      problem([job([act('a', { needs: [{ anyOf: ['hands-1'], count: 3 }] })])]),
      'too-many-needed',
      'jobs[0].activities[0].needs',
    ],
    [
      'longer in one go than anybody is there',
      problem([job([act('a', { minutes: 600, pauses: false })])]),
      'too-long',
      'jobs[0].activities[0].minutes',
    ],
    [
      'a window that closes before it opens',
      problem([job([act('a'), act('b', { after: [{ activity: 'a', noSoonerThan: 20, noLaterThan: 10 }] })])]),
      'empty-window',
      'jobs[0].activities[1].after',
    ],
    ['a place that is none', problem([job([act('a')], { place: 'Z' })]), 'unknown-place', 'jobs[0].place'],
    ['two of one name', problem([job([act('a'), act('a')])]), 'named-twice', 'jobs[0].activities[1].id'],
    [
      'a pin on nothing',
      problem([job([act('a')])], { pins: [{ activity: 'x', start: MONDAY }] }),
      'unknown-activity',
      'pins[0].activity',
    ],
  ])('%s', (_, p, code, field) => {
    const e = refused(p);
    expect([e.code, e.field]).toEqual([code, field]);
    expect(e.accepted).not.toBe('');
  });
});

describe('what is odd and still planned', () => {
  test('a job without a promise is never late, and a shop without jobs is empty', () => {
    expect(plan(problem([job([act('a')])]), { orders: 5 }).cost.late).toBe(0);
    expect(plan(problem([]), { orders: 5 })).toMatchObject({ slots: {}, gap: 0 });
  });
  test('a year of jobs is planned to its end', () => {
    const year = Array.from({ length: 260 }, (_, i) =>
      job([act(`${i}.a`, { minutes: 400 }), act(`${i}.b`, { minutes: 80, after: [{ activity: `${i}.a` }] })], {
        id: `j${i}`, name: String(i), due: MONDAY + i * 1440,
      }),
    ); // prettier-ignore
    const p = problem(year);
    const made = plan(p, { orders: 3 });
    expect(planFaults(p, made.slots)).toEqual([]);
    expect(made.cost.finish - MONDAY).toBeGreaterThan(300 * 1440);
  });
});

describe('pins', () => {
  const cure = [
    act('bead', { minutes: 15, pauses: false }),
    act('torque', { minutes: 10, after: [{ activity: 'bead', noSoonerThan: 15, noLaterThan: 60 }] }),
  ];
  test('hold what they hold, and the rest goes round them', () => {
    const p = problem([job([act('a', { minutes: 200 })]), job([act('b')], { id: 'k' })], {
      pins: [{ activity: 'b', start: MONDAY + 60 }],
    });
    const made = plan(p, { orders: 50 });
    expect(made.slots['b']!.start).toBe(MONDAY + 60);
    expect(planFaults(p, made.slots)).toEqual([]);
  });
  test('one that would break a cure’s window is refused with its reason', () => {
    const pinned = (activity: string, at: number): PlanProblem =>
      problem([job(cure), job([act('x', { minutes: 5 })], { id: 'k' })], { pins: [{ activity, start: MONDAY + at }] });
    expect(plan(pinned('torque', 90), { orders: 20 }).slots['bead']!.start).toBeGreaterThanOrEqual(MONDAY + 15);
    const two = problem([job(cure)], {
      pins: [
        { activity: 'bead', start: MONDAY },
        { activity: 'torque', start: MONDAY + 120 },
      ],
    });
    expect(refused(two).message).toMatch(/window/);
    expect(refused(pinned('torque', 5)).message).toContain('comes before it and is not done by then');
    expect(refused(pinned('bead', 17 * 60)).message).toContain('is not at work then');
  });
  test('no plan has one without its hands', () => {
    expect(shopResources(1).filter((r) => r.kind === 'hands')).toHaveLength(1);
    const p = problem([job([act('a')])], { pins: [{ activity: 'a', start: MONDAY + 30 }] });
    expect(planFaults(p, { a: { start: MONDAY + 31, end: MONDAY + 61, on: [] } })).toEqual([
      'a lacks one of hands-1',
      'a is not where it was pinned',
    ]);
  });
});
