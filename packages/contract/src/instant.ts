import { registerDecorator, type ValidationOptions } from 'class-validator';

/** A date with a time and its zone, as RFC 3339 writes it: no weeks, no days of the year. */
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:\d{2})$/;
/** Years that a workshop can mean. */
const FIRST_YEAR = 1970;
const LAST_YEAR = 2200;

/** Is there such a day? The engine takes the 30th of February for the 2nd of March. */
function isDay(text: string): boolean {
  const midnight = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(midnight) && new Date(midnight).toISOString().startsWith(text);
}
const inRange = (text: string): boolean =>
  Number(text.slice(0, 4)) >= FIRST_YEAR && Number(text.slice(0, 4)) <= LAST_YEAR;

/** Is it a moment that can be written down, in whatever year? */
function isMoment(value: unknown): value is string {
  return (
    typeof value === 'string' && INSTANT.test(value) && isDay(value.slice(0, 10)) && !Number.isNaN(Date.parse(value))
  );
}

/** A decorator of a text: whether it is one, and one for the message. */
const textOf =
  (name: string, validate: (value: unknown) => boolean, due: string) =>
  (options?: ValidationOptions): PropertyDecorator =>
  (target, propertyName) =>
    registerDecorator({
      name,
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate,
        defaultMessage: (args) => `${args?.property}: "${String(args?.value).slice(0, 40)}" is ${due}`,
      },
    });

/** A moment that a workshop can mean, such as 2026-03-09T14:30:00Z. */
export const IsInstant = textOf(
  'isInstant',
  (value) => isMoment(value) && inRange(value),
  `no moment; one such as 2026-03-09T14:30:00Z, ${FIRST_YEAR} to ${LAST_YEAR}`,
);

/** A day such as 2026-03-09, one that there is. */
export const IsDay = textOf(
  'isDay',
  (value) => typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value) && isDay(value) && inRange(value),
  'no day; one such as 2026-03-09',
);

/** What a device's clock shows, however wrong. It decides nothing, and so a wrong one loses nothing. */
export const IsClock = textOf('isClock', isMoment, 'no moment; one such as 2026-03-09T14:30:00Z');
