import { describe, expect, test } from '@jest/globals';
import { beamFor } from './beam.ts';
import { Built } from './built.ts';
import { seeded } from './chance.ts';
import { planFaults } from './check-plan.ts';
import { compile } from './compiled.ts';
import { Planner } from './improve.ts';
import { MONDAY, randomShop } from './shop.fixtures.ts';
import type { PlanProblem } from './types.ts';
import { byPromise, usualPace, WholeJobs } from './whole-jobs.ts';

/** Twenty jobs of eight, promised one after the other at the pace at which two pairs of hands can do them. */
const steady = (seed: number): PlanProblem => {
  const made = randomShop(seeded(seed), { jobs: 20, each: 8, hands: 2 });
  return {
    ...made,
    jobs: made.jobs.map((job, i) => ({
      ...job,
      due: MONDAY + (i + 4) * 720,
      activities: job.activities.map((a) => ({ ...a, ...(a.notBefore ? { notBefore: MONDAY + i * 600 } : {}) })),
    })),
  };
};

describe('orders of whole jobs', () => {
  test('by deliveryDate: the earliest first, those without one last, as booked where they are alike', () => {
    const shop = randomShop(seeded(1), { jobs: 5, each: 2 });
    const due = [900, null, 300, 900, 100];
    const c = compile({ ...shop, jobs: shop.jobs.map((j, i) => ({ ...j, due: due[i]! })) });
    expect([...byPromise(c)]).toEqual([4, 2, 0, 3, 1]);
  });

  test('much of what is late by the usual rules is in time once they are looked for', () => {
    let [before, after] = [0, 0];
    for (const seed of [2, 4, 7]) {
      const shop = steady(seed);
      const planner = new Planner(shop);
      before += planner.plan().cost.late;
      planner.improve({ orders: 400 });
      const made = planner.plan();
      expect(planFaults(shop, made.slots)).toEqual([]);
      after += made.cost.late;
    }
    expect(before).toBeGreaterThan(0);
    expect(after).toBeLessThan(0.3 * before);
  });

  test('what is cut short is begun again; the next search is a wider one', () => {
    const c = compile(steady(2));
    const jobs = new WholeJobs(c, beamFor(c), seeded(1));
    const looked = (stopAt: number): number => {
      let sum = 0;
      jobs.search((k) => (sum += k) < stopAt);
      return sum;
    };
    const whole = looked(Infinity);
    expect(looked(50)).toBeLessThan(whole);
    // Ten plans side by side, of which the cut one was begun again.
    expect(looked(Infinity)).toBeGreaterThan(3 * whole);
  });

  test('a plan is gone on from: its first pieces stay in what is searched for next', () => {
    const c = compile({ ...steady(3), inForce: {} });
    const beam = beamFor(c);
    const jobs = new WholeJobs(c, beam, seeded(5));
    const out = new Built(c);
    const order = beam.search(byPromise(c), { pace: { busy: 0.9, lag: 500 }, width: 2 })!;
    beam.builder.build(order, out);
    jobs.goOnFrom(order, out);
    const kept = Array.from({ length: 6 }, () => {
      const next = jobs.search(() => true)!;
      return next.findIndex((a, i) => a !== order[i]);
    });
    expect(Math.max(...kept)).toBeGreaterThan(c.activities.length / 4);
  });

  test('of a shop of which nothing is known half of what stands at the bench is thought to be done', () => {
    const c = compile(steady(4));
    const { guide } = beamFor(c).half;
    // Five places, twenty jobs: two jobs and a half on average.
    expect(usualPace(c, guide)).toEqual({ busy: 1, lag: (2.5 * guide.total) / 20 });
  });

  test('the pace is learned from the plans that are found: hands are nearly always at work', () => {
    const c = compile(steady(5));
    const beam = beamFor(c);
    const jobs = new WholeJobs(c, beam, seeded(1));
    const out = new Built(c);
    const paces: unknown[] = [];
    const search = beam.search.bind(beam);
    beam.search = (ranked, options) => {
      paces.push(options.pace);
      return search(ranked, options);
    };
    for (let k = 0; k < 5; k += 1) {
      const order = jobs.search(() => true)!;
      beam.builder.build(order, out);
      jobs.goOnFrom(order, out);
    }
    // The first ones hope for the same; what comes after follows what was seen.
    expect(paces[1]).toEqual(paces[0]);
    const { busy, lag } = paces.at(-1) as { busy: number; lag: number };
    expect(paces.slice(0, -1)).not.toContainEqual({ busy, lag });
    expect(busy).toBeGreaterThan(0.85);
    expect(busy).toBeLessThanOrEqual(1);
    expect(lag).toBeGreaterThan(0);
    expect(lag).toBeLessThan(usualPace(c, beam.half.guide).lag * 1.5);
  });
});
