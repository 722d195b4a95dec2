import { isISO8601, registerDecorator, type ValidationArguments, type ValidationOptions } from 'class-validator';

/** A date with a time and its zone, as RFC 3339 writes it: no weeks, no days of the year, no day that there is not. */
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:\d{2})$/;
/** Years that PostgreSQL and JavaScript both know, and a workshop can mean. */
const FIRST_YEAR = 1970;
const LAST_YEAR = 2200;

/** Is it a moment, written whole? */
export function isInstant(value: unknown): value is string {
  if (typeof value !== 'string' || !INSTANT.test(value) || !isISO8601(value, { strict: true, strictSeparator: true }))
    return false;
  const year = Number(value.slice(0, 4));
  return year >= FIRST_YEAR && year <= LAST_YEAR && !Number.isNaN(Date.parse(value));
}

/** A moment such as 2026-03-09T14:30:00Z. */
export function IsInstant(options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isInstant',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: isInstant,
        defaultMessage: (args: ValidationArguments) =>
          `${args.property}: "${String(args.value).slice(0, 40)}" is no moment; one such as 2026-03-09T14:30:00Z, ${FIRST_YEAR} to ${LAST_YEAR}`,
      },
    });
}

/** A day such as 2026-03-09, one that there is. */
export function IsDay(options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isDay',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) => typeof value === 'string' && value.length === 10 && isInstant(`${value}T00:00:00Z`),
        defaultMessage: (args: ValidationArguments) =>
          `${args.property}: "${String(args.value).slice(0, 40)}" is no day; one such as 2026-03-09`,
      },
    });
}

/** What a device's clock shows, however wrong: any moment that can be written down. It decides nothing. */
export function IsClock(options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isClock',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) =>
          typeof value === 'string' &&
          INSTANT.test(value) &&
          isISO8601(value, { strict: true, strictSeparator: true }) &&
          !Number.isNaN(Date.parse(value)),
        defaultMessage: (args: ValidationArguments) =>
          `${args.property}: "${String(args.value).slice(0, 40)}" is no moment; one such as 2026-03-09T14:30:00Z`,
      },
    });
}
