import { describe, expect, test } from '@jest/globals';
import { handsWords, inHandWords, deliveryWords } from './time-words.ts';

const now = new Date(2026, 10, 24, 10, 0);
const on = (day: number, hour = 14, minute = 0): string => new Date(2026, 10, day, hour, minute).toISOString();

describe('a moment in words', () => {
  test('today, a day of the coming week by its name, any other by its date', () => {
    expect(deliveryWords(on(24, 16), now)).toBe('Today 16:00');
    expect(deliveryWords(on(24, 0, 5), now)).toBe('Today 00:05');
    expect(deliveryWords(on(25, 8), now)).toBe('Wed 08:00');
    expect(deliveryWords(on(30), now)).toBe('Mon 14:00');
    // In a week it is that weekday again: which one is meant must be said.
    expect(deliveryWords(on(31), now)).toBe('1 Dec 14:00');
    expect(deliveryWords(on(23), now)).toBe('23 Nov 14:00');
  });
});

describe('time in hand', () => {
  const words = (minutes: number, planned = true): string => {
    const said = inHandWords({ minutes, planned });
    expect(said.late).toBe(minutes < 0);
    return said.words;
  };
  test('in the largest unit that says it, whole and rounded down; days are days that the shop works', () => {
    expect([0, 59, 60, 119, 479, 480, 959, 960, 2500].map((m) => words(m))).toEqual([
      '0 min in hand', '59 min in hand', '1 h in hand', '1 h in hand', '7 h in hand', '1 working day in hand', '1 working day in hand',
      '2 working days in hand', '5 working days in hand',
    ]); // prettier-ignore
  });
  test('past the promise it is late; a job that no plan has is said to be in none', () => {
    expect(words(-1)).toBe('1 min late');
    expect(words(-1500)).toBe('3 working days late');
    expect(words(90, false)).toBe('1 h in hand, not planned');
  });
});

test('hands needed, in hours once there is one', () => {
  expect([0, 59, 60, 61, 125].map(handsWords)).toEqual(['0 min', '59 min', '1 h 0 min', '1 h 1 min', '2 h 5 min']);
});
