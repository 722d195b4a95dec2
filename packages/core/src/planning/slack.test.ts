import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { slackOf, type PlanJob, type PlanProblem } from './index.ts';

const HOUR = 60;
const DAY = 1440;
/** Open from eight to five, days 0 to 4; closed on 5 and 6; open again from day 7. */
const open = [0, 1, 2, 3, 4, 7, 8].map((d): [number, number] => [d * DAY + 8 * HOUR, d * DAY + 17 * HOUR]);
const job = (due: number | null, more: Partial<PlanJob['activities'][number]> = {}): PlanJob => ({
  id: 'j',
  name: '305',
  release: 0,
  due,
  weight: 1,
  activities: [
    { id: 'a', title: 'strip', minutes: 3 * HOUR, needs: [], attended: true, after: [], ...more },
    { id: 'b', title: 'build', minutes: 3 * HOUR, needs: [], attended: true, after: [{ activity: 'a' }] },
  ],
});
const shop = (now: number, j: PlanJob): PlanProblem => ({
  now,
  resources: [],
  calendars: [{ id: 'shop', open }],
  places: [],
  jobs: [j],
  pins: [],
});

describe('time in hand', () => {
  test('a weekend is no time: promised for Monday ten, ended on Friday five, two hours are in hand', () => {
    const j = job(7 * DAY + 10 * HOUR);
    const slots = {
      a: { start: 0, end: 4 * DAY + 14 * HOUR, on: [] },
      b: { start: 0, end: 4 * DAY + 17 * HOUR, on: [] },
    };
    expect(slackOf(shop(4 * DAY, j), slots, j)).toMatchObject({ minutes: 2 * HOUR, planned: true });
  });

  test('late by the plan is late in open hours', () => {
    const j = job(2 * DAY + 12 * HOUR);
    const slots = { a: { start: 0, end: 1, on: [] }, b: { start: 0, end: 3 * DAY + 9 * HOUR, on: [] } };
    expect(slackOf(shop(0, j), slots, j)).toMatchObject({ minutes: -(5 + 1) * HOUR, planned: true });
  });

  test('not planned: the work that is left, from now, in open hours', () => {
    const j = job(DAY + 10 * HOUR);
    // At four in the afternoon an hour is left of the day: five of the six come tomorrow, until one.
    expect(slackOf(shop(16 * HOUR, j), {}, j)).toMatchObject({ minutes: -3 * HOUR, planned: false });
  });

  test('not planned: a part that comes later holds it up', () => {
    const waits = job(4 * DAY + 17 * HOUR, { notBefore: 3 * DAY + 8 * HOUR });
    const free = job(4 * DAY + 17 * HOUR);
    const [late, soon] = [waits, free].map((j) => slackOf(shop(8 * HOUR, j), {}, j)!.minutes);
    expect(soon! - late!).toBeGreaterThan(2 * 9 * HOUR);
  });

  test('it must begin while the shop is open: six hours for Monday ten begin on Friday at one', () => {
    const j = job(7 * DAY + 10 * HOUR);
    expect(slackOf(shop(0, j), {}, j)!.latest).toBe(4 * DAY + 13 * HOUR);
  });

  test('promised at an hour when the shop is shut, it must begin before that', () => {
    const j = job(5 * DAY + 3 * HOUR);
    expect(slackOf(shop(0, j), {}, j)!.latest).toBe(4 * DAY + 11 * HOUR);
  });

  test('of nothing promised there is none', () => {
    const j = job(null);
    expect(slackOf(shop(0, j), {}, j)).toBeUndefined();
  });

  test('a later promise never has less in hand, and a later end never more', () => {
    fc.assert(
      fc.property(fc.nat(9 * DAY), fc.nat(2000), fc.nat(9 * DAY), fc.nat(2000), (due, more, end, later) => {
        const at = (d: number, e: number): number =>
          slackOf(shop(0, job(d)), { a: { start: 0, end: 1, on: [] }, b: { start: 0, end: e, on: [] } }, job(d))!
            .minutes;
        expect(at(due + more, end)).toBeGreaterThanOrEqual(at(due, end));
        expect(at(due, end + later)).toBeLessThanOrEqual(at(due, end));
      }),
    );
  });
});
