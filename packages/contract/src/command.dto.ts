import { holdReasons, type Command, type HoldReason } from '@jubb/core/bench';
import { findings, type Finding } from '@jubb/core/sheet';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDateString,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateNested,
} from 'class-validator';
import { IsTorque, QuantityDto } from './quantity.dto.ts';
import { CommandDto, OpCommandDto } from './command-base.ts';
import { IsCounts } from './counts.ts';
import { stripCommandDtos } from './strip-command.dto.ts';
import { IsTrace } from './trace.ts';

export class InstrumentFactsDto {
  @IsString()
  @MaxLength(60)
  id: string;

  @IsString()
  @MaxLength(80)
  name: string;

  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  uncertainty?: QuantityDto;

  @IsBoolean()
  simulated: boolean;
}

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

export class CompleteDto extends OpCommandDto {
  declare type: 'complete';
  @IsOptional()
  @IsString()
  @MaxLength(40)
  tray?: string;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;

  @IsOptional()
  @IsIn(['yes', 'no'])
  answer?: 'yes' | 'no';

  /** Of parts taken off, where it is not what the sheet says: part → how many, or `later`. */
  @IsOptional()
  @IsCounts(1000, ['later'])
  counts?: Record<string, number | 'later'>;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;

  @IsOptional()
  @IsIn(['check', 'clear'], { each: true })
  ticks?: string[];
}

export class TakeReadingDto extends OpCommandDto {
  declare type: 'take-reading';
  @IsOptional()
  @IsString()
  @MaxLength(60)
  where?: string;

  @ValidateNested()
  @Type(() => QuantityDto)
  value: QuantityDto;

  @IsIn(['instrument', 'hand'])
  how: 'instrument' | 'hand';

  @IsOptional()
  @ValidateNested()
  @Type(() => InstrumentFactsDto)
  instrument?: InstrumentFactsDto;
}

export class AnswerDto extends OpCommandDto {
  declare type: 'answer';
  @IsIn(['yes', 'no'])
  answer: 'yes' | 'no';
}

export class JudgeDto extends OpCommandDto {
  declare type: 'judge';
  @IsString()
  @MaxLength(60)
  part: string;

  @IsIn(findings)
  finding: Finding;

  @IsString()
  @MinLength(1, { message: 'A finding needs its reason' })
  @MaxLength(400)
  reason: string;
}

export class ChooseDto extends OpCommandDto {
  declare type: 'choose';
  @IsString()
  @MaxLength(60)
  choice: string;
}

export class FitPackDto extends OpCommandDto {
  declare type: 'fit-pack';
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(10)
  @ValidateNested({ each: true })
  @Type(() => QuantityDto)
  pieces: QuantityDto[];
}

export class PullDto extends OpCommandDto {
  declare type: 'pull';
  @IsInt()
  @Min(1)
  @Max(200)
  bolt: number;

  @ValidateNested()
  @Type(() => QuantityDto)
  @IsTorque()
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
  @Type(() => InstrumentFactsDto)
  instrument?: InstrumentFactsDto;
}

export class AnswerPullDto extends OpCommandDto {
  declare type: 'answer-pull';
  @IsInt()
  @Min(1)
  @Max(200)
  bolt: number;

  @IsIn(['slackened', 'renewed'])
  answer: 'slackened' | 'renewed';

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

export class HoldDto extends CommandDto {
  declare type: 'hold';
  @IsIn(holdReasons)
  why: HoldReason;

  @IsString()
  @MaxLength(400)
  note: string;
}

export class ClearHoldDto extends CommandDto {
  declare type: 'clear-hold';
  @IsString()
  @MaxLength(80)
  hold: string;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

export class MoveDto extends CommandDto {
  declare type: 'move';
  @IsString()
  @MinLength(1)
  @MaxLength(20)
  to: string;
}

export class TakeBackDto extends CommandDto {
  declare type: 'take-back';
  @IsUUID()
  command: string;

  @IsString()
  @MaxLength(400)
  reason: string;
}

export class SignOffDto extends CommandDto {
  declare type: 'sign-off';
}

export class HandOverDto extends CommandDto {
  declare type: 'hand-over';
  @IsString()
  @MinLength(1, { message: 'Name who takes it' })
  @MaxLength(120)
  to: string;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

/** The classes of the commands that come over the wire, by their `type`. */
export const commandDtos = [
  { name: 'complete', value: CompleteDto },
  { name: 'take-reading', value: TakeReadingDto },
  { name: 'answer', value: AnswerDto },
  { name: 'judge', value: JudgeDto },
  { name: 'choose', value: ChooseDto },
  { name: 'fit-pack', value: FitPackDto },
  { name: 'pull', value: PullDto },
  { name: 'answer-pull', value: AnswerPullDto },
  { name: 'hold', value: HoldDto },
  { name: 'clear-hold', value: ClearHoldDto },
  { name: 'move', value: MoveDto },
  { name: 'take-back', value: TakeBackDto },
  { name: 'sign-off', value: SignOffDto },
  { name: 'hand-over', value: HandOverDto },
  ...stripCommandDtos,
];
/** Command types that come over the wire: all but booking, which has its own form. */
export const commandTypes: readonly string[] = commandDtos.map((s) => s.name);

/** The base of a command whose type is none that is known: refused with the list. */
class UnknownCommandDto extends CommandDto {
  @IsIn(commandTypes)
  declare type: string;
}

/** A command for a job, with what its sender had seen. */
export class CommandEnvelopeDto {
  @IsUUID()
  id: string;

  /** Newest event that the sender had seen. */
  @IsInt()
  @Min(0)
  seen: number;

  /** When the hands did it; later than now is taken as now. */
  @IsDateString()
  at: string;

  @IsString()
  @MaxLength(60)
  device: string;

  @ValidateNested()
  @Type(() => UnknownCommandDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'type', subTypes: [...commandDtos] },
  })
  command: CommandDto;
}

/** A validated command as the core takes it. */
export function toCommand(dto: CommandEnvelopeDto): Command {
  return dto.command as unknown as Command;
}
