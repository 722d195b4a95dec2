import { describe, expect, test } from '@jest/globals';
import { booked, hubDolly } from '../bench.fixtures.ts';
import { buildRecord } from '../index.ts';

const open = (): ReturnType<typeof booked> => booked(hubDolly(), 'six-stud');
const LATER = '2026-11-30T10:00:00.000Z';

describe('a delivery date that is moved', () => {
  test('is the delivery date from then on, with who agreed to it on record, and the first one in the log', () => {
    const bench = open();
    const first = bench.state.booked!.deliveryDate;
    bench.do({ type: 'move-delivery-date', deliveryDate: '2026-11-30T10:00:00Z', says: 'Mr Hay by telephone' });
    expect(bench.state.booked!.deliveryDate).toBe(LATER);
    const record = buildRecord(bench.sheet, bench.state);
    expect(record.promise).toBe(LATER);
    expect(record.promisesMoved).toMatchObject([{ promise: LATER, says: 'Mr Hay by telephone' }]);
    const [booking] = bench.events;
    expect(booking!.type === 'job-booked' && booking!.payload.promise).toBe(first);
    expect(bench.refold()).toEqual(bench.state);
  });

  test('may be agreed on while the unit is parked, and taken back', () => {
    const bench = open();
    const first = bench.state.booked!.deliveryDate;
    bench.do({ type: 'park', why: 'parts', note: 'cups', to: 'Shelf 1' });
    bench.do({ type: 'move-delivery-date', deliveryDate: LATER, says: 'agreed at the counter' });
    const { command } = bench.events.findLast((e) => e.type === 'promise-moved')!;
    bench.do({ type: 'take-back', command, reason: 'the wrong job' });
    expect([bench.state.booked!.deliveryDate, bench.state.deliveryDates]).toEqual([first, []]);
  });

  test.each([
    ['a day that is over', { deliveryDate: '2026-01-01T08:00:00Z', says: 'x' }, 'wrong-value', /over/],
    ['no day', { deliveryDate: 'soon', says: 'x' }, 'wrong-value', /no day/],
    ['nobody', { deliveryDate: LATER, says: '  ' }, 'not-complete', /Nobody is named/],
    ['the same moment', { deliveryDate: '2026-11-26T14:00:00Z', says: 'x' }, 'wrong-value', /already/],
  ])('%s is refused with its reason', (_, given, code, says) => {
    const refusal = open().refused({ type: 'move-delivery-date', ...given });
    expect([refusal.code, refusal.says]).toEqual([code, expect.stringMatching(says)]);
  });
});
