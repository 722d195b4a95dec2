import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDeliveryDate } from './delivery-date.ts';

const ZONE = 'Europe/London';
const DAY = 1440;
const at = (now: string, minutes: number): string => demoDeliveryDate(new Date(now), minutes, ZONE).toISOString();

describe('delivery dates of the demo', () => {
  test('on a Tuesday morning: the same afternoon, and working days from it', () => {
    expect(at('2026-11-24T09:10:00.000Z', 6 * 60)).toBe('2026-11-24T15:00:00.000Z');
    expect(at('2026-11-24T09:10:00.000Z', 2 * DAY)).toBe('2026-11-26T09:00:00.000Z');
    expect(at('2026-11-24T09:10:00.000Z', 4 * DAY)).toBe('2026-11-30T09:00:00.000Z');
  });
  test('begun on a Sunday or late in the evening, as if on the next working morning', () => {
    expect(at('2026-11-29T03:20:00.000Z', 6 * 60)).toBe('2026-11-30T15:00:00.000Z');
    expect(at('2026-11-27T22:00:00.000Z', DAY)).toBe('2026-12-01T09:00:00.000Z');
  });
  test('in summer by the clock of the shop, which is not that of the server', () => {
    expect(at('2026-07-07T08:10:00.000Z', DAY)).toBe('2026-07-08T08:00:00.000Z');
  });
  test('whatever the clock says: a weekday, a full hour, from nine to four', () => {
    const shop = new Intl.DateTimeFormat('en-GB', {
      timeZone: ZONE,
      weekday: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });
    const start = Date.UTC(2026, 0, 1);
    fc.assert(
      fc.property(fc.nat(525_600), fc.integer({ min: -200 * DAY, max: 8 * DAY }), (minute, minutes) => {
        const said = shop.format(demoDeliveryDate(new Date(start + minute * 60_000), minutes, ZONE));
        expect(said).toMatch(/^(Mon|Tue|Wed|Thu|Fri),? (09|1[0-6]):00$/);
      }),
    );
  });
});
