import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import {
  invoiceLineKinds,
  type InvoiceDraft,
  type InvoiceLine,
  type InvoiceLineKind,
  type InvoiceState,
} from '@jubb/core/invoice';
import { DAY, SAYS_DAY } from './day.ts';

export const paidHows = ['cash', 'card', 'bank', 'otherwise'] as const;
export type PaidHow = (typeof paidHows)[number];

/** Minor units: a thousand million of the major ones is beyond any shop. */
const MOST_MINOR = 100_000_000_000;
const MOST_LINES = 200;

export class InvoiceLineDto {
  @IsString()
  @Length(1, 200, { message: 'A line says what it is for, in 200 letters at most' })
  title: string;

  @IsIn(invoiceLineKinds)
  kind: InvoiceLineKind;

  @IsNumber({ maxDecimalPlaces: 4 }, { message: 'How many, or how many hours' })
  @Min(0.0001)
  @Max(100_000)
  count: number;

  @IsInt({ message: 'A price, in minor units' })
  @Min(-MOST_MINOR)
  @Max(MOST_MINOR)
  eachMinor: number;

  @IsInt({ message: 'A sum, in minor units' })
  @Min(-MOST_MINOR)
  @Max(MOST_MINOR)
  sumMinor: number;
}
/** An invoice as it is to be made out. */
export class IssueInvoiceDto {
  /** The same one twice is one invoice. */
  @IsUUID()
  commandId: string;

  @IsUUID()
  job: string;

  @IsArray()
  @ArrayMinSize(1, { message: 'An invoice has a line' })
  @ArrayMaxSize(MOST_LINES)
  @ValidateNested({ each: true })
  @Type(() => InvoiceLineDto)
  lines: InvoiceLineDto[];

  @IsString()
  @MaxLength(500)
  note: string;
}
export class PaymentDto {
  @IsUUID()
  commandId: string;

  /** Below nought: given back, or to put a wrong one right. */
  @IsInt({ message: 'An amount, in minor units' })
  @Min(-MOST_MINOR)
  @Max(MOST_MINOR)
  amountMinor: number;

  @Matches(DAY, SAYS_DAY)
  day: string;

  @IsIn(paidHows, { message: `One of: ${paidHows.join(', ')}` })
  how: PaidHow;

  @IsString()
  @MaxLength(200)
  note: string;
}
export class CreditDto {
  @IsUUID()
  commandId: string;

  @IsString()
  @Length(1, 300, { message: 'Say why it is taken back' })
  @Matches(/\S/, { message: 'Say why it is taken back' })
  reason: string;

  /** Lines that are taken back, from 0; none named: all that are not yet. */
  @IsOptional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_LINES)
  @ArrayUnique()
  @IsInt({ each: true })
  @Min(0, { each: true })
  lines?: number[];
}
/** What stands on every invoice of the shop. */
export class InvoiceSettingsDto {
  @IsString()
  @MaxLength(300)
  address: string;

  @IsString()
  @MaxLength(40)
  taxNumber: string;

  /** How it is to be paid, in the shop's words: a bank account, say. */
  @IsString()
  @MaxLength(500)
  payWords: string;

  @IsInt({ message: 'Whole days' })
  @Min(0)
  @Max(365)
  payDays: number;

  /** The number of the next invoice: never one that was given. */
  @IsInt({ message: 'A whole number' })
  @Min(1)
  @Max(1_000_000_000)
  next: number;
}

export type InvoiceSettingsView = Readonly<InvoiceSettingsDto>;

export interface InvoiceRow {
  readonly id: string;
  readonly number: string;
  readonly kind: 'invoice' | 'credit';
  readonly day: string;
  readonly due: string;
  readonly customer: string;
  readonly customerId: string;
  readonly job: number;
  readonly jobId: string;
  readonly currency: string;
  readonly netMinor: number;
  readonly taxPercent: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly paidMinor: number;
  readonly creditedMinor: number;
  readonly openMinor: number;
  /** A credit has none of its own. */
  readonly state: InvoiceState | 'credit';
}
export interface InvoiceView extends InvoiceRow {
  readonly lines: readonly InvoiceLine[];
  /** Lines that a credit took back, from 0. */
  readonly takenBack: readonly number[];
  readonly taxName: string;
  readonly title: string;
  readonly serial: string;
  readonly address: string;
  readonly note: string;
  /** Of a credit: why, and which invoice it takes back. */
  readonly of: { readonly id: string; readonly number: string } | null;
  readonly by: string;
  readonly shop: {
    readonly name: string;
    readonly address: string;
    readonly taxNumber: string;
    readonly payWords: string;
  };
  readonly payments: readonly {
    readonly day: string;
    readonly amountMinor: number;
    readonly how: PaidHow;
    readonly note: string;
    readonly by: string;
  }[];
  readonly credits: readonly {
    readonly id: string;
    readonly number: string;
    readonly day: string;
    readonly totalMinor: number;
  }[];
}
/** What would stand on a job's invoice now. */
export interface InvoiceDraftView extends InvoiceDraft {
  readonly jobId: string;
  readonly job: number;
  readonly title: string;
  readonly serial: string;
  readonly customer: string;
  readonly currency: string;
  readonly taxName: string;
  readonly taxPercent: number;
  /** Why none can be made out yet, in words. */
  readonly notYet: string | null;
  /** Invoices of this job that were made out. */
  readonly sent: readonly InvoiceRow[];
}
