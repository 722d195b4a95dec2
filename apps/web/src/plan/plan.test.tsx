import { describe, expect, test } from '@jest/globals';
import { workCalendar, type PlanProblem } from '@jubb/core/planning';
import { work, type PlanAnswer } from './plan.worker.ts';
import { costWords } from './plan-side.tsx';
import { sayIn, spanWords } from './say.ts';
import { weekAxis } from './week-axis.ts';

const MONDAY = Date.UTC(2026, 10, 23, 8) / 60_000;
const day = [
  ['08:00', '12:00'],
  ['13:00', '17:00'],
] as const;
const shop = workCalendar('shop', [day, day, day, day, day, [], []], 'Europe/London', MONDAY, 30);
const problem: PlanProblem = {
  now: MONDAY,
  resources: [{ id: 'hands-1', title: 'Ailsa Brock', kind: 'hands', capacity: 1, calendar: 'shop' }],
  calendars: [shop],
  places: [],
  pins: [],
  jobs: [301, 302].map((n) => ({
    id: `j${n}`,
    name: String(n),
    release: MONDAY,
    due: MONDAY + 300,
    weight: 1,
    activities: [
      {
        id: `${n}.a`,
        title: 'Strip',
        minutes: 200,
        attended: true,
        pauses: true,
        needs: [{ anyOf: ['hands-1'], count: 1 }],
        after: [],
      },
    ],
  })),
};
const answers = (p: PlanProblem, seconds = 0.05, suggest = false): readonly PlanAnswer[] => {
  const out: PlanAnswer[] = [];
  work({ id: 7, problem: p, zone: 'Europe/London', seconds, suggest }, (a) => out.push(a));
  return out;
};

describe('the worker', () => {
  test('answers with a plan, what is late and why, and what would save it, each planned through', () => {
    const all = answers(problem, 0.05, true);
    const { plan, late } = all.find((a) => a.plan)!;
    expect(Object.keys(plan!.slots)).toEqual(['301.a', '302.a']);
    expect(late!.map((l) => l.chain[0]!.says)).toEqual([
      expect.stringMatching(/^Ailsa Brock is with 30[12] until Mon 11:20$/),
    ]);
    const last = all.at(-1)!;
    expect([last.id, last.done]).toEqual([7, true]);
    const helper = last.suggestions!.find((s) => s.id === 'helper')!;
    expect([helper.keeps, helper.costs]).toEqual([true, []]);
  });
  test('says what is wrong in words, and never throws', () => {
    const [only] = answers({ ...problem, resources: [] });
    expect([only!.wrong, only!.done]).toEqual(['there is nobody and nothing to plan with', true]);
    const [pinned] = answers({ ...problem, pins: [{ activity: '301.a', start: MONDAY + 4 * 60 + 10 }] });
    expect(pinned!.wrong).toContain('Ailsa Brock is not at work then');
  });
  test('what a move costs is said in words', () => {
    const { plan, late } = answers(problem)[0]!;
    const first = plan!.slots['301.a']!.start === MONDAY ? '301' : '302';
    const tried = answers({ ...problem, pins: [{ activity: `${first}.a`, start: MONDAY + 1440 }] })[0]!;
    const words = costWords(plan!, late!, tried, (id) => ({
      id,
      number: Number(id.slice(1)),
      title: '',
      customer: '',
      place: null,
      weight: 1,
      due: null,
    }));
    expect(words).toContain(`${first} breaks its promise`);
    expect(words).toMatch(/keeps its promise/);
  });
});

describe('the axis of the week', () => {
  const axis = weekAxis(shop.open, MONDAY + 60, 3, 'Europe/London', 100, 800);
  test('days stand side by side without their nights, today from the hour that it is in', () => {
    expect(axis.days.map((d) => d.name)).toEqual(['Mon 23', 'Tue 24', 'Wed 25']);
    expect(axis.x(MONDAY + 1440 - 60)).toBe(axis.days[1]!.x);
    expect(axis.days[2]!.x + axis.days[2]!.width).toBeCloseTo(900, 6);
  });
  test('a day that is over is not shown: after closing the next one is the first', () => {
    const evening = weekAxis(shop.open, MONDAY + 600, 2, 'Europe/London', 0, 100);
    expect(evening.days.map((d) => d.name)).toEqual(['Tue 24', 'Wed 25']);
  });
  test('there and back within a day', () => {
    for (const t of [MONDAY + 100, MONDAY + 1440 + 200, MONDAY + 2880 + 5]) expect(axis.at(axis.x(t))).toBe(t);
  });
});

test('times and stretches of time in words', () => {
  expect(sayIn('Europe/London')(MONDAY)).toBe('Mon 08:00');
  expect(sayIn('America/New_York')(MONDAY)).toBe('Mon 03:00');
  expect([spanWords(40), spanWords(200), spanWords(4320)]).toEqual(['40 min', '3 h', '3 days']);
});
