import { describe, expect, test } from '@jest/globals';
import { openMinutes, withHours, workCalendar } from './calendar.ts';
import { MONDAY, week } from './shop.fixtures.ts';

const at = (iso: string): number => Date.parse(iso) / 60_000;
const all: typeof week = Array.from({ length: 7 }, () => [['00:00', '24:00']] as const);

describe('hours', () => {
  test('a week of them, without the days off', () => {
    const five = workCalendar('shop', week, 'Europe/London', MONDAY, 7, new Set(['2026-11-25']));
    expect(five.open).toHaveLength(8);
    expect(openMinutes(five.open, MONDAY, MONDAY + 7 * 1440)).toBe(4 * (4 + 4.5) * 60);
    expect(five.open[0]).toEqual([at('2026-11-23T08:00Z'), at('2026-11-23T12:00Z')]);
  });
  test('the days on which the clocks change in London: 23 and 25 hours, and eight o’clock stays eight o’clock', () => {
    const spring = workCalendar('x', all, 'Europe/London', at('2026-03-29T00:00Z'), 1);
    expect(openMinutes(spring.open, -Infinity, Infinity)).toBe(23 * 60);
    const autumn = workCalendar('x', all, 'Europe/London', at('2026-10-24T23:00Z'), 1);
    expect(openMinutes(autumn.open, -Infinity, Infinity)).toBe(25 * 60);
    const days = [...Array.from({ length: 6 }, () => []), [['08:00', '12:00']]] as typeof week;
    const sunday = workCalendar('x', days, 'Europe/London', at('2026-03-29T00:00Z'), 1);
    // After the change London is an hour ahead of UTC.
    expect(sunday.open).toEqual([[at('2026-03-29T07:00Z'), at('2026-03-29T11:00Z')]]);
  });
  test('hours that overlap, run backwards or are none are refused with their field', () => {
    const with_ =
      (monday: readonly (readonly [string, string])[]): (() => unknown) =>
      () =>
        workCalendar('x', [monday, [], [], [], [], [], []], 'Europe/London', MONDAY, 1);
    expect(
      with_([
        ['08:00', '12:00'],
        ['11:00', '13:00'],
      ]),
    ).toThrow('hours[0][1]: 11:00 to 13:00 does not follow on');
    expect(with_([['12:00', '08:00']])).toThrow('does not follow on');
    expect(with_([['8', '12:00']])).toThrow('"8" is no time of day');
    expect(() => workCalendar('x', [], 'Europe/London', MONDAY, 1)).toThrow('seven days');
    expect(() => workCalendar('x', week, 'Mars/Base', MONDAY, 1)).toThrow();
  });
  test('an hour more at the end of a day joins on', () => {
    const one = {
      id: 'x',
      open: [
        [0, 60],
        [120, 180],
      ] as const,
    };
    expect(
      withHours(one, [
        [60, 90],
        [200, 210],
      ]).open,
    ).toEqual([
      [0, 90],
      [120, 180],
      [200, 210],
    ]);
  });
});
