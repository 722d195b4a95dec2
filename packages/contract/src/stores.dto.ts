import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { DAY, SAYS_DAY } from './day.ts';

const MOST_PIECES = 100_000;
const MOST_MINOR = 100_000_000;
const NOT_BLANK = /\S/;

/** How a supplier is reached. */
export class SupplierDto {
  @IsString()
  @Length(1, 80, { message: 'A name of 1 to 80 letters' })
  @Matches(NOT_BLANK, { message: 'A name is due' })
  name: string;

  @IsString()
  @MaxLength(40)
  phone: string;

  @IsString()
  @MaxLength(120)
  email: string;

  /** Our number with them. */
  @IsString()
  @MaxLength(40)
  account: string;

  @IsString()
  @MaxLength(500)
  notes: string;
}
export interface SupplierView extends Readonly<SupplierDto> {
  /** Numbers of its price list here. */
  readonly numbers: number;
}

/** Something that is kept: a number of the small parts, or a size of a drawer. */
class KeptDto {
  @ValidateIf((o: KeptDto) => o.drawer === undefined)
  @IsString({ message: 'A number, or a drawer and its size' })
  @Length(1, 40)
  number?: string;

  @IsOptional()
  @IsString()
  @Length(1, 80)
  drawer?: string;

  @ValidateIf((o: KeptDto) => o.drawer !== undefined)
  @IsInt({ message: 'The size, in nanometres' })
  @Min(1)
  @Max(1_000_000_000)
  thicknessNm?: number;
}
/** Below how many something is to be ordered, and up to how many; null: no level. */
export class LevelDto extends KeptDto {
  @ValidateIf((o: LevelDto) => o.least !== null)
  @IsInt({ message: 'A whole number of pieces' })
  @Min(0)
  @Max(MOST_PIECES)
  least: number | null;

  @ValidateIf((o: LevelDto) => o.upTo !== null)
  @IsInt({ message: 'A whole number of pieces' })
  @Min(0)
  @Max(MOST_PIECES)
  upTo: number | null;
}
/** Ordered for the shop itself. */
export class ShopOrderDto extends KeptDto {
  @IsUUID()
  id: string;

  @IsInt({ message: 'A whole number of pieces' })
  @Min(1)
  @Max(MOST_PIECES)
  count: number;

  @IsString()
  @Length(1, 80, { message: 'From whom?' })
  @Matches(NOT_BLANK, { message: 'From whom?' })
  supplier: string;

  /** Each, without tax; left out where nobody knows. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(MOST_MINOR)
  priceMinor?: number;
}

export interface KeptView {
  readonly number: string | null;
  readonly drawer: string | null;
  readonly thicknessNm: number | null;
  readonly title: string;
  /** Where it lies. */
  readonly bin: string;
  readonly count: number;
  readonly least: number | null;
  readonly upTo: number | null;
  readonly coming: number;
  /** Pieces to order now. */
  readonly wanted: number;
  /** Who lists it, and for how much. */
  readonly supplier: string | null;
  readonly priceMinor: number | null;
}
export interface ShopOrderView {
  readonly id: string;
  readonly title: string;
  readonly count: number;
  readonly supplier: string;
  readonly priceMinor: number | null;
  readonly ordered: string;
  readonly by: string;
}
export interface StoresView {
  readonly kept: readonly KeptView[];
  readonly orders: readonly ShopOrderView[];
}

class TelephoneLineDto {
  /** A part of the sheet. */
  @IsString()
  @Length(1, 80)
  part: string;

  @IsString()
  @MaxLength(40)
  number: string;

  /** How many of them; the rest may come from somebody else. */
  @IsInt({ message: 'A whole number' })
  @Min(1, { message: 'One at least' })
  @Max(10_000)
  count: number;

  /** Each, without tax. */
  @IsInt({ message: 'A price, in minor units' })
  @Min(0)
  @Max(MOST_MINOR)
  priceMinor: number;
}
/** Parts of a job that somebody ordered by telephone, from whomever. */
export class TelephoneOrderDto {
  @IsUUID()
  commandId: string;

  @IsString()
  @Length(1, 80, { message: 'From whom?' })
  @Matches(NOT_BLANK, { message: 'From whom?' })
  supplier: string;

  /** When it is to be here; left out where nobody said. */
  @IsOptional()
  @Matches(DAY, SAYS_DAY)
  expected?: string;

  @IsArray()
  @ArrayMinSize(1, { message: 'One part at least' })
  @ArrayMaxSize(60)
  @ArrayUnique((l: TelephoneLineDto) => l.part, { message: 'Each part once' })
  @ValidateNested({ each: true })
  @Type(() => TelephoneLineDto)
  lines: TelephoneLineDto[];
}
