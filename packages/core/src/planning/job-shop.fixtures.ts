import { MAKESPAN, type PlanProblem } from './types.ts';

/** A job-shop instance as a problem: each row machine, minutes, machine, minutes, ... */
export function jobShop(rows: readonly (readonly number[])[]): PlanProblem {
  const machines = Math.max(...rows.flatMap((r) => r.filter((_, i) => i % 2 === 0))) + 1;
  return {
    now: 0,
    resources: Array.from({ length: machines }, (_, m) => ({
      id: `m${m}`,
      title: `Machine ${m}`,
      kind: 'machine' as const,
      capacity: 1,
    })),
    calendars: [],
    places: [],
    pins: [],
    goal: MAKESPAN,
    jobs: rows.map((row, j) => ({
      id: `j${j}`,
      name: String(j),
      release: 0,
      due: null,
      weight: 1,
      activities: Array.from({ length: row.length / 2 }, (_, k) => ({
        id: `j${j}.${k}`,
        title: `${j}.${k}`,
        minutes: row[2 * k + 1]!,
        attended: true,
        needs: [{ anyOf: [`m${row[2 * k]}`], count: 1 }],
        after: k === 0 ? [] : [{ activity: `j${j}.${k - 1}` }],
      })),
    })),
  };
}
