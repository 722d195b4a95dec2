import { answerHows, quoteAnswers, type Bill, type MoneySettings, type QuotePayloads } from '@jubb/core/bench';
import { buyingWays, type BuyingWay, type OrderPlan } from '@jubb/core/parts';
import type { PriceChanges } from '@jubb/core/parts/price-list';
import type { Offer, TimeLearned } from '@jubb/core/quote';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
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

/** Made by the asker: asking again with the same id does nothing twice. */
class OnceDto {
  @IsUUID()
  commandId: string;
}

export class OrderDto extends OnceDto {
  @IsIn(buyingWays)
  way: BuyingWay;
}

export class ArriveDto extends OnceDto {
  /** Parts of a kit that were not in it. */
  @IsArray()
  @ArrayMaxSize(60)
  @IsString({ each: true })
  @MaxLength(80, { each: true })
  missing: string[];
}

export class WhyDto extends OnceDto {
  @IsString()
  @MinLength(1, { message: 'Say why' })
  @MaxLength(400)
  why: string;
}

export class StockDto {
  @IsInt()
  @Min(0)
  @Max(100_000)
  count: number;

  @IsString()
  @MinLength(1)
  @MaxLength(120)
  title: string;

  /** Where it lies. */
  @IsString()
  @MaxLength(40)
  bin: string;
}

/** A part that the sheet has no number for, as somebody was told its price. */
export class HandPriceDto {
  @IsString()
  @MaxLength(80)
  part: string;

  /** Each, without tax, minor units. */
  @IsInt()
  @Min(0)
  @Max(100_000_000)
  priceMinor: number;
}

export class QuoteDto extends OnceDto {
  @IsString()
  @MaxLength(1000)
  note: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(100)
  @ValidateNested({ each: true })
  @Type(() => HandPriceDto)
  byHand?: HandPriceDto[];
}

export class AnswerQuoteDto extends OnceDto {
  @IsIn(quoteAnswers)
  answer: (typeof quoteAnswers)[number];

  @IsOptional()
  @IsIn(['repair', 'renewed', 'kits', 'exchange', 'leave'])
  option?: QuotePayloads['quote-answered']['option'];

  /** Up to how much, with tax, minor units; of "only this much". */
  @IsInt()
  @Min(0)
  @Max(1_000_000_000)
  agreedMinor: number;

  @IsString()
  @MinLength(1, { message: 'Name who said it' })
  @MaxLength(120)
  who: string;

  @IsIn(answerHows)
  how: (typeof answerHows)[number];

  @IsString()
  @MaxLength(400)
  note: string;
}

export class SettingsDto {
  @IsString()
  @MinLength(1)
  @MaxLength(80)
  name: string;

  @IsString()
  @MinLength(1)
  @MaxLength(4)
  currency: string;

  /** For an hour, minor units. */
  @IsInt()
  @Min(0)
  @Max(10_000_000)
  rateMinor: number;

  @IsNumber({ maxDecimalPlaces: 2 })
  @Min(0)
  @Max(100)
  taxPercent: number;

  @IsString()
  @MaxLength(20)
  taxName: string;
}

export const lineStates = ['sending', 'on-its-way', 'out-of-stock', 'arrived', 'cancelled'] as const;
export type LineState = (typeof lineStates)[number];

/** An order line as the Parts screen shows it. */
export interface OrderLineView {
  readonly line: string;
  readonly job: string;
  readonly jobNumber: number;
  readonly unit: string;
  readonly place: string | null;
  readonly number: string;
  readonly title: string;
  readonly count: number;
  readonly priceMinor: number | null;
  /** What the supplier asks for each today; null until it has answered. */
  readonly askedMinor: number | null;
  readonly supplier: string;
  readonly kit: boolean;
  /** What a kit is to hold: part → title. */
  readonly contents: Readonly<Record<string, string>>;
  readonly missing: readonly string[];
  readonly state: LineState;
  readonly orderedAt: string;
  readonly expected: string | null;
  readonly arrivedAt: string | null;
  /** Why the supplier has not answered yet, and when it is asked again. */
  readonly trouble: { readonly says: string; readonly again: string } | null;
}
/** A job whose parts are not all ordered. */
export interface ToOrderView {
  readonly job: string;
  readonly jobNumber: number;
  readonly unit: string;
  readonly customer: string;
  readonly parts: number;
}
export interface DrawerView {
  readonly shims: readonly { readonly drawer: string; readonly mm: number; readonly count: number }[];
  readonly stock: readonly {
    readonly number: string;
    readonly title: string;
    readonly bin: string;
    readonly count: number;
  }[];
}
export interface PartsView {
  readonly toOrder: readonly ToOrderView[];
  readonly lines: readonly OrderLineView[];
  readonly drawer: DrawerView;
  readonly superseded: readonly { readonly old: string; readonly now: string; readonly title: string }[];
  readonly catalogue: number;
}
export type PlanView = OrderPlan;
/** What would change, with samples of it; or, once it was done, what did. */
export interface PriceListView {
  readonly lines: number;
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  readonly wrong: number;
  readonly sampleAdded: PriceChanges['added'];
  readonly sampleChanged: PriceChanges['changed'];
  readonly errors: PriceChanges['errors'];
  readonly applied: boolean;
}
/** Findings and what to offer for them. */
export interface OfferView {
  readonly offer: Offer;
  readonly plan: OrderPlan;
  readonly bill: Bill;
  readonly agreedMinor: number | null;
  readonly money: MoneySettings & { readonly currency: string; readonly taxName: string };
  readonly time: TimeLearned;
}
