import { holdReasons, MOST_OF_A_PART, timerKinds, type HoldReason, type TimerKind } from '@jubb/core/bench';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateNested,
} from 'class-validator';
import { CommandDto, OpCommandDto } from './command-base.ts';
import { IsCounts } from './counts.ts';
import { IsOf, QuantityDto } from './quantity.dto.ts';

export class OrderStackDto extends OpCommandDto {
  declare type: 'order-stack';
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(60)
  @IsInt({ each: true })
  @Min(0, { each: true })
  @Max(59, { each: true })
  order: number[];

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;
}

export class LookDto extends OpCommandDto {
  declare type: 'look';
  @IsString()
  @MaxLength(60)
  choice: string;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

export class IdentifyDto extends CommandDto {
  declare type: 'identify';
  @IsString()
  @MaxLength(60)
  question: string;

  @IsString()
  @MinLength(1, { message: 'Measure it, and type it with its unit' })
  @MaxLength(60)
  answer: string;

  @IsOptional()
  @IsString()
  @MaxLength(120)
  op?: string;
}

export class WayFailedDto extends OpCommandDto {
  declare type: 'way-failed';
  @IsOptional()
  @IsString()
  @MaxLength(400)
  note?: string;
}

export class CountDto extends OpCommandDto {
  declare type: 'count';
  @IsInt({ message: 'A count is a whole number' })
  @Min(0, { message: 'A count is not below nothing' })
  @Max(MOST_OF_A_PART, { message: `More than ${MOST_OF_A_PART} is a slip of the finger` })
  count: number;

  @IsOptional()
  @IsIn(['renew'])
  lost?: 'renew';

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;
}

export class CountTrayDto extends CommandDto {
  declare type: 'count-tray';
  @IsString()
  @MaxLength(60)
  part: string;

  @IsInt({ message: 'A count is a whole number' })
  @Min(1, { message: 'Something lies there' })
  @Max(MOST_OF_A_PART, { message: `More than ${MOST_OF_A_PART} is a slip of the finger` })
  count: number;
}

export class StartTimerDto extends CommandDto {
  declare type: 'start-timer';
  @IsOptional()
  @IsString()
  @MaxLength(120)
  op?: string;

  @IsString()
  @MinLength(1, { message: 'Name what is waited for' })
  @MaxLength(120)
  title: string;

  @IsNumber({ allowNaN: false, allowInfinity: false })
  @Min(0.1)
  @Max(10_080)
  minutes: number;

  @IsIn(timerKinds)
  kind: TimerKind;
}

export class EndTimerDto extends CommandDto {
  declare type: 'end-timer';
  @IsString()
  @MaxLength(80)
  timer: string;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;
}

export class PrepareDto extends CommandDto {
  declare type: 'prepare';
  @IsString()
  @MaxLength(120)
  item: string;
}

export class AddMarkDto extends CommandDto {
  declare type: 'add-mark';
  @IsArray()
  @ArrayMinSize(2, { message: 'A mark stands between two parts' })
  @ArrayMaxSize(2, { message: 'A mark stands between two parts' })
  @IsString({ each: true })
  @MaxLength(60, { each: true })
  between: [string, string];

  @IsString()
  @MinLength(1, { message: 'Say where the mark stands' })
  @MaxLength(120)
  where: string;

  @IsString()
  @MaxLength(60)
  with: string;
}

abstract class ThingDto extends CommandDto {
  @IsString()
  @MinLength(1, { message: 'Name it' })
  @MaxLength(80)
  title: string;

  @IsString()
  @MinLength(1, { message: 'Say where' })
  @MaxLength(120)
  where: string;
}
export class AddAidDto extends ThingDto {
  declare type: 'add-aid';
}
export class AddLeadDto extends ThingDto {
  declare type: 'add-lead';
}

export class SurprisePartDto {
  @IsString()
  @MinLength(1, { message: 'Name what comes off' })
  @MaxLength(80)
  title: string;

  @IsInt({ message: 'A count is a whole number' })
  @Min(1, { message: 'At least one comes off' })
  @Max(MOST_OF_A_PART, { message: `More than ${MOST_OF_A_PART} is a slip of the finger` })
  count: number;
}

export class SurpriseDto extends CommandDto {
  declare type: 'surprise';
  @IsIn(['comes-off-first', 'not-as-sheet', 'broken'])
  kind: 'comes-off-first' | 'not-as-sheet' | 'broken';

  @IsString()
  @MinLength(1, { message: 'Say it in a few words' })
  @MaxLength(120)
  title: string;

  @IsString()
  @MaxLength(400)
  note: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => SurprisePartDto)
  parts?: SurprisePartDto[];

  @IsOptional()
  @IsString()
  @MaxLength(60)
  part?: string;
}

export class AdjustDto extends OpCommandDto {
  declare type: 'adjust';
  @IsString()
  @MaxLength(500)
  note: string;

  /** How far it was turned; positive tightens. */
  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('angle')
  turned?: QuantityDto;

  /** Changes of the packs on both sides. */
  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('length')
  left?: QuantityDto;

  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('length')
  right?: QuantityDto;

  /** How far the collar was slid in. */
  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  @IsOf('length')
  slid?: QuantityDto;

  /** The part that was spent and renewed: an overshot crush sleeve. */
  @IsOptional()
  @IsString()
  @MaxLength(80)
  renewed?: string;
}

export class SayUnitDto extends OpCommandDto {
  declare type: 'say-unit';
  @IsString()
  @MaxLength(20)
  unit: string;

  @IsString()
  @MinLength(1, { message: 'Say how you know' })
  @MaxLength(400)
  reason: string;
}

export class NoteDto extends CommandDto {
  declare type: 'note';
  @IsString()
  @MinLength(1, { message: 'The note is empty' })
  @MaxLength(400)
  text: string;
}

export class ParkDto extends CommandDto {
  declare type: 'park';
  @IsIn(holdReasons)
  why: HoldReason;

  @IsString()
  @MaxLength(400)
  note: string;

  @IsString()
  @MinLength(1, { message: 'Name a place on the shelf' })
  @MaxLength(20)
  to: string;
}

export class ResumeDto extends CommandDto {
  declare type: 'resume';
  @IsString()
  @MinLength(1, { message: 'Name a bench place' })
  @MaxLength(20)
  to: string;

  /** Part → how many were found. */
  @IsCounts(MOST_OF_A_PART)
  counts: Record<string, number>;

  @IsOptional()
  @IsString()
  @MaxLength(400)
  reason?: string;
}

/** The commands of the strip side, the shelf and the waits, by their `type`. */
export const stripCommandDtos = [
  { name: 'order-stack', value: OrderStackDto },
  { name: 'look', value: LookDto },
  { name: 'identify', value: IdentifyDto },
  { name: 'way-failed', value: WayFailedDto },
  { name: 'count', value: CountDto },
  { name: 'count-tray', value: CountTrayDto },
  { name: 'start-timer', value: StartTimerDto },
  { name: 'end-timer', value: EndTimerDto },
  { name: 'prepare', value: PrepareDto },
  { name: 'add-mark', value: AddMarkDto },
  { name: 'add-aid', value: AddAidDto },
  { name: 'add-lead', value: AddLeadDto },
  { name: 'surprise', value: SurpriseDto },
  { name: 'adjust', value: AdjustDto },
  { name: 'say-unit', value: SayUnitDto },
  { name: 'note', value: NoteDto },
  { name: 'park', value: ParkDto },
  { name: 'resume', value: ResumeDto },
] as const;
