import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { jackson } from './bound.ts';
import { seeded } from './chance.ts';
import { planFaults } from './check-plan.ts';
import { plan, Planner } from './improve.ts';
import { jobShop } from './job-shop.fixtures.ts';
import { MONDAY, randomShop } from './shop.fixtures.ts';
import type { PlanProblem } from './types.ts';

const shopOf = (seed: number, size?: Parameters<typeof randomShop>[1]): PlanProblem => randomShop(seeded(seed), size);

describe('a plan of any shop', () => {
  test('can be worked: no hands out of hours, nothing taken twice, windows kept, places kept', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 1, max: 3 }), (seed, hands) => {
        const shop = shopOf(seed, { jobs: 7, each: 6, hands });
        const made = plan(shop, { orders: 60 }, seed);
        expect(planFaults(shop, made.slots)).toEqual([]);
        expect(made.cost.total).toBeGreaterThanOrEqual(made.lowerBound - 1e-6);
      }),
      { numRuns: 15 },
    );
  });

  test('is the same for the same seed, and never worse for more orders', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const shop = shopOf(seed);
        const [a, b] = [plan(shop, { orders: 80 }, seed), plan(shop, { orders: 80 }, seed)];
        expect(a).toEqual(b);
        const planner = new Planner(shop, seed);
        const first = planner.plan().cost.total;
        planner.improve({ orders: 200 });
        expect(planner.plan().cost.total).toBeLessThanOrEqual(first);
      }),
      { numRuns: 4 },
    );
  });

  test('no person does two attended things at once', () => {
    const shop = shopOf(77, { jobs: 10, each: 8 });
    const { slots } = plan(shop, { orders: 300 });
    for (const hands of ['hands-1', 'hands-2']) {
      const mine = Object.values(slots)
        .filter((s) => s.on.includes(hands))
        .sort((a, b) => a.start - b.start);
      expect(mine.length).toBeGreaterThan(5);
      for (let i = 1; i < mine.length; i += 1) expect(mine[i]!.start).toBeGreaterThanOrEqual(mine[i - 1]!.end);
    }
  });
});

describe('five hundred shops by chance', () => {
  test('never an impossible plan', () => {
    const bad: unknown[] = [];
    for (let seed = 1; seed <= 500; seed += 1) {
      const random = seeded(seed * 7919);
      const shop = randomShop(random, {
        jobs: 1 + Math.floor(random() * 9),
        each: 1 + Math.floor(random() * 8),
        hands: 1 + Math.floor(random() * 3),
      });
      const faults = planFaults(shop, plan(shop, { orders: 6 }, seed).slots);
      if (faults.length > 0) bad.push({ seed, faults });
    }
    expect(bad).toEqual([]);
  });
});

describe('a search', () => {
  test('can be stopped at any time, with the best so far', () => {
    const planner = new Planner(shopOf(5, { jobs: 10, each: 8 }));
    let asked = 0;
    planner.improve({ seconds: 60 }, () => (asked += 1) > 3);
    expect(planFaults(shopOf(5, { jobs: 10, each: 8 }), planner.plan().slots)).toEqual([]);
  });
  test('ends at once when nothing can be better', () => {
    const one = shopOf(3, { jobs: 1, each: 1 });
    const shop = {
      ...one,
      jobs: one.jobs.map((j) => ({ ...j, due: MONDAY + 100_000 })),
      goal: { late: 1, idle: 0, moved: 0, finish: 0 },
    };
    const made = plan(shop, { seconds: 30 });
    expect([made.gap, made.cost.late]).toEqual([0, 0]);
  });
});

describe('bounds', () => {
  test('one machine: Jackson’s schedule, by hand', () => {
    // Head, work, tail: two jobs that meet; the one of the longer tail goes first.
    expect(
      jackson([
        { head: 0, work: 4, tail: 1 },
        { head: 1, work: 2, tail: 7 },
      ]),
    ).toBe(10);
    expect(jackson([{ head: 0, work: 5, tail: 0 }])).toBe(5);
    expect(jackson([])).toBe(0);
  });
  test('a gap of nothing is a proof: two jobs on one machine', () => {
    const made = plan(
      jobShop([
        [0, 3],
        [0, 4],
      ]),
      { orders: 10 },
    );
    expect([made.cost.finish, made.lowerBound, made.gap]).toEqual([7, 7, 0]);
  });
});
