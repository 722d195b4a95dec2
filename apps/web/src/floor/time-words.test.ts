import { describe, expect, test } from '@jest/globals';
import { handsWords, promiseWords, slackWords } from './time-words.ts';

const now = new Date(2026, 10, 24, 10, 0);
const on = (day: number, hour = 14, minute = 0): string => new Date(2026, 10, day, hour, minute).toISOString();

describe('a moment in words', () => {
  test('today, a day of the coming week by its name, any other by its date', () => {
    expect(promiseWords(on(24, 16), now)).toBe('Today 16:00');
    expect(promiseWords(on(24, 0, 5), now)).toBe('Today 00:05');
    expect(promiseWords(on(25, 8), now)).toBe('Wed 08:00');
    expect(promiseWords(on(30), now)).toBe('Mon 14:00');
    // In a week it is that weekday again: which one is meant must be said.
    expect(promiseWords(on(31), now)).toBe('1 Dec 14:00');
    expect(promiseWords(on(23), now)).toBe('23 Nov 14:00');
  });
});

describe('time in hand', () => {
  const slack = (minutes: number, left = 0): string => {
    const { words, late } = slackWords(new Date(now.getTime() + minutes * 60_000).toISOString(), left, now);
    expect(late).toBe(words.endsWith('late'));
    return words;
  };
  test('in the largest unit that says it, whole and rounded down', () => {
    expect([0, 59, 60, 119, 1439, 1440, 2879, 2880, 9000].map((m) => slack(m))).toEqual([
      '0 min in hand', '59 min in hand', '1 h in hand', '1 h in hand', '23 h in hand', '1 day in hand', '1 day in hand', '2 days in hand', '6 days in hand',
    ]); // prettier-ignore
  });
  test('the work that is left comes off; past that it is late', () => {
    expect(slack(90, 60)).toBe('30 min in hand');
    expect(slack(90, 91)).toBe('1 min late');
    expect(slack(-3000)).toBe('2 days late');
  });
});

test('hands needed, in hours once there is one', () => {
  expect([0, 59, 60, 61, 125].map(handsWords)).toEqual(['0 min', '59 min', '1 h 0 min', '1 h 1 min', '2 h 5 min']);
});
