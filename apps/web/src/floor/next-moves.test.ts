import { describe, expect, test } from '@jest/globals';
import type { JobLine, PlanMove, SlackView } from '@jubb/contract';
import { clockLeft } from '../frame/use-now.ts';
import { fitted } from '../bench/extras/smaller.ts';
import { jobLine } from './job-line.fixtures.ts';
import { filtered, nextItems } from './next-moves.ts';

const now = new Date('2026-11-24T10:00:00.000Z');
const inMinutes = (m: number): string => new Date(now.getTime() + m * 60_000).toISOString();
const job = (number: number, more: Partial<JobLine> = {}): JobLine =>
  jobLine(number, { deliveryDate: inMinutes(600), updatedAt: now.toISOString(), ...more });
const timer = (title: string, due: number): JobLine['notices']['timers'][number] => ({
  id: `t-${title}`,
  title,
  kind: 'cure',
  minutes: 30,
  due: inMinutes(due),
});
describe('with a plan in force', () => {
  const move = (job: string, start: number): PlanMove => ({
    activity: `${job}.a`,
    title: 'Strip',
    job,
    hands: ['hands-1'],
    start: now.getTime() / 60_000 + start,
    end: now.getTime() / 60_000 + start + 30,
    attended: true,
  });
  test('its order is the order of the moves, whatever the promises say; what is over counts no more', () => {
    const jobs = [job(1, { deliveryDate: inMinutes(90) }), job(2, { deliveryDate: inMinutes(9000) })];
    expect(nextItems(jobs, now).map((i) => i.job.number)).toEqual([1, 2]);
    const planned = nextItems(jobs, now, [move('j1', -200), move('j2', 5), move('j1', 60)]);
    expect(planned.map((i) => [i.job.number, i.planned])).toEqual([
      [2, true],
      [1, true],
    ]);
    expect(new Date(planned[1]!.at).toISOString()).toBe(inMinutes(60));
  });
});
const withTimer = (n: number, title: string, due: number, nextMove = title): JobLine => {
  const line = job(n, { nextMove });
  return { ...line, notices: { ...line.notices, timers: [timer(title, due)] } };
};

describe('next moves', () => {
  test('the most pressing work first, then by the time at which it must begin or a wait ends', () => {
    const items = nextItems(
      [
        job(1),
        job(2, { deliveryDate: inMinutes(90) }),
        withTimer(3, 'Cure: sealant', 10),
        job(4, { deliveryDate: null }),
      ],
      now,
    );
    expect(items.map((i) => [i.job.number, i.kind])).toEqual([
      [2, 'begin'],
      [3, 'wait'],
      [1, 'begin'],
      [4, 'begin'],
    ]);
  });
  test('parts that came for a unit on the shelf want a hand now; while one is still held it wants none', () => {
    const shelf = (n: number, held: boolean): JobLine => ({
      ...job(n),
      place: 'Shelf 2',
      hold: held ? { why: 'parts', note: 'cups', since: inMinutes(-60) } : null,
      notices: { ...job(n).notices, parked: true, parts: { toOrder: 0, coming: held ? 1 : 0, here: 2 } },
    });
    const items = nextItems([job(1), shelf(2, false), shelf(3, true)], now);
    expect(items.map((i) => [i.job.number, i.kind, i.words])).toEqual([
      [2, 'now', 'Parts are here: to a bench'],
      [1, 'begin', 'Cap off'],
    ]);
  });
  test('a wait that has run comes before everything', () => {
    const items = nextItems([job(2, { deliveryDate: inMinutes(1) }), withTimer(3, 'Cure: sealant', -1)], now);
    expect(items.map((i) => [i.job.number, i.kind])).toEqual([
      [3, 'now'],
      [2, 'begin'],
    ]);
  });
  test('what stands by the clock wants no hand; what waits beside the work does not stop it', () => {
    expect(nextItems([withTimer(3, 'Cure: sealant', 10)], now)).toHaveLength(1);
    expect(nextItems([withTimer(3, 'Oven on', 10, 'Cap off')], now).map((i) => i.kind)).toEqual(['begin', 'wait']);
  });
  test('what is made ready ahead is told just before the work that wants it', () => {
    const line = job(8);
    const ahead = [{ id: 'build bearing#1', kind: 'oven' as const, what: 'Cone to 110 °C' }];
    const items = nextItems(
      [{ ...line, notices: { ...line.notices, ahead } }, job(9, { deliveryDate: inMinutes(90) })],
      now,
    );
    expect(items.map((i) => [i.job.number, i.words])).toEqual([
      [9, 'Cap off'],
      [8, 'Oven on: Cone to 110 °C'],
      [8, 'Cap off'],
    ]);
  });
  test('parked and held jobs want no hand; a promise that cannot be kept is late', () => {
    const parked = job(5);
    const held = job(6, { hold: { why: 'parts', note: '', since: now.toISOString() } });
    expect(nextItems([{ ...parked, notices: { ...parked.notices, parked: true } }, held], now)).toEqual([]);
    const begins = (m: number): number => now.getTime() / 60_000 + m;
    const slack = (latest: number): SlackView => ({ j7: { minutes: 0, planned: false, latest: begins(latest) } });
    expect(nextItems([job(7, { deliveryDate: inMinutes(30) })], now, [], slack(-10))[0]!.late).toBe(true);
    expect(nextItems([job(7, { deliveryDate: inMinutes(30) })], now, [], slack(10))[0]!.late).toBe(false);
  });
  test('it must begin in the shop’s hours; by its promise until they are known', () => {
    const weekend = { j7: { minutes: 60, planned: false, latest: now.getTime() / 60_000 + 20 } };
    const [known] = nextItems([job(7)], now, [], weekend);
    expect([known!.mustBegin, new Date(known!.at).toISOString()]).toEqual([true, inMinutes(20)]);
    const [not] = nextItems([job(7)], now);
    expect([not!.mustBegin, new Date(not!.at).toISOString()]).toEqual([undefined, inMinutes(600)]);
  });
});

describe('the filter', () => {
  const jobs = [
    job(301),
    job(302, { customer: 'Tarn Slate Quarry', place: 'Shelf 3' }),
    job(303, { serial: 'KG-5502' }),
  ];
  test.each<[string, number[]]>([
    ['', [301, 302, 303]],
    ['  slate ', [302]],
    ['SHELF 3', [302]],
    ['kg hub', [303]],
    ['303', [303]],
    ['nothing like it', []],
  ])('"%s"', (typed, numbers) => {
    expect(filtered(jobs, typed).map((j) => j.number)).toEqual(numbers);
  });
});

describe('the clock', () => {
  test.each([
    [0, 'done'],
    [-5, 'done'],
    [0.5, '0:30'],
    [12 + 40 / 60, '12:40'],
    [65, '1:05:00'],
    [1440, '24:00:00'],
  ])('%p minutes left: %s', (minutes, words) => {
    expect(clockLeft(inMinutes(minutes), now)).toBe(words);
  });
});

describe('a picture made smaller', () => {
  test.each([
    [3200, 2400, 1600, 1200],
    [2400, 3200, 1200, 1600],
    [800, 600, 800, 600],
    [1, 1, 1, 1],
    [20_000, 3, 1600, 1],
  ])('%p × %p becomes %p × %p', (w, h, width, height) => {
    expect(fitted(w, h)).toEqual({ width, height });
  });
});
