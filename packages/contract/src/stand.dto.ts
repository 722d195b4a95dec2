import { standKinds, type StandKind } from '@jubb/core/sheet';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  registerDecorator,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

const MOST_FIGURES = 24;
function IsFigures(): PropertyDecorator {
  return (target, propertyName) =>
    registerDecorator({
      name: 'isFigures',
      target: target.constructor,
      propertyName: String(propertyName),
      validator: {
        validate: (v: unknown) =>
          typeof v === 'object' &&
          v !== null &&
          !Array.isArray(v) &&
          Object.keys(v).length <= MOST_FIGURES &&
          Object.values(v).every((n) => typeof n === 'number' && Number.isFinite(n)),
        defaultMessage: () => `figures: at most ${MOST_FIGURES} names, each with a number`,
      },
    });
}

export class WeightDto {
  @IsInt()
  @Min(1)
  @Max(2)
  plane: 1 | 2;

  @IsNumber()
  @Min(0)
  @Max(100_000)
  massG: number;

  @IsNumber()
  @Min(-720)
  @Max(720)
  angleDeg: number;
}

/** What a stand is to run. */
export class StandRunDto {
  @IsIn(standKinds)
  kind: StandKind;

  /** The unit on the stand: of a simulated one the same name has the same true state. */
  @IsString()
  @MaxLength(200)
  unit: string;

  /** As it came in; only a simulated unit is told. */
  @IsOptional()
  @IsBoolean()
  worn?: boolean;

  /** How often it was gone back to since; only a simulated unit is told. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(1000)
  mended?: number;

  /** Figures of the run in canonical units. */
  @IsFigures()
  figures: Record<string, number>;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => WeightDto)
  weights?: WeightDto[];
}

/** Chooses what is wrong on a simulated stand, or nothing. */
export class StandFaultDto {
  @ValidateIf((d: StandFaultDto) => d.fault !== null)
  @IsString()
  @MaxLength(40)
  fault: string | null;
}

/** What a look at an instrument's own health found. */
export interface SelfCheck {
  readonly good: boolean;
  readonly says: readonly string[];
  readonly readings: readonly number[];
}
