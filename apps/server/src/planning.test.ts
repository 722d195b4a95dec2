import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { PlanInForce, PlanMove, QueuedView, WeekView } from '@jubb/contract';
import { planFaults, plan, type Slots } from '@jubb/core/planning';
import ICAL from 'ical.js';
import { openShop, type TestShop } from './shop.fixtures.ts';

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

  test('as a calendar that a library reads', async () => {
    const text = (await shop.get('/api/plan/week.ics')).text;
    const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    const { inForce } = await week();
    expect(events.length).toBe(Object.keys(inForce!.slots).length);
    const first = new ICAL.Event(events[0]!);
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

describe('a promise', () => {
  test('is reckoned by whichever server has time: dates that are kept more and more surely, and what drives them', async () => {
    const { status, body: asked } = await shop.post('/api/plan/promise', { sheet: 'hub-dolly' });
    expect(status).toBe(202);
    let view: QueuedView | undefined;
    for (let i = 0; i < 200 && view?.state !== 'done'; i += 1) {
      view = (await shop.get(`/api/plan/queued/${(asked as { id: string }).id}`)).body as QueuedView;
      expect(view.state).not.toBe('failed');
      await new Promise((r) => setTimeout(r, 100));
    }
    const [half, most, nearly] = view!.promise!.at;
    expect([half!.share, most!.share, nearly!.share]).toEqual([0.5, 0.8, 0.95]);
    expect(half!.date).toBeLessThanOrEqual(most!.date);
    expect(most!.date).toBeLessThanOrEqual(nearly!.date);
    expect(half!.date).toBeGreaterThan(Date.now() / 60_000);
    expect(view!.promise!.drivers.length).toBeGreaterThan(0);
    expect((await shop.get('/api/plan/queued/00000000-0000-4000-8000-000000000000')).status).toBe(404);
    expect((await shop.post('/api/plan/promise', { sheet: 'no-such' })).status).toBe(404);
  }, 60_000);
});
