import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { beamFor, type Beam } from './beam.ts';
import { Built } from './built.ts';
import { seeded } from './chance.ts';
import { compile } from './compiled.ts';
import { MONDAY, randomShop, shopResources } from './shop.fixtures.ts';
import type { PlanProblem } from './types.ts';
import { byPromise } from './whole-jobs.ts';

const pace = { busy: 0.9, lag: 300 };
const seeds = fc.integer({ min: 1, max: 1e9 });
const draw = (seed: number): Beam =>
  beamFor(compile(randomShop(seeded(seed), { jobs: 7, each: 6, hands: 1 + (seed % 3) })));

describe('plans built side by side', () => {
  test('every search comes to a whole plan that can be built, and to the same one again', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 12 }), (seed, width) => {
        const beam = draw(seed);
        const { c } = beam;
        const order = beam.search(byPromise(c), { pace, width });
        expect([...order!].sort((a, b) => a - b)).toEqual(c.activities.map((_, a) => a));
        const out = new Built(c);
        beam.builder.build(order!, out);
        expect([out.broken, Number.isFinite(out.cost.total)]).toEqual(['', true]);
        // What was kept of the first search must not show in the second.
        expect(beam.search(byPromise(c), { pace, width })).toEqual(order);
      }),
      { numRuns: 40 },
    );
  });

  test('is the plan of its order: with one plan alone each piece stands where it was put', () => {
    const beam = draw(12);
    const { c } = beam;
    const ends: number[] = [];
    const out = new Built(c);
    beam.builder.build(beam.search(byPromise(c), { pace, width: 1 })!, out);
    // Of one plan alone no piece begins more than a quarter of an hour before one that was put down earlier.
    for (const a of beam.search(byPromise(c), { pace, width: 1 })!) {
      if (c.tied[a]! >= 0 || c.headOf[a] !== a) continue;
      for (const start of ends) expect(out.start[a]!).toBeGreaterThanOrEqual(start - 15);
      ends.push(out.start[a]!);
    }
    expect(ends.length).toBeGreaterThan(20);
  });

  test('goes on from the first pieces of a plan, which stay where they are', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0, max: 1, noNaN: true }), (seed, share) => {
        const beam = draw(seed);
        const { c } = beam;
        const order = beam.search(byPromise(c), { pace, width: 3 })!;
        const [was, now] = [new Built(c), new Built(c)];
        beam.builder.build(order, was);
        const after = order.slice(0, Math.floor(share * order.length));
        const other = beam.search(byPromise(c).reverse(), { pace, width: 3, after })!;
        beam.builder.build(other, now);
        expect(other.slice(0, after.length)).toEqual(after);
        for (const a of after) expect(now.start[a]).toBe(was.start[a]);
      }),
      { numRuns: 30 },
    );
  });

  test('more plans side by side leave less late, all in all', () => {
    // Twenty jobs of eight, promised every ten hours: more than two pairs of hands can do.
    const sums = [1, 8].map((width) => {
      let sum = 0;
      for (let seed = 1; seed <= 10; seed += 1) {
        const made = randomShop(seeded(seed), { jobs: 20, each: 8, hands: 2 });
        const c = compile({
          ...made,
          jobs: made.jobs.map((job, i) => ({
            ...job,
            due: MONDAY + (i + 4) * 600,
            activities: job.activities.map((a) => ({ ...a, ...(a.notBefore ? { notBefore: MONDAY + i * 600 } : {}) })),
          })),
        });
        const beam = beamFor(c);
        const out = new Built(c);
        beam.builder.build(beam.search(byPromise(c), { pace, width })!, out);
        sum += out.cost.total;
      }
      return sum;
    });
    expect(sums[1]).toBeLessThan(0.9 * sums[0]!);
  });

  test('jobs are ranked again in its middle: from then on units come to the bench by the new ranks', () => {
    // One place, one pair of hands, jobs of sixty pieces: the third and the fourth are begun after it was asked.
    const problem: PlanProblem = {
      ...randomShop(seeded(1), { jobs: 0 }),
      resources: shopResources(1),
      places: ['A'],
      jobs: ['a', 'b', 'c', 'd'].map((id) => ({
        id,
        name: id,
        release: MONDAY,
        due: null,
        weight: 1,
        activities: Array.from({ length: 60 }, (_, k) => ({
          id: `${id}${k}`,
          title: id,
          minutes: 5,
          attended: true,
          needs: [{ anyOf: ['hands-1'], count: 1 }],
          stay: 's',
          after: k === 0 ? [] : [{ activity: `${id}${k - 1}` }],
        })),
      })),
    };
    const beam = beamFor(compile(problem));
    const left: number[][] = [];
    const order = beam.search([0, 1, 2, 3], {
      pace,
      width: 2,
      rankAgain: (_, now) => {
        left.push(Array.from(now.left));
        return [3, 0, 1, 2];
      },
    })!;
    // A hundred pieces are down when it is asked for the first time: all of the first job, two thirds of the second.
    expect(left[0]).toEqual([-1, 20 * 5, 60 * 5, 60 * 5]);
    const jobs = Array.from(order, (a) => beam.c.jobOf[a]!);
    expect(jobs.filter((j, i) => j !== jobs[i - 1])).toEqual([0, 1, 3, 2]);
  });

  test('a unit that waits for its part is not waited for while another could come to the bench', () => {
    const shop = randomShop(seeded(1), { jobs: 0 });
    const job = (id: string, notBefore?: number): PlanProblem['jobs'][number] => ({
      id,
      name: id,
      release: MONDAY,
      due: MONDAY + 3000,
      weight: 1,
      activities: [
        {
          id,
          title: id,
          minutes: 60,
          attended: true,
          needs: [{ anyOf: ['hands-1'], count: 1 }],
          stay: 's',
          after: [],
          ...(notBefore !== undefined && { notBefore }),
        },
      ],
    });
    const c = compile({
      ...shop,
      resources: shopResources(1),
      jobs: [job('waits', MONDAY + 1440), job('here'), job('here too')],
    });
    const beam = beamFor(c);
    const out = new Built(c);
    beam.builder.build(beam.search([0, 1, 2], { pace, width: 1 })!, out);
    expect(Array.from(out.start)).toEqual([MONDAY + 1440, MONDAY, MONDAY + 60]);
  });

  test('ends without a plan when it is told to', () => {
    const beam = draw(3);
    let asked = 0;
    expect(beam.search(byPromise(beam.c), { pace, width: 2, goOn: () => (asked += 1) < 5 })).toBeUndefined();
    expect(asked).toBe(5);
  });
});

test('an order of pieces is given up in its middle only when it costs more than was allowed', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const random = seeded(seed);
      const { c, builder } = draw(seed);
      const key = c.activities.map(() => random());
      const order = Int32Array.from(key.keys()).sort((x, y) => key[x]! - key[y]!);
      const out = new Built(c);
      builder.build(order, out);
      const { total, late } = out.cost;
      builder.build(order, out, total);
      expect(out.cost.total).toBe(total);
      if (total === Infinity || late <= 1) return;
      builder.build(order, out, late / 2);
      expect(out.cost.total).toBe(Infinity);
    }),
    { numRuns: 40 },
  );
});
