import { describe, expect, test } from '@jest/globals';
import { decide, emptyBench, fold, ladderOf, rehearse, type BenchState, type JobEvent } from '../bench/index.ts';
import { libraryNames, librarySheet } from '../sheet/library.fixtures.ts';
import type { Sheet } from '../sheet/index.ts';
import { activitiesOf, unknownsOf, type JobFacts, type ShopFacts } from './activities.ts';
import { workCalendar } from './calendar.ts';
import { planFaults } from './check-plan.ts';
import { plan } from './improve.ts';
import { stepTimes } from './learning.ts';
import { deliveryDates } from './delivery-dates.ts';
import { MONDAY, shopResources, week } from './shop.fixtures.ts';
import type { PlanProblem } from './types.ts';

const sheets = libraryNames.map(librarySheet);
const hub = sheets.find((s) => s.id === 'hub-dolly')!;
const shop: ShopFacts = {
  now: MONDAY,
  hands: ['hands-1', 'hands-2'],
  press: ['press'],
  oven: ['oven'],
  tank: ['tank'],
  stands: { 'leak-tester': ['leak'], 'spin-stand': ['stand'] },
  places: ['A', 'B'],
  learned: {},
  say: (at) => `minute ${at - MONDAY}`,
};
const facts = (sheet: Sheet, state: BenchState = emptyBench('j'), more: Partial<JobFacts> = {}): JobFacts => ({
  id: 'j',
  name: '301',
  sheet,
  state,
  due: MONDAY + 4000,
  coming: [],
  ...more,
});
const problem = (job: ReturnType<typeof activitiesOf>): PlanProblem => ({
  now: MONDAY,
  resources: shopResources(2),
  calendars: [workCalendar('shop', week, 'Europe/London', MONDAY, 60)],
  places: ['A', 'B'],
  jobs: [job],
  pins: [],
});

/** A job of a sheet after so many commands of a steady pair of hands, a minute each. */
function after(sheet: Sheet, commands: number): BenchState {
  let state = emptyBench('j');
  const who = { id: 'p', name: 'P', initials: 'P' };
  const give = (command: Parameters<typeof decide>[2]['command'], i: number): void => {
    const at = new Date((MONDAY - 3000 + i) * 60_000).toISOString();
    const outcome = decide(state, sheet, { id: `c${i}`, job: 'j', who, at, device: 'd', command }, { drawers: {} });
    if (!outcome.ok) throw new Error(outcome.refusal.says);
    state = outcome.state;
  };
  give(
    {
      type: 'book',
      number: 301,
      customer: { id: 'c', name: 'C' },
      unit: { id: 'u', serial: 'S', model: 'M' },
      sheet: { id: sheet.id, revision: sheet.revision, title: sheet.title, hash: 'h' },
      complaint: 'growls',
      deliveryDate: null,
      spendLimitMinor: null,
      variant: sheet.variants[0]?.id ?? null,
      identified: [],
      earlierVisits: 0,
    },
    0,
  );
  for (let i = 1; i <= commands; i += 1) {
    const command = rehearse(sheet, state, { drawers: {} }, { impatience: 'a test' });
    if (!command) break;
    give(command, i);
  }
  return state;
}

describe('what is left of a job', () => {
  test('of every sheet of the library can be planned and worked', () => {
    expect(sheets.length).toBeGreaterThan(20);
    for (const sheet of sheets) {
      const job = activitiesOf(facts(sheet), shop);
      const p = problem(job);
      const known = new Set(p.resources.map((r) => r.id));
      const there = {
        ...p,
        jobs: [
          {
            ...job,
            activities: job.activities.map((a) => ({
              ...a,
              needs: a.needs.filter((n) => n.anyOf.every((r) => known.has(r))),
            })),
          },
        ],
      };
      expect([sheet.id, planFaults(there, plan(there, { orders: 5 }).slots)]).toEqual([sheet.id, []]);
      expect(job.activities.at(-1)!.title).toBe('Sign off and hand over');
    }
  });

  test('is about as much work as the sheet gives its steps', () => {
    const job = activitiesOf(facts(hub), shop);
    const attended = job.activities.filter((a) => a.attended).reduce((s, a) => s + a.minutes, 0) - 10;
    const sheet = ladderOf(hub, emptyBench('j')).all.reduce((s, x) => s + x.minutes, 0);
    expect(Math.abs(attended - sheet)).toBeLessThan(0.1 * sheet);
  });

  test('shrinks as the work goes on, and keeps its names while the ladder is the same', () => {
    const [before, later] = [3, 15].map((n) => activitiesOf(facts(hub, after(hub, n)), shop));
    const sum = (j: typeof before): number => j!.activities.reduce((s, a) => s + a.minutes, 0);
    expect(sum(later)).toBeLessThan(sum(before));
    const names = before!.activities.map((a) => a.id);
    expect(names).toEqual(expect.arrayContaining(later!.activities.map((a) => a.id)));
  });

  test('waits on the shelf for a part that comes on a day, and says so; the way up is another stay', () => {
    const coming = [{ title: 'Seal kit', expected: MONDAY + 2000 }];
    const { activities } = activitiesOf(facts(hub, after(hub, 30), { coming }), shop);
    const waits = activities.findIndex((a) => a.notBefore !== undefined);
    expect([activities[waits]!.notBefore, activities[waits]!.notBeforeWhy]).toEqual([
      MONDAY + 2000,
      'Seal kit by minute 2000',
    ]);
    if (waits > 0) expect(activities[waits]!.stay).not.toBe(activities[0]!.stay);
  });

  test('what is warm or under sealant has a window for what follows', () => {
    const all = sheets.flatMap((s) => activitiesOf(facts(s), shop).activities);
    const windows = all.filter((a) => a.after.some((l) => l.noLaterThan !== undefined));
    expect(windows.length).toBeGreaterThan(0);
    for (const a of windows) expect(a.pauses).toBe(false);
    expect(all.some((a) => a.needs.some((n) => n.anyOf[0] === 'oven') && !a.attended)).toBe(true);
  });

  test('a step takes what this shop takes for it', () => {
    const first = activitiesOf(facts(hub), shop).activities[0]!;
    const step = first.id.split(':')[1]!.replace(/\.\d+$/, '');
    const slow = { ...shop, learned: { [`hub-dolly/${step}`]: { minutes: 200, spread: 0.2, jobs: 9, outliers: 0 } } };
    const learned = activitiesOf(facts(hub), slow).activities.filter((a) => a.id.includes(step));
    expect(learned.reduce((s, a) => s + a.minutes, 0)).toBeGreaterThanOrEqual(190);
  });
});

describe('minutes from the log', () => {
  test('finished steps only; a minute an entry, and no hold or interruption counts', () => {
    const state = after(hub, 25);
    const { minutes, interruptions } = stepTimes(hub, state);
    expect(interruptions).toBe(0);
    const sum = Object.values(minutes).reduce((s, m) => s + m, 0);
    expect(sum).toBeGreaterThan(0);
    expect(sum).toBeLessThanOrEqual(25);
    // The telephone rang for two hours in the middle.
    const events: JobEvent[] = [];
    for (let h = state.history; h; h = h.before) events.unshift(h.event);
    const late = events.map((e, i) =>
      i < 12 ? e : { ...e, at: new Date(Date.parse(e.at) + 120 * 60_000).toISOString() },
    );
    const rang = stepTimes(hub, fold('j', late));
    expect(rang.interruptions).toBe(1);
    expect(Object.values(rang.minutes).reduce((s, m) => s + m, 0)).toBeLessThanOrEqual(sum);
  });
});

describe('a promise', () => {
  const job = activitiesOf(facts(hub, emptyBench('j'), { id: 'new' }), shop);
  const empty: PlanProblem = { ...problem(job), jobs: [] };
  const none = Object.fromEntries(job.activities.map((a) => [a.id, 0]));
  test('of an unopened unit it is the way up that may wait for a part', () => {
    const waits = job.activities.find((a) => a.id === unknownsOf(job)!.waits)!;
    const before = job.activities.slice(0, job.activities.indexOf(waits));
    expect(before.length).toBeGreaterThan(0);
    expect(before.some((a) => a.id.includes(':build'))).toBe(false);
    expect(unknownsOf({ ...job, activities: before })).toBeUndefined();
  });
  test('with nothing unknown, all shares name the one day on which the plan ends', () => {
    const { at, drivers } = deliveryDates(empty, job, none, undefined, { runs: 20 });
    const end = Math.max(...Object.values(plan({ ...empty, jobs: [job] }, { orders: 300 }).slots).map((s) => s.end));
    for (const { date } of at) {
      expect(date).toBeGreaterThanOrEqual(end);
      expect(date - end).toBeLessThanOrEqual(30);
    }
    expect(drivers).toEqual([]);
  });
  test('the same seed, the same dates; more doubt, a later sure date; findings named as what drives it', () => {
    const doubt = Object.fromEntries(job.activities.map((a) => [a.id, 0.4]));
    const ask = (s: Record<string, number>, buys: number): ReturnType<typeof deliveryDates> =>
      deliveryDates(
        empty,
        job,
        s,
        { buys, leadMinutes: 2880, waits: job.activities.find((a) => a.id.includes('build'))!.id },
        { runs: 120, seed: 3 },
      );
    expect(ask(doubt, 0.4)).toEqual(ask(doubt, 0.4));
    expect(ask(doubt, 0.4).at[2]!.date).toBeGreaterThan(ask(none, 0).at[2]!.date);
    expect(ask(doubt, 0.4).drivers[0]!.what).toBe('findings');
    const [half, most, sure] = ask(doubt, 0.4).at;
    expect(half!.date).toBeLessThanOrEqual(most!.date);
    expect(most!.date).toBeLessThanOrEqual(sure!.date);
  });
});
