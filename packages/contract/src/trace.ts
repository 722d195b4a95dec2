import { registerDecorator, type ValidationOptions } from 'class-validator';

const MOST_POINTS = 2000;

/** A torque trace: pairs of finite numbers, turn in degrees and torque in N·m. */
export function IsTrace(options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isTrace',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) =>
          Array.isArray(value) &&
          value.length <= MOST_POINTS &&
          value.every(
            (p: unknown) =>
              Array.isArray(p) && p.length === 2 && p.every((n) => typeof n === 'number' && Number.isFinite(n)),
          ),
        defaultMessage: () => `trace must be at most ${MOST_POINTS} pairs of finite numbers`,
      },
    });
}
