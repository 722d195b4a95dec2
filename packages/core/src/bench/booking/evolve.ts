import type { BookingPayloads } from './events.ts';
import type { Changes, Stamp } from '../log/state.ts';
import type { Evolvers } from '../registry/shapes.ts';

/** What each of these events makes of the state. */
export const bookingEvolvers: Evolvers<keyof BookingPayloads> = {
  'job-booked': (_state, { promise: deliveryDate, ...payload }, stamp) => ({
    booked: { ...payload, deliveryDate, ...stamp },
    variant: payload.variant ?? undefined,
    ...(payload.scope === undefined ? {} : { scope: payload.scope }),
    ...toldAtBooking(payload, stamp),
  }),
  'scope-widened': (state, payload, stamp) => ({
    scope: payload.scope,
    widened: [...state.widened, { ...payload, ...stamp }],
  }),
  'promise-moved': (state, { promise: deliveryDate, says }, stamp) => ({
    ...(state.booked ? { booked: { ...state.booked, deliveryDate } } : {}),
    deliveryDates: [...state.deliveryDates, { deliveryDate, says, ...stamp }],
  }),
};

/** What was told of the unit at the counter counts as answered; bookings of old say only the words. */
function toldAtBooking(booked: Pick<BookingPayloads['job-booked'], 'identified'>, stamp: Stamp): Changes {
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
            ...stamp,
          },
        ],
  );
  const orders = Object.fromEntries(
    identified.flatMap((i) => (i.part !== undefined && i.order !== undefined ? [[i.part, i.order] as const] : [])),
  );
  return identified.length === 0 ? {} : { identified, orders };
}
