import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { followUpDay, followUpWords, type FollowUp } from './follow-up.ts';

const nuts: FollowUp = {
  do: 'Tighten the wheel nuts again',
  after: { running: { value: 10, unit: 'h' }, distance: { value: 50, unit: 'km' } },
};
const left = new Date('2026-11-24T10:00:00Z');
const day = (f: FollowUp, hours?: number): string | undefined =>
  followUpDay(f, left, hours)?.toISOString().slice(0, 10);

describe('what is done again once the unit has left', () => {
  test('is said with its spans', () => {
    expect(followUpWords(nuts).replace(/\u202f/g, ' ')).toBe(
      'Tighten the wheel nuts again, after 10 h of running or 50 km, whichever comes first',
    );
    expect(followUpWords({ do: 'Look', after: { calendar: { value: 1, unit: 'wk' } } })).toBe('Look, after 1 week');
  });

  test('has a day where it is known how long the unit runs; 10 h at 5 h a week are two weeks', () => {
    expect(day(nuts, 5)).toBe('2026-12-08');
    expect(day(nuts)).toBeUndefined();
    expect(day({ do: 'x', after: { distance: { value: 50, unit: 'km' } } }, 5)).toBeUndefined();
  });

  test('is due at whichever comes first', () => {
    const both: FollowUp = {
      do: 'x',
      after: { running: { value: 100, unit: 'h' }, calendar: { value: 4, unit: 'wk' } },
    };
    expect([day(both, 5), day(both, 100)]).toEqual(['2026-12-22', '2026-12-01']);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 168 }),
        (h, d, week) => {
          const f: FollowUp = {
            do: 'x',
            after: { running: { value: h, unit: 'h' }, calendar: { value: d, unit: 'd' } },
          };
          const due = (followUpDay(f, left, week)!.getTime() - left.getTime()) / 86_400_000;
          expect(due).toBe(Math.min(d, Math.ceil((h / week) * 7)));
        },
      ),
    );
  });
});
