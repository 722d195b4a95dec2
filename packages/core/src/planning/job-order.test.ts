import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compile } from './compiled.ts';
import { Guide, type Progress } from './guide.ts';
import { bestOrder, betterOrder } from './job-order.ts';
import { MONDAY, randomShop, shopResources, week } from './shop.fixtures.ts';
import { workCalendar } from './calendar.ts';
import type { PlanProblem } from './types.ts';
import { seeded } from './chance.ts';

const FULL = { busy: 1, lag: 0 };

/** One pair of hands that are always at work, and jobs of one piece. */
const oneMachine = (
  jobs: readonly { readonly minutes: number; readonly due: number; readonly weight?: number }[],
): PlanProblem => ({
  now: 0,
  resources: [{ id: 'h', title: 'h', kind: 'hands', capacity: 1 }],
  calendars: [],
  places: [],
  pins: [],
  jobs: jobs.map(({ minutes, due, weight = 1 }, j) => ({
    id: `j${j}`,
    name: `${j}`,
    release: 0,
    due,
    weight,
    activities: [
      { id: `${j}`, title: `${j}`, minutes, attended: true, needs: [{ anyOf: ['h'], count: 1 }], after: [] },
    ],
  })),
});
const begin = (guide: Guide): Progress => ({
  gone: 0,
  left: guide.jobWork,
  jobEnd: new Float64Array(guide.jobWork.length).fill(-Infinity),
});
const orderOf = (problem: PlanProblem): ReturnType<typeof bestOrder> => {
  const guide = new Guide(compile(problem));
  return bestOrder(guide, [...problem.jobs.keys()], begin(guide), FULL);
};

describe('one machine', () => {
  // Smith 1956: where everything is late from the start, the shortest against its weight goes first.
  test('all late: shortest against the weight first, and its weighted sum', () => {
    const { ranked, late } = orderOf(
      oneMachine([
        { minutes: 60, due: 0 },
        { minutes: 20, due: 0 },
        { minutes: 90, due: 0, weight: 6 },
        { minutes: 40, due: 0, weight: 2 },
      ]),
    );
    // 90/6 = 15, then 20 and 20 (a tie), then 60: ends 90, 110, 150, 210.
    expect([ranked[0], ranked[3]]).toEqual([2, 0]);
    expect(late).toBe(6 * 90 + Math.min(110 + 2 * 150, 2 * 130 + 150) + 210);
  });

  // Jackson 1955: where all can be in time at all, the earliest promise first is in time.
  test('what can be in time is', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 2, maxLength: 8 }), (tens) => {
        let end = 0;
        const jobs = tens.map((t) => ({ minutes: 10 * t, due: (end += 10 * t) }));
        const { late } = orderOf(oneMachine([...jobs].reverse()));
        expect(late).toBe(0);
      }),
      { numRuns: 50 },
    );
  });

  test('no other order is better, where all orders can be looked at', () => {
    const all = (of: readonly number[]): number[][] =>
      of.length < 2 ? [[...of]] : of.flatMap((x) => all(of.filter((y) => y !== x)).map((rest) => [x, ...rest]));
    let exact = 0;
    for (let seed = 1; seed <= 20; seed += 1) {
      const random = seeded(seed);
      const problem = oneMachine(
        Array.from({ length: 6 }, () => ({
          minutes: 10 * (1 + Math.floor(random() * 12)),
          due: 10 * Math.floor(random() * 40),
          weight: 1 + Math.floor(random() * 3),
        })),
      );
      const guide = new Guide(compile(problem));
      const least = Math.min(...all([0, 1, 2, 3, 4, 5]).map((o) => guide.late(o, 6, begin(guide), FULL)));
      const { late } = orderOf(problem);
      expect(late).toBeGreaterThanOrEqual(least);
      if (late === least) exact += 1;
    }
    // Moving one job at a time may stop short of the best; it seldom does.
    expect(exact).toBeGreaterThanOrEqual(16);
  });

  test('by chance it gets better, never worse, and stops when it is told to', () => {
    let better = 0;
    for (let seed = 1; seed <= 10; seed += 1) {
      const random = seeded(seed);
      const problem = oneMachine(
        Array.from({ length: 25 }, () => ({
          minutes: 10 * (1 + Math.floor(random() * 12)),
          due: 10 * Math.floor(random() * 160),
          weight: 1 + Math.floor(random() * 3),
        })),
      );
      const guide = new Guide(compile(problem));
      const first = bestOrder(guide, [...problem.jobs.keys()], begin(guide), FULL);
      const go = (goOn: () => boolean): ReturnType<typeof betterOrder> =>
        betterOrder(guide, first, begin(guide), FULL, { times: 30, random: seeded(seed), goOn });
      const found = go(() => true);
      // What it says it comes to is what its order comes to.
      expect(guide.late(found.ranked, 25, begin(guide), FULL)).toBeCloseTo(found.late, 6);
      expect([...found.ranked].sort((a, b) => a - b)).toEqual([...problem.jobs.keys()]);
      expect(found.late).toBeLessThanOrEqual(first.late);
      if (found.late < first.late) better += 1;
      expect(go(() => false)).toBe(first);
    }
    expect(better).toBeGreaterThanOrEqual(5);
  });

  test('a unit whose part is still to come goes after one that can be done, where both would be in time', () => {
    const problem = oneMachine([
      { minutes: 100, due: 5000 },
      { minutes: 100, due: 5000 },
    ]);
    const waits = {
      ...problem,
      jobs: problem.jobs.map((j, i) =>
        i === 0 ? { ...j, activities: j.activities.map((a) => ({ ...a, notBefore: 1000 })) } : j,
      ),
    };
    expect([...orderOf(waits).ranked]).toEqual([1, 0]);
  });

  test('is left where it is by jobs that are done', () => {
    const problem = oneMachine([
      { minutes: 100, due: 10 },
      { minutes: 10, due: 10 },
    ]);
    const guide = new Guide(compile(problem));
    const done = { gone: 100, left: Float64Array.of(-1, 10), jobEnd: Float64Array.of(100, -Infinity) };
    expect(bestOrder(guide, [0, 1], done, FULL)).toEqual({ ranked: Int32Array.of(0, 1), late: 90 + 100 });
  });
});

describe('the clock of hand minutes', () => {
  test('runs while hands are at work: by both pairs, over the night and the weekend', () => {
    const calendar = workCalendar('shop', week, 'Europe/London', MONDAY, 30);
    const problem: PlanProblem = {
      ...oneMachine([
        { minutes: 60, due: MONDAY },
        { minutes: 60, due: MONDAY },
      ]),
      now: MONDAY,
      resources: shopResources(2).filter((r) => r.kind === 'hands'),
      calendars: [calendar],
    };
    const both = { anyOf: ['hands-1', 'hands-2'], count: 1 };
    const guide = new Guide(
      compile({
        ...problem,
        jobs: problem.jobs.map((j) => ({
          ...j,
          release: MONDAY,
          // Eight pieces of an hour, and twenty-six: more hands than one can be at each job.
          activities: j.activities.flatMap((a) =>
            Array.from({ length: j.id === 'j0' ? 8 : 26 }, (_, k) => ({ ...a, id: `${a.id}.${k}`, needs: [both] })),
          ),
        })),
      }),
    );
    const late = guide.late([0, 1], 2, begin(guide), FULL);
    // 8 hand hours by two: Monday 12:00, 4 h late. 34 by two: 17 h of 8.5 a day, so Tuesday 17:00, 33 h late.
    expect(late / 60).toBeCloseTo(4 + 33, 1);
    expect(guide.handMinutesOfAll(MONDAY + 24 * 60)).toBe(2 * 8.5 * 60);
  });

  test('never tells of an end before a part can be there', () => {
    const problem = oneMachine([{ minutes: 10, due: 0 }]);
    const waits = {
      ...problem,
      jobs: problem.jobs.map((j) => ({ ...j, activities: j.activities.map((a) => ({ ...a, notBefore: 500 })) })),
    };
    const guide = new Guide(compile(waits));
    // Ten minutes of work are thought to be done at 10, and cannot be before 510: for so long the unit holds its place.
    expect(guide.late([0], 1, begin(guide), FULL)).toBe(510 + 0.3 * 500);
  });

  test('a slower pace and a longer lag make later', () => {
    const guide = new Guide(compile(randomShop(seeded(2))));
    const ranked = [...guide.jobWork.keys()];
    const [full, slow, lag] = [FULL, { busy: 0.5, lag: 0 }, { busy: 1, lag: 600 }].map((pace) =>
      guide.late(ranked, ranked.length, begin(guide), pace),
    );
    expect(slow).toBeGreaterThan(full!);
    expect(lag).toBeGreaterThan(full!);
  });
});
