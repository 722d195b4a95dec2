import { describe, expect, test } from '@jest/globals';
import loadHighs from 'highs';
import { seeded } from './chance.ts';
import { planFaults } from './check-plan.ts';
import { plan } from './improve.ts';
import type { PlanProblem } from './types.ts';

/** A small shop: two pairs of hands that each own their work, one press, waits between, promises and weights. */
function small(seed: number): PlanProblem {
  const random = seeded(seed);
  const int = (n: number): number => Math.floor(random() * n);
  return {
    now: 0,
    resources: ['a', 'b', 'press'].map((id) => ({ id, title: id, kind: 'machine' as const, capacity: 1 })),
    calendars: [],
    places: [],
    pins: [],
    goal: { late: 1, idle: 0, moved: 0, finish: 0 },
    jobs: Array.from({ length: 4 }, (_, j) => ({
      id: `j${j}`,
      name: String(j),
      release: int(10),
      due: 10 + int(30),
      weight: 1 + int(3),
      activities: Array.from({ length: 2 + int(2) }, (__, k) => ({
        id: `${j}.${k}`,
        title: `${j}.${k}`,
        minutes: 1 + int(12),
        attended: true,
        needs: [{ anyOf: [['a', 'b', 'press'][int(3)]!], count: 1 }],
        after: k === 0 ? [] : [{ activity: `${j}.${k - 1}`, ...(int(3) === 0 ? { noSoonerThan: 1 + int(8) } : {}) }],
      })),
    })),
  };
}

/** The same as a mixed integer programme in the LP format: an order for each pair on one machine. */
function programme(p: PlanProblem): string {
  const big = 400;
  const all = p.jobs.flatMap((job) => job.activities.map((a) => ({ a, job, name: `s_${a.id.replace('.', '_')}` })));
  const of = new Map(all.map((x) => [x.a.id, x]));
  const rows: string[] = [];
  const bins: string[] = [];
  for (const { a, job, name } of all) {
    rows.push(`${name} >= ${job.release}`);
    for (const l of a.after) {
      const before = of.get(l.activity)!;
      rows.push(`${name} - ${before.name} >= ${before.a.minutes + (l.noSoonerThan ?? 0)}`);
    }
  }
  for (const job of p.jobs)
    for (const a of job.activities) rows.push(`t_${job.id} - ${of.get(a.id)!.name} >= ${a.minutes - job.due!}`);
  all.forEach((x, i) =>
    all.slice(i + 1).forEach((y) => {
      if (x.a.needs[0]!.anyOf[0] !== y.a.needs[0]!.anyOf[0]) return;
      const b = `b_${x.name}_${y.name}`;
      bins.push(b);
      rows.push(`${y.name} - ${x.name} - ${big} ${b} >= ${x.a.minutes - big}`);
      rows.push(`${x.name} - ${y.name} + ${big} ${b} >= ${y.a.minutes}`);
    }),
  );
  return [
    'Minimize',
    ` obj: ${p.jobs.map((j) => `${j.weight} t_${j.id}`).join(' + ')}`,
    'Subject To',
    ...rows.map((r, i) => ` c${i}: ${r}`),
    'Binary',
    ` ${bins.join(' ')}`,
    'End',
  ].join('\n');
}

describe('against a mixed integer solver', () => {
  test('small shops: the same weighted lateness, exactly', async () => {
    const highs = await loadHighs();
    for (let seed = 1; seed <= 12; seed += 1) {
      const p = small(seed);
      const best = highs.solve(programme(p));
      expect(best.Status).toBe('Optimal');
      const made = plan(p, { orders: 6000 }, seed);
      expect(planFaults(p, made.slots)).toEqual([]);
      expect({ seed, late: made.cost.late }).toEqual({ seed, late: Math.round(best.ObjectiveValue) });
      expect(made.lowerBound).toBeLessThanOrEqual(best.ObjectiveValue + 1e-6);
    }
  }, 120_000);
});
