import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { beyond, lastDue, nightIsDue } from './nightly.ts';

const utc = (text: string): Date => new Date(text);
describe('when a nightly backup is due', () => {
  test.each([
    ['later the same day', '2026-11-30T14:00:00Z', '2026-11-30T02:00:00.000Z'],
    ['on the minute', '2026-11-30T02:00:00Z', '2026-11-30T02:00:00.000Z'],
    ['a minute before: the night before', '2026-11-30T01:59:00Z', '2026-11-29T02:00:00.000Z'],
  ])('at two in London in winter, %s', (_, now, due) => {
    expect(lastDue('02:00', 'Europe/London', utc(now)).toISOString()).toBe(due);
  });

  test('by the shop’s own clock, in summer too', () => {
    expect(lastDue('02:00', 'Europe/London', utc('2026-07-10T09:00:00Z')).toISOString()).toBe(
      '2026-07-10T01:00:00.000Z',
    );
    expect(lastDue('02:00', 'Pacific/Auckland', utc('2026-07-10T15:00:00Z')).toISOString()).toBe(
      '2026-07-10T14:00:00.000Z',
    );
  });

  test('it is never ahead, and never more than 25 hours back (fast-check)', () => {
    const zone = fc.constantFrom('Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'UTC');
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 23 }),
        fc.integer({ min: 0, max: 59 }),
        zone,
        fc.date({ min: utc('2026-01-01'), max: utc('2027-12-31'), noInvalidDate: true }),
        (h, m, where, now) => {
          const due = lastDue(`${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`, where, now);
          expect(due.getTime()).toBeLessThanOrEqual(now.getTime());
          expect(now.getTime() - due.getTime()).toBeLessThanOrEqual(25 * 3_600_000);
        },
      ),
    );
  });

  const due = utc('2026-11-30T02:00:00Z');
  const asked = utc('2026-11-01T00:00:00Z');
  test('a machine that was off at night takes it when it is on; one that was tried is not tried again till the next', () => {
    expect(nightIsDue(due, null, asked)).toBe(true);
    expect(nightIsDue(due, utc('2026-11-27T02:00:30Z'), asked)).toBe(true);
    expect(nightIsDue(due, utc('2026-11-30T02:00:30Z'), asked)).toBe(false);
  });
  test('none is due for a night before it was asked for', () => {
    expect(nightIsDue(due, null, utc('2026-11-30T09:00:00Z'))).toBe(false);
  });

  test('beyond seven the oldest go', () => {
    const nights = [3, 9, 1, 8, 2, 7, 6, 5, 4].map((d) => ({ askedAt: utc(`2026-11-0${d}T02:00:00Z`) }));
    expect(beyond(nights, 7).map((n) => n.askedAt.getUTCDate())).toEqual([2, 1]);
    expect(beyond(nights.slice(0, 3), 7)).toEqual([]);
  });
});
