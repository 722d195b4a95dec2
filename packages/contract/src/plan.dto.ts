import type { PlanProblem, PromiseDates, Slots, WeekHours, Pin } from '@jubb/core/planning';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsDateString,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';

export class SlotDto {
  @IsString()
  @MaxLength(200)
  activity: string;

  /** Minutes since 1970, UTC. */
  @IsNumber()
  @Min(0)
  start: number;

  @IsNumber()
  @Min(0)
  end: number;

  @IsArray()
  @ArrayMaxSize(10)
  @IsString({ each: true })
  on: string[];

  @IsOptional()
  @IsString()
  @MaxLength(40)
  place?: string;
}
export class PinDto {
  @IsString()
  @MaxLength(200)
  activity: string;

  @IsNumber()
  @Min(0)
  start: number;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(10)
  @IsString({ each: true })
  on?: string[];
}
/** A plan that is to be the one in force. */
export class TakePlanDto {
  /** Of the plan in force that this one replaces; 0 when there was none. */
  @IsInt()
  @Min(0)
  version: number;

  /** The moment that it was planned for, minutes since 1970. */
  @IsNumber()
  now: number;

  @IsArray()
  @ArrayMaxSize(20_000)
  @ValidateNested({ each: true })
  @Type(() => SlotDto)
  slots: SlotDto[];

  @IsArray()
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => PinDto)
  pins: PinDto[];
}
/** Asks which dates could be promised for a unit of a sheet. */
export class AskPromiseDto {
  @IsString()
  @MaxLength(60)
  sheet: string;
}
/** A day on which one person, or nobody, works. */
export class DayOffDto {
  @IsDateString()
  day: string;

  /** Nobody works that day when it is left out. */
  @IsOptional()
  @IsUUID()
  person?: string;
}

/** What people need to read a plan: whose job, which unit. */
export interface PlanJobLabel {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly place: string | null;
  readonly due: number | null;
}
export interface PlanInForce {
  readonly version: number;
  readonly by: string;
  readonly at: string;
  readonly slots: Slots;
  readonly pins: readonly Pin[];
}
/** All that the week is planned from. */
export interface WeekView {
  readonly problem: PlanProblem;
  /** How far the minutes of each activity may lie off, as deviations of their logarithm. */
  readonly spreads: Readonly<Record<string, number>>;
  readonly jobs: readonly PlanJobLabel[];
  readonly inForce: PlanInForce | null;
  readonly zone: string;
  readonly hours: WeekHours;
  readonly daysOff: readonly { readonly day: string; readonly person: string | null }[];
}
/** The next things that the plan in force has for everybody. */
export interface PlanMove {
  readonly activity: string;
  readonly title: string;
  readonly job: string;
  readonly hands: readonly string[];
  readonly start: number;
  readonly end: number;
  readonly attended: boolean;
}
/** Work that was given to whichever server has time for it. */
export interface QueuedView {
  readonly id: string;
  readonly state: 'waiting' | 'done' | 'failed';
  readonly promise?: PromiseDates;
  /** The server that did it. */
  readonly by?: string;
  readonly says?: string;
}
