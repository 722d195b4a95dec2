import { dimensionsOfUnit, whyNotOf, type Dimension } from '@jubb/core/quantities';
import {
  IsNumber,
  IsString,
  MaxLength,
  registerDecorator,
  type ValidationArguments,
  type ValidationOptions,
} from 'class-validator';

/** A value in the unit in which it was given. */
export class QuantityDto {
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: 'value must be a finite number' })
  value: number;

  @IsString()
  @MaxLength(20)
  @IsKnownUnit()
  unit: string;
}

/** The unit is one that Jubb knows. */
export function IsKnownUnit(options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isKnownUnit',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) =>
          typeof value === 'string' && (value === '1' || dimensionsOfUnit(value).length > 0),
        defaultMessage: (args: ValidationArguments) => `"${String(args.value)}" is not a unit that Jubb knows`,
      },
    });
}

/** The quantity is of a dimension. */
export function IsOf(dimension: Dimension, options?: ValidationOptions): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isOf',
      target: target.constructor,
      propertyName: String(propertyName),
      options,
      validator: {
        validate: (value: unknown) => value instanceof QuantityDto && whyNotOf(value, dimension) === undefined,
        defaultMessage: (args: ValidationArguments) =>
          args.value instanceof QuantityDto
            ? (whyNotOf(args.value, dimension) ?? '')
            : `a quantity is due: ${dimension}, with its unit`,
      },
    });
}
