/** The Date header has whole seconds: the moment lies half a second further on. */
const HALF_SECOND_MS = 500;
/** Smaller differences are the line's. */
const ENOUGH_MS = 2000;
let offsetMs = 0;

/** Takes the server's time from an answer. */
export function noteServerTime(date: string | null, now = Date.now()): void {
  const said = date === null ? NaN : Date.parse(date);
  if (Number.isNaN(said)) return;
  const off = said + HALF_SECOND_MS - now;
  if (Math.abs(off - offsetMs) > ENOUGH_MS) offsetMs = off;
}

/** The time by the server's clock, as far as this device has heard: waits are told by it, whatever the device's clock shows. */
export function serverNow(now = Date.now()): Date {
  return new Date(now + offsetMs);
}
