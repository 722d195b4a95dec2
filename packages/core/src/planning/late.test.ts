import { describe, expect, test } from '@jest/globals';
import { workCalendar } from './calendar.ts';
import { planFaults } from './check-plan.ts';
import { plan, Planner } from './improve.ts';
import { randomShop, MONDAY } from './shop.fixtures.ts';
import { seeded } from './chance.ts';
import { HELPER, spendMinor, suggestionsFor, type Suggestion } from './suggestions.ts';
import type { Activity, PlanProblem, WaitKind } from './types.ts';
import { lateJobs, readyAt, type Say } from './why-late.ts';

const say: Say = (at) => `minute ${at - MONDAY}`;
const day = [['08:00', '12:00'], ['12:30', '17:00']] as const; // prettier-ignore
const shop = workCalendar('shop', [day, day, day, day, day, [], []], 'Europe/London', MONDAY, 30);
const work = (id: string, minutes: number, more: Partial<Activity> = {}): Activity => ({
  id,
  title: id,
  minutes,
  attended: true,
  pauses: true,
  needs: [{ anyOf: ['hands'], count: 1 }],
  after: [],
  ...more,
});
/** One pair of hands, and jobs by their work and promise, minutes from Monday at eight. */
const problem = (
  ...jobs: readonly (readonly [name: string, due: number, work: readonly Activity[]])[]
): PlanProblem => ({
  now: MONDAY,
  resources: [{ id: 'hands', title: 'Ailsa', kind: 'hands', capacity: 1, calendar: 'shop' }],
  calendars: [shop],
  places: [],
  pins: [],
  jobs: jobs.map(([name, due, activities]) => ({
    id: `job-${name}`,
    name,
    release: MONDAY,
    due: MONDAY + due,
    weight: 1,
    activities,
  })),
});
const suggested = (p: PlanProblem): readonly Suggestion[] => {
  const made = plan(p, { orders: 60 });
  return suggestionsFor(p, made, lateJobs(p, made, say)[0]!, say);
};

describe('why a job is late', () => {
  test.each<[WaitKind]>([['part'], ['order'], ['answer'], ['hold']])('a wait for a %s is told by its kind', (kind) => {
    const p = problem(['1', 100, [work('a', 60, { notBefore: MONDAY + 240, notBeforeWhy: 'it', notBeforeIs: kind })]]);
    const [late] = lateJobs(p, plan(p, { orders: 20 }), say);
    expect(late!.chain.at(-1)!.about).toEqual({ kind, until: MONDAY + 240 });
    expect(late!.chain.at(-1)!.says).toBe('it');
  });
  test('hands that are with another, until when', () => {
    const p = problem(['1', 100, [work('a', 100)]], ['2', 120, [work('b', 100)]]);
    const [late] = lateJobs(p, plan(p, { orders: 60 }), say);
    expect([late!.name, late!.chain[0]!.says]).toEqual(['2', 'Ailsa is with 1 until minute 100']);
  });
  test('its own work, when nothing else holds it up', () => {
    const p = problem(['1', 100, [work('a', 240)]]);
    expect(lateJobs(p, plan(p, { orders: 20 }), say)[0]!.chain[0]!.says).toBe('its own work takes 4 h from now');
  });
});

describe('what would save it', () => {
  test('a helper: so many hours to be agreed on, and the plan uses them', () => {
    // Two jobs of four hours, both promised by noon.
    const p = problem(['1', 240, [work('a', 240)]], ['2', 245, [work('b', 240)]]);
    const helper = suggested(p).find((s) => s.id === 'helper')!;
    expect([helper.keeps, helper.costs]).toEqual([true, []]);
    expect(helper.agree).toEqual({ kind: 'hours', from: MONDAY, to: MONDAY + 240, helper: true });
    expect(Object.values(helper.plan.slots).some((s) => s.on.includes(HELPER))).toBe(true);
  });
  test('an hour longer: after closing of the day on which it is promised', () => {
    // Nine hours of work on a day of eight and a half, promised for six in the evening.
    const p = problem(['1', 600, [work('a', 540)]]);
    const longer = suggested(p).find((s) => s.id === 'overtime')!;
    expect([longer.keeps, longer.agree]).toEqual([
      true,
      { kind: 'hours', from: MONDAY + 540, to: MONDAY + 600, helper: false },
    ]);
  });
  test('another before it: an order that can be taken as it is, and what it costs the other', () => {
    const p = problem(['1', 100, [work('a', 100)]], ['2', 120, [work('b', 100)]]);
    const first = suggested(p).find((s) => s.agree.kind === 'order')!;
    expect(first.costs).toEqual(['1']);
    expect(planFaults(p, first.plan.slots)).toEqual([]);
  });
  test.each<[WaitKind, 'part' | 'job', string]>([
    ['order', 'part', 'by courier'],
    ['hold', 'job', 'Off hold'],
    ['answer', 'job', 'The yes'],
  ])('what waits for a %s: whoever is asked is said', (kind, agree, words) => {
    const later = MONDAY + 3 * 1440;
    const p = problem(['1', 2 * 1440, [work('a', 60, { notBefore: later, notBeforeWhy: 'it', notBeforeIs: kind })]]);
    const sooner = suggested(p).find((s) => s.id.startsWith(kind))!;
    expect([sooner.agree.kind, sooner.keeps]).toEqual([agree, true]);
    expect(sooner.title).toContain(words);
  });
  test('another day, offered last: the half hour after it is ready', () => {
    const p = problem(['1', 100, [work('a', 95)]], ['2', 120, [work('b', 100)]]);
    const all = suggested(p);
    const last = all.at(-1)!;
    const { ready } = lateJobs(p, plan(p, { orders: 60 }), say)[0]!;
    expect([last.agree, last.keeps]).toEqual([{ kind: 'delivery-date', at: Math.ceil(ready / 30) * 30 }, true]);
    expect(all.filter((s) => s.agree.kind === 'delivery-date')).toHaveLength(1);
  });
  test('of any shop: each is a plan that can be worked with what it asks for, and is as soon as it says', () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const p = randomShop(seeded(seed), { jobs: 8, each: 6, hands: 1 });
      const planner = new Planner(p, seed);
      planner.improve({ orders: 60 });
      const made = planner.plan();
      const [late] = lateJobs(p, made, say);
      if (!late) continue;
      for (const s of suggestionsFor(p, made, late, say, { orders: 20 })) {
        expect(planFaults(s.problem, s.plan.slots)).toEqual([]);
        const job = p.jobs.find((j) => j.id === late.job)!;
        expect(s.ready).toBe(readyAt(job, s.plan));
        if (s.agree.kind === 'delivery-date') continue;
        expect(s.ready).toBeLessThan(late.ready);
        expect(s.keeps).toBe(s.ready <= late.due);
      }
    }
  });
});

describe('what is agreed on', () => {
  test('is worth its hours: a helper’s once, everybody’s for each pair of hands', () => {
    const four = { from: 0, to: 240, helper: true };
    expect(spendMinor(four, 2, 5200)).toBe(20800);
    expect(spendMinor({ ...four, to: 60, helper: false }, 2, 5200)).toBe(10400);
  });
});
