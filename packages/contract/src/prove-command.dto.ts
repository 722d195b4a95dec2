import type { Run } from '@jubb/core/bench';
import { Type } from 'class-transformer';
import { IsOptional, IsString, MaxLength, MinLength, ValidateNested } from 'class-validator';
import { OpCommandDto } from './command-base.ts';
import { InstrumentIdDto } from './instrument-id.dto.ts';
import { IsRun } from './run-shape.ts';

export class TakeRunDto extends OpCommandDto {
  declare type: 'take-run';
  @IsRun()
  run: Run;

  @IsOptional()
  @ValidateNested()
  @Type(() => InstrumentIdDto)
  instrument?: InstrumentIdDto;
}

export class ReturnToStepDto extends OpCommandDto {
  declare type: 'return-to-step';
  @IsString()
  @MinLength(1)
  @MaxLength(80)
  suspect: string;
}

/** The classes of the commands of proving, by their `type`. */
export const proveCommandDtos = [
  { name: 'take-run', value: TakeRunDto },
  { name: 'return-to-step', value: ReturnToStepDto },
] as const;
