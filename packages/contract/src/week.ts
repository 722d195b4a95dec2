import { registerDecorator, type ValidationOptions } from 'class-validator';

const MOST_SPANS = 6;

/** Opening hours of a week: seven days of pairs of clock times. What they mean together is checked by the calendar. */
export function IsWeek(options?: ValidationOptions): PropertyDecorator {
  const isSpan = (s: unknown): boolean => Array.isArray(s) && s.length === 2 && s.every((t) => typeof t === 'string');
  return (target, propertyName) =>
    registerDecorator({
      name: 'isWeek',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) =>
          Array.isArray(value) &&
          value.length === 7 &&
          value.every((day: unknown) => Array.isArray(day) && day.length <= MOST_SPANS && day.every(isSpan)),
        defaultMessage: () => 'seven days, Monday first, each of spans such as ["08:00", "12:00"]',
      },
    });
}
