import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { JobView, PlanInForce, PlanMove, QueuedView, WeekView } from '@jubb/contract';
import { planFaults, plan, type Slots } from '@jubb/core/planning';
import ICAL from 'ical.js';
import { envelope, openShop, type TestShop } from './shop.fixtures.ts';

// A first PDF, or a week planned on a machine that is busy, takes its time.
jest.setTimeout(30_000);

let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
}, 120_000);
afterAll(() => shop.app.close());

const week = async (): Promise<WeekView> => (await shop.get('/api/plan')).body as WeekView;
const body = (view: WeekView, slots: Slots, version = view.inForce?.version ?? 0, pins: object[] = []): object => ({
  version,
  now: view.problem.now,
  slots: Object.entries(slots).map(([activity, s]) => ({ activity, ...s })),
  pins,
});

describe('the week', () => {
  test('is planned from the shop: mechanics, tools, stands, hours, and what is left of every job', async () => {
    const { problem, jobs, spreads } = await week();
    expect(problem.resources.filter((r) => r.kind === 'hands').map((r) => r.title)).toEqual([
      'Ailsa Brock',
      'Magnus Sorley',
    ]);
    expect(problem.resources.map((r) => r.id)).toEqual(
      expect.arrayContaining(['press', 'oven', 'tank', 'spin-stand-1']),
    );
    expect(problem.jobs.length).toBeGreaterThan(5);
    expect(jobs.length).toBeGreaterThanOrEqual(problem.jobs.length);
    const all = problem.jobs.flatMap((j) => j.activities);
    expect(all.some((a) => !a.attended)).toBe(true);
    expect(all.some((a) => a.needs.some((n) => n.anyOf.includes('press')))).toBe(true);
    for (const a of all) expect(spreads[a.id]).toBeGreaterThan(0);
    expect(planFaults(problem, plan(problem, { orders: 200 }).slots)).toEqual([]);
  });

  test('a plan is put in force, told to the Floor, and not by two at once; one that cannot be worked is refused', async () => {
    const view = await week();
    const made = plan(view.problem, { orders: 100 });
    const first = await shop.post('/api/plan', body(view, made.slots));
    expect([first.status, (first.body as PlanInForce).version]).toEqual([200, 1]);
    const moves = (await shop.get('/api/plan/moves')).body as PlanMove[];
    expect(moves[0]!.start).toBeLessThanOrEqual(moves[1]!.start);
    expect((await week()).problem.inForce).toEqual(made.slots);
    const late = await shop.post('/api/plan', body(view, made.slots, 0));
    expect([late.status, (late.body as { detail: string }).detail]).toEqual([
      409,
      expect.stringContaining('Somebody else'),
    ]);
    const [id, slot] = Object.entries(made.slots).find(([, s]) => s.on.some((r) => r.startsWith('hands')))!;
    const night = { ...made.slots, [id]: { ...slot, start: slot.start + 720, end: slot.end + 720 } };
    const bad = await shop.post('/api/plan', body(view, night, 1));
    expect(bad.status).toBe(422);
    expect((bad.body as { errors: { slots: string[] } }).errors.slots.length).toBeGreaterThan(0);
    expect(((await week()).inForce as PlanInForce).version).toBe(1);
    const old = await shop.post('/api/plan', { ...body(view, made.slots, 1), now: view.problem.now - 60 });
    expect(old.status).toBe(422);
    expect((await shop.post('/api/plan', body(view, made.slots, 1), 'Tam Veitch')).status).toBe(403);
    expect((await shop.http().get('/api/plan')).status).toBe(401);
  });

  test('a plan of some minutes ago is held against the shop as it was then: what cures has less of it left by now', async () => {
    const view = await week();
    const { now } = view.problem;
    const ago = 3;
    const cures = view.problem.jobs.flatMap((j) => j.activities).filter((a) => a.title.endsWith(': cure'));
    const running = cures.filter((a) => a.after.length === 0);
    expect(running.length).toBeGreaterThan(0);
    const then = {
      ...view.problem,
      now: now - ago,
      jobs: view.problem.jobs.map((j) => ({
        ...j,
        release: j.release - ago,
        activities: j.activities.map((a) => (running.includes(a) ? { ...a, minutes: a.minutes + ago } : a)),
      })),
    };
    const { slots } = plan(then, { orders: 60 });
    const answer = await shop.post('/api/plan', { ...body(view, slots), now: now - ago });
    expect([answer.status, answer.body]).toMatchObject([200, { slots }]);
  });

  test('as a calendar that a library reads', async () => {
    const text = (await shop.get('/api/plan/week.ics')).text;
    const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    const { inForce } = await week();
    expect(events.length).toBe(Object.keys(inForce!.slots).length);
    const first = new ICAL.Event(events[0]);
    expect(first.endDate.toJSDate().getTime()).toBeGreaterThanOrEqual(first.startDate.toJSDate().getTime());
  });

  test('a day off closes the day, for one or for all; only the owner gives it', async () => {
    const before = (await week()).problem;
    const day = new Date((before.calendars[0]!.open[8]![0] + 5) * 60_000).toISOString().slice(0, 10);
    expect((await shop.post('/api/plan/days-off', { day })).status).toBe(403);
    expect((await shop.post('/api/plan/days-off', { day: 'soon' }, 'Una Reith')).status).toBe(400);
    expect((await shop.post('/api/plan/days-off', { day }, 'Una Reith')).status).toBe(204);
    const after = await week();
    expect(after.daysOff).toEqual([{ day, person: null }]);
    const on = (open: readonly (readonly [number, number])[]): number =>
      open.filter(([a]) => new Date(a * 60_000).toISOString().startsWith(day)).length;
    expect(on(before.calendars[0]!.open)).toBeGreaterThan(0);
    expect(on(after.problem.calendars[0]!.open)).toBe(0);
  });
});

describe('what a job counts', () => {
  test('goes into the plan; set by those who plan, once, twice or four times', async () => {
    const { problem } = await week();
    const [job] = problem.jobs;
    expect(job!.weight).toBe(1);
    const path = `/api/plan/jobs/${job!.id}/weight`;
    expect((await shop.post(path, { weight: 4 }, 'Tam Veitch')).status).toBe(403);
    expect((await shop.post(path, { weight: 3 })).status).toBe(400);
    expect((await shop.post(path, { weight: 4 })).status).toBe(204);
    const after = await week();
    expect(after.problem.jobs.find((j) => j.id === job!.id)!.weight).toBe(4);
    expect(after.jobs.find((j) => j.id === job!.id)!.weight).toBe(4);
    await shop.post(path, { weight: 1 });
    expect((await shop.post('/api/plan/jobs/00000000-0000-4000-8000-000000000000/weight', { weight: 2 })).status).toBe(
      404,
    );
  });
});

describe('a delivery date that is moved', () => {
  test('is what the week is planned for, and what the Floor shows', async () => {
    const { problem } = await week();
    const [job] = problem.jobs;
    const { events } = (await shop.get(`/api/jobs/${job!.id}`)).body as JobView;
    const deliveryDate = new Date(Date.now() + 9 * 86_400_000).toISOString();
    const command = { type: 'move-delivery-date', deliveryDate, says: 'agreed at the counter' };
    const answer = await shop.post(`/api/jobs/${job!.id}/commands`, envelope(events.length, command));
    expect(answer.status).toBe(200);
    const after = await week();
    expect(after.problem.jobs.find((j) => j.id === job!.id)!.due).toBe(Date.parse(deliveryDate) / 60_000);
    const floor = (await shop.get('/api/floor')).body as { jobs: { id: string; deliveryDate: string }[] };
    expect(floor.jobs.find((j) => j.id === job!.id)!.deliveryDate).toBe(deliveryDate);
    const wrong = envelope(events.length + 1, { ...command, says: '' });
    expect((await shop.post(`/api/jobs/${job!.id}/commands`, wrong)).status).toBe(400);
  });
});

describe('hours', () => {
  const span = (from: number, to: number): number => to - from;
  const openOn = (view: WeekView, calendar: string, from: number, to: number): number =>
    view.problem.calendars
      .find((c) => c.id === calendar)!
      .open.reduce((sum, [a, b]) => sum + Math.max(0, span(Math.max(a, from), Math.min(b, to))), 0);

  test('an hour longer is everybody’s until it is taken back; a helper is a pair of hands for as long as was agreed', async () => {
    const before = await week();
    // The evening of a day: the next opening is far.
    const { open } = before.problem.calendars[0]!;
    const [, closes] = open.find(([a, b], i) => a > before.problem.now + 1440 && open[i + 1]![0] > b + 360)!;
    const hour = { from: closes, to: closes + 60, helper: false };
    expect((await shop.post('/api/plan/extra-hours', hour, 'Tam Veitch')).status).toBe(403);
    const agreed = await shop.post('/api/plan/extra-hours', hour);
    expect(agreed.status).toBe(201);
    const after = await week();
    expect(after.extraHours).toEqual([
      { ...hour, id: (agreed.body as { id: string }).id, person: null, by: 'Magnus Sorley' },
    ]);
    expect(openOn(after, 'shop', closes, closes + 120) - openOn(before, 'shop', closes, closes + 120)).toBe(60);
    const helper = { from: closes - 120, to: closes, helper: true };
    const help = await shop.post('/api/plan/extra-hours', helper);
    const helped = await week();
    expect(helped.problem.resources.some((r) => r.id === 'hands-helper')).toBe(true);
    expect(openOn(helped, 'hands-helper', 0, closes + 9999)).toBe(120);
    const needs = helped.problem.jobs.flatMap((j) => j.activities.flatMap((a) => a.needs));
    expect(needs.some((n) => n.anyOf.includes('hands-helper'))).toBe(true);
    expect(planFaults(helped.problem, plan(helped.problem, { orders: 60 }).slots)).toEqual([]);
    for (const { body: made } of [agreed, help])
      expect((await shop.remove(`/api/plan/extra-hours/${(made as { id: string }).id}`)).status).toBe(204);
    const back = await week();
    expect([back.extraHours, back.problem.resources.some((r) => r.id === 'hands-helper')]).toEqual([[], false]);
  });

  test('agreed on with a plan: written together, or not at all when somebody was quicker', async () => {
    const view = await week();
    const { open } = view.problem.calendars[0]!;
    const from = open.find(([a]) => a > view.problem.now + 2880)![0];
    const agreed = { from, to: from + 120, helper: true };
    const helper: WeekView['problem'] = {
      ...view.problem,
      resources: [
        ...view.problem.resources,
        { id: 'hands-helper', title: 'Helper', kind: 'hands', capacity: 1, calendar: 'hands-helper' },
      ],
      calendars: [...view.problem.calendars, { id: 'hands-helper', open: [[from, from + 120]] }],
    };
    const { slots } = plan(helper, { orders: 60 });
    const late = await shop.post('/api/plan', { ...body(view, slots, 77), agreed });
    expect(late.status).toBe(409);
    expect((await week()).extraHours).toEqual([]);
    const taken = await shop.post('/api/plan', { ...body(view, slots), agreed });
    expect(taken.status).toBe(200);
    const [extra] = (await week()).extraHours;
    expect(extra).toMatchObject({ ...agreed, by: 'Magnus Sorley' });
    await shop.remove(`/api/plan/extra-hours/${extra!.id}`);
  });

  test.each([
    ['backwards', { from: 30_000_000, to: 29_999_940, helper: false }, 422, 'to:'],
    ['for a day and a night', { from: 30_000_000, to: 30_001_440, helper: true }, 422, 'at most 12 h'],
    [
      'of a stranger',
      { from: 30_000_000, to: 30_000_060, helper: false, person: '00000000-0000-4000-8000-000000000000' },
      422,
      'no such person',
    ],
    ['of nobody', { from: 30_000_000, to: 30_000_060 }, 400, 'helper'],
  ])('%s are refused by name', async (_, dto, status, says) => {
    const answer = await shop.post('/api/plan/extra-hours', dto);
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([status, expect.stringContaining(says)]);
  });

  test('a day off of one person is theirs alone, and taken back leaves the others’', async () => {
    const view = await week();
    const ailsa = view.people.find((p) => p.name === 'Ailsa Brock')!;
    const day = new Date(view.problem.calendars[0]!.open[6]![0] * 60_000).toISOString().slice(0, 10);
    for (const person of [ailsa.id, undefined])
      await shop.post('/api/plan/days-off', { day, ...(person ? { person } : {}) }, 'Una Reith');
    expect((await shop.remove(`/api/plan/days-off/${day}`, 'Una Reith')).status).toBe(204);
    const own = (await week()).problem;
    const hands = own.resources.find((r) => r.title === 'Ailsa Brock')!;
    const works = (id: string): boolean =>
      own.calendars.find((c) => c.id === id)!.open.some(([a]) => new Date(a * 60_000).toISOString().startsWith(day));
    expect([works(hands.calendar!), works('shop')]).toEqual([false, true]);
    expect((await shop.remove(`/api/plan/days-off/${day}?person=${ailsa.id}`, 'Una Reith')).status).toBe(204);
    expect((await shop.remove('/api/plan/days-off/soon', 'Una Reith')).status).toBe(422);
    const stranger = { day, person: '00000000-0000-4000-8000-000000000000' };
    expect((await shop.post('/api/plan/days-off', stranger, 'Una Reith')).status).toBe(422);
  });

  test('of the week, and tools: the owner sets them, what cannot be is refused by its field and nothing is kept', async () => {
    const { hours, tools, problem } = await week();
    const set = (h: unknown, t: object[] = []): Promise<{ status: number; body: unknown }> =>
      shop.post('/api/plan/shop', { hours: h, tools: t }, 'Una Reith');
    expect((await shop.post('/api/plan/shop', { hours, tools: [] })).status).toBe(403);
    const bad = [
      [hours.slice(1), 'seven days'],
      [hours.map(() => [['08:00', '07:00']]), 'does not follow on'],
      [hours.map(() => [['8', '12:00']]), 'no time of day'],
      [hours.map(() => []), 'Open on one day'],
    ] as const;
    for (const [h, says] of bad) {
      const answer = await set(h);
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(JSON.stringify(answer.body)).toContain(says);
    }
    expect((await week()).hours).toEqual(hours);
    const short = hours.map((day, i) => (i === 0 ? [['09:00', '10:00']] : day));
    expect(
      (
        await set(short, [
          { id: 'press', capacity: 0 },
          { id: 'oven', capacity: 2 },
        ])
      ).status,
    ).toBe(204);
    const now = await week();
    expect(now.hours[0]).toEqual([['09:00', '10:00']]);
    expect(now.problem.resources.some((r) => r.id === 'press')).toBe(false);
    expect(now.problem.resources.find((r) => r.id === 'oven')!.capacity).toBe(2);
    expect(planFaults(now.problem, plan(now.problem, { orders: 30 }).slots)).toEqual([]);
    await set(
      hours,
      tools.map(({ id, capacity }) => ({ id, capacity })),
    );
    expect((await week()).problem.resources).toEqual(problem.resources);
  });
});

describe('delivery dates that can be promised', () => {
  test('is reckoned by whichever server has time: dates that are kept more and more surely, and what drives them', async () => {
    const { status, body: asked } = await shop.post('/api/plan/delivery-dates', { sheet: 'hub-dolly' });
    expect(status).toBe(202);
    let view: QueuedView | undefined;
    for (let i = 0; i < 200 && view?.state !== 'done'; i += 1) {
      view = (await shop.get(`/api/plan/queued/${(asked as { id: string }).id}`)).body as QueuedView;
      expect(view.state).not.toBe('failed');
      await new Promise((r) => setTimeout(r, 100));
    }
    const [half, most, nearly] = view!.deliveryDates!.at;
    expect([half!.share, most!.share, nearly!.share]).toEqual([0.5, 0.8, 0.95]);
    expect(half!.date).toBeLessThanOrEqual(most!.date);
    expect(most!.date).toBeLessThanOrEqual(nearly!.date);
    expect(half!.date).toBeGreaterThan(Date.now() / 60_000);
    expect(view!.deliveryDates!.drivers.length).toBeGreaterThan(0);
    expect((await shop.get('/api/plan/queued/00000000-0000-4000-8000-000000000000')).status).toBe(404);
    expect((await shop.post('/api/plan/delivery-dates', { sheet: 'no-such' })).status).toBe(404);
  }, 60_000);
});
