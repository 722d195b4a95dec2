import type { BookingPayloads } from './events.ts';
import type { BenchState } from '../log/state.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const bookingEvolvers: Evolvers<keyof BookingPayloads> = {
  'job-booked': (state, payload, stamp) =>
    atBooking({
      ...state,
      booked: { ...payload, ...stamp },
      variant: payload.variant ?? undefined,
    }),
  'promise-moved': (state, payload, stamp) => ({
    ...state,
    ...(state.booked ? { booked: { ...state.booked, promise: payload.promise } } : {}),
    promises: [...state.promises, { ...payload, ...stamp }],
  }),
};

/** What was told of the unit at the counter counts as answered; bookings of old say only the words. */
function atBooking(state: BenchState): BenchState {
  const { booked } = state;
  if (!booked) return state;
  const identified = booked.identified.flatMap((i) =>
    i.question === undefined
      ? []
      : [
          {
            op: null,
            variant: null,
            ...i,
            question: i.question,
            variants: i.variants ?? [],
            seq: booked.seq,
            at: booked.at,
            by: booked.by,
          },
        ],
  );
  const orders = Object.fromEntries(
    identified.flatMap((i) => (i.part !== undefined && i.order !== undefined ? [[i.part, i.order] as const] : [])),
  );
  return identified.length === 0 ? state : { ...state, identified, orders };
}
