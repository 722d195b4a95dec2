import type { PlanProblem, DeliveryDates, Slack, Slots, WeekHours, Pin } from '@jubb/core/planning';
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
  IsUUID,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { IsDay } from './instant.ts';
import { LARGEST_INT } from './limits.ts';
import { IsPins, IsSlots, LATEST_MINUTE } from './plan-slots.ts';
import { IsWeek } from './week.ts';

export const jobWeights = [1, 2, 4] as const;

/** When a piece of work is done, minutes since 1970, and on what. */
export interface SlotBody {
  readonly activity: string;
  readonly start: number;
  readonly end: number;
  readonly on: string[];
  readonly place?: string;
}
/** A piece of work that somebody has put where it is. */
export interface PinBody {
  readonly activity: string;
  readonly start: number;
  readonly on?: string[];
}
/** Hours beside the usual ones: everybody's, one person's, or a helper's. */
export class ExtraHoursDto {
  /** Minutes since 1970, UTC. */
  @IsInt()
  @Min(0)
  @Max(LATEST_MINUTE)
  from: number;

  @IsInt()
  @Min(0)
  @Max(LATEST_MINUTE)
  to: number;

  @IsBoolean()
  helper: boolean;

  /** Whose, when it is not a helper's; everybody's when it is left out. */
  @IsOptional()
  @IsUUID()
  person?: string;
}
/** A plan that is to be the one in force. */
export class TakePlanDto {
  /** Of the plan in force that this one replaces; 0 when there was none. */
  @IsInt()
  @Min(0)
  @Max(LARGEST_INT)
  version: number;

  /** The moment that it was planned for, minutes since 1970. */
  @IsNumber()
  @Min(0)
  @Max(LATEST_MINUTE)
  now: number;

  @IsSlots()
  slots: SlotBody[];

  @IsPins()
  pins: PinBody[];

  /** Hours that this plan needs and that are agreed on with it. */
  @IsOptional()
  @ValidateNested()
  @Type(() => ExtraHoursDto)
  agreed?: ExtraHoursDto;
}
/** Asks which dates could be promised for a unit of a sheet. */
export class AskDeliveryDatesDto {
  @IsString()
  @MaxLength(60)
  sheet: string;

  /** How much of the unit it is about, by its sheet. */
  @IsOptional()
  @IsString()
  @MaxLength(60)
  scope?: string;
}
/** A day on which one person, or nobody, works. */
export class DayOffDto {
  @IsDay()
  day: string;

  /** Nobody works that day when it is left out. */
  @IsOptional()
  @IsUUID()
  person?: string;
}

export class ToolCountDto {
  @IsString()
  @MaxLength(40)
  id: string;

  @IsInt({ message: 'How many there are' })
  @Min(0)
  @Max(20)
  capacity: number;
}
/** Opening hours of a week and how many there are of each tool. */
export class ShopHoursDto {
  /** Monday first; of each day spans such as ["08:00", "12:00"]. */
  @IsWeek()
  hours: WeekHours;

  @IsArray()
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => ToolCountDto)
  tools: ToolCountDto[];
}

/** What a late minute of a job costs against one of another. */
export class JobWeightDto {
  @IsIn(jobWeights, { message: `Once, twice or four times: ${jobWeights.join(', ')}` })
  weight: (typeof jobWeights)[number];
}

/** What people need to read a plan: whose job, which unit. */
export interface PlanJobLabel {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly place: string | null;
  readonly due: number | null;
  readonly weight: number;
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
  /** Who has hands to plan with. */
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** Hours that were agreed beside these, and are not over. */
  readonly extraHours: readonly ExtraHours[];
  readonly tools: readonly { readonly id: string; readonly title: string; readonly capacity: number }[];
}
export interface ExtraHours {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly helper: boolean;
  readonly person: string | null;
  readonly by: string;
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
/** Job id → time in hand before its delivery date, in open minutes; jobs without one are left out. */
export type SlackView = Readonly<Record<string, Slack>>;
/** Work that was given to whichever server has time for it. */
export interface QueuedView {
  readonly id: string;
  readonly state: 'waiting' | 'done' | 'failed';
  readonly deliveryDates?: DeliveryDates;
  /** The server that did it. */
  readonly by?: string;
  readonly says?: string;
}
