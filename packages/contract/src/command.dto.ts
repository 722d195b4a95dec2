import { commandToday, holdReasons, MOST_OF_A_PART, type Command, type HoldReason } from '@jubb/core/bench';
import { findings, type Finding } from '@jubb/core/sheet';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { IsOf, QuantityDto } from './quantity.dto.ts';
import { CommandDto, OpCommandDto } from './command-base.ts';
import { IsCounts } from './counts.ts';
import { LARGEST_INT } from './limits.ts';
import { IsClock, IsInstant } from './instant.ts';
import { InstrumentIdDto } from './instrument-id.dto.ts';
import { proveCommandDtos, ReturnToStepDto } from './prove-command.dto.ts';
import { pullCommandDtos } from './pull-command.dto.ts';
import { correctionCommandDtos } from './correction-command.dto.ts';
import { stripCommandDtos } from './strip-command.dto.ts';

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
  @IsCounts(MOST_OF_A_PART, ['later'])
  counts?: Record<string, number | 'later'>;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;

  @IsOptional()
  @IsIn(['check', 'clear'], { each: true })
  ticks?: string[];

  /** Of a bleed: clean strokes in a row. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(1000)
  strokes?: number;

  /** Of a drain or a fill: how much came out, or went in. */
  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  amount?: QuantityDto;
}

export class TakeReadingDto extends OpCommandDto {
  declare type: 'take-reading';
  @IsOptional()
  @IsString()
  @MaxLength(60)
  where?: string;

  /** Which of two settings that are read in one try. */
  @IsOptional()
  @IsString()
  @MaxLength(60)
  setting?: string;

  @ValidateNested()
  @Type(() => QuantityDto)
  value: QuantityDto;

  @IsIn(['instrument', 'hand'])
  how: 'instrument' | 'hand';

  @IsOptional()
  @ValidateNested()
  @Type(() => InstrumentIdDto)
  instrument?: InstrumentIdDto;

  /** Of a winding: how warm it is. */
  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('temperature')
  temperature?: QuantityDto;

  /** It was asked whether so odd a figure is right, and it is. */
  @IsOptional()
  @IsBoolean()
  sure?: boolean;
}

export class MeasureAgainDto extends OpCommandDto {
  declare type: 'measure-again';
}

export class FindCauseDto extends OpCommandDto {
  declare type: 'find-cause';
  /** null: it is not known. */
  @ValidateIf((c: FindCauseDto) => c.choice !== null)
  @IsString()
  @MaxLength(60)
  choice: string | null;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
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

  /** May be left out where the finding is what was advised. */
  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;
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

  /** Not out of the drawer: where it comes from. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  made?: string;
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

export class WidenScopeDto extends CommandDto {
  declare type: 'widen-scope';
  /** A scope of the job's sheet that takes in more than the one now. */
  @IsString()
  @MaxLength(60)
  scope: string;

  /** Who agreed to it, and how. */
  @IsString()
  @MinLength(1, { message: 'Say who agreed, and how' })
  @MaxLength(400)
  says: string;
}

export class MoveDeliveryDateDto extends CommandDto {
  declare type: 'move-delivery-date';
  @IsInstant({ message: 'A day and a time' })
  deliveryDate: string;

  /** Who agreed to it, and how. */
  @IsString()
  @MinLength(1, { message: 'Say who agreed, and how' })
  @MaxLength(400)
  says: string;
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

export class CheckOverDto extends CommandDto {
  declare type: 'check-over';
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
  { name: 'measure-again', value: MeasureAgainDto },
  { name: 'find-cause', value: FindCauseDto },
  { name: 'answer', value: AnswerDto },
  { name: 'judge', value: JudgeDto },
  { name: 'choose', value: ChooseDto },
  { name: 'fit-pack', value: FitPackDto },
  ...proveCommandDtos,
  ...pullCommandDtos,
  { name: 'hold', value: HoldDto },
  { name: 'clear-hold', value: ClearHoldDto },
  { name: 'move', value: MoveDto },
  { name: 'widen-scope', value: WidenScopeDto },
  { name: 'move-delivery-date', value: MoveDeliveryDateDto },
  { name: 'take-back', value: TakeBackDto },
  { name: 'check-over', value: CheckOverDto },
  { name: 'sign-off', value: SignOffDto },
  { name: 'hand-over', value: HandOverDto },
  ...stripCommandDtos,
  ...correctionCommandDtos,
] as const;
/** Command types that come over the wire: all but booking, which has its own form. */
export const commandTypes: readonly string[] = commandDtos.map((s) => s.name);

/** What pages of earlier releases call by another name. */
const olderCommandDtos = [{ name: 'lead-back', value: ReturnToStepDto }];

/** The base of a command whose type is none that is known: refused with the list. */
class UnknownCommandDto extends CommandDto {
  @IsIn(commandTypes)
  declare type: string;
}

/** Nothing waits on a device for longer than a month. */
const LONGEST_AGE_MS = 31 * 86_400_000;

/** A command for a job, with what its sender had seen. */
export class CommandEnvelopeDto {
  @IsUUID()
  id: string;

  /** Who gave it: it is taken only from that person, whoever is signed in on the device by now. */
  @IsOptional()
  @IsUUID()
  giver?: string;

  /** Newest event that the sender had seen. */
  @IsInt()
  @Min(0)
  @Max(LARGEST_INT)
  seen: number;

  /** What the device's clock showed when the hands did it. Kept; the server's clock decides. */
  @IsClock()
  at: string;

  /** How long ago that was when it was sent, by the device's own count, ms. Left out: just now. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(LONGEST_AGE_MS)
  ageMs?: number;

  @IsString()
  @MaxLength(60)
  device: string;

  @IsDefined({ message: 'command: what is to be done is missing' })
  @ValidateNested()
  @Type(() => UnknownCommandDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'type', subTypes: [...commandDtos, ...olderCommandDtos] },
  })
  command: CommandDto;
}

/** A validated command as the core takes it. */
export function toCommand(dto: CommandEnvelopeDto): Command {
  return commandToday(dto.command as unknown as Command);
}
