import { registerDecorator, type ValidationArguments, type ValidationOptions } from 'class-validator';

/** At most so many parts are counted in one go. */
const MOST_PARTS = 300;

/** A record of part → whole number from 0 to `most`; the words of `also` may stand in place of a number. */
export function IsCounts(most: number, also: readonly string[] = [], options?: ValidationOptions): PropertyDecorator {
  const bad = (value: unknown): [string, unknown] | undefined => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return ['counts', value];
    const entries = Object.entries(value);
    if (entries.length > MOST_PARTS) return ['counts', `${entries.length} parts`];
    return entries.find(
      ([, n]) => !(also.includes(String(n)) || (Number.isInteger(n) && (n as number) >= 0 && (n as number) <= most)),
    );
  };
  return (target, propertyName) =>
    registerDecorator({
      name: 'isCounts',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) => bad(value) === undefined,
        defaultMessage: (args: ValidationArguments) => {
          const [part, given] = bad(args.value) ?? ['', ''];
          return `${part}: ${JSON.stringify(given) ?? String(given)} is no count; a whole number from 0 to ${most}`;
        },
      },
    });
}
