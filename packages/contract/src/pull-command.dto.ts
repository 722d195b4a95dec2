import { pullAnswers, type PullAnswer } from '@jubb/core/bench';
import { Type } from 'class-transformer';
import { IsIn, IsInt, IsNumber, IsOptional, IsString, Max, MaxLength, Min, ValidateNested } from 'class-validator';
import { CommandDto, OpCommandDto } from './command-base.ts';
import { InstrumentIdDto } from './instrument-id.dto.ts';
import { IsOf, QuantityDto } from './quantity.dto.ts';
import { IsTrace } from './trace.ts';

export class RigDto {
  @IsOptional()
  @IsNumber()
  @Min(50)
  @Max(5000)
  wrenchLengthMm?: number;

  @IsNumber()
  @Min(0)
  @Max(2000)
  extensionMm: number;

  @IsNumber()
  @Min(-180)
  @Max(180)
  extensionAngleDeg: number;
}

export class PullDto extends OpCommandDto {
  declare type: 'pull';
  @IsInt()
  @Min(1)
  @Max(200)
  bolt: number;

  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('torque')
  reading: QuantityDto;

  @ValidateNested()
  @Type(() => RigDto)
  rig: RigDto;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(3600)
  turnedDeg?: number;

  @IsOptional()
  @IsTrace()
  trace?: [number, number][];

  @IsIn(['instrument', 'hand'])
  how: 'instrument' | 'hand';

  @IsOptional()
  @ValidateNested()
  @Type(() => InstrumentIdDto)
  instrument?: InstrumentIdDto;
}

export class AnswerPullDto extends OpCommandDto {
  declare type: 'answer-pull';
  @IsInt()
  @Min(1)
  @Max(200)
  bolt: number;

  @IsIn(pullAnswers)
  answer: PullAnswer;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

export class SayRunningDto extends OpCommandDto {
  declare type: 'say-running';
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('torque')
  torque: QuantityDto;

  @IsIn(['instrument', 'hand'])
  how: 'instrument' | 'hand';

  @IsOptional()
  @ValidateNested()
  @Type(() => InstrumentIdDto)
  instrument?: InstrumentIdDto;
}

export class LoosenDto extends CommandDto {
  declare type: 'loosen';
  @IsString()
  @MaxLength(60)
  joint: string;

  @IsString()
  @MaxLength(400)
  why: string;
}

export class RenewFastenersDto extends OpCommandDto {
  declare type: 'renew-fasteners';
}

/** Commands while a joint is tightened, or loosened again. */
export const pullCommandDtos = [
  { name: 'pull', value: PullDto },
  { name: 'answer-pull', value: AnswerPullDto },
  { name: 'say-running', value: SayRunningDto },
  { name: 'loosen', value: LoosenDto },
  { name: 'renew-fasteners', value: RenewFastenersDto },
] as const;
