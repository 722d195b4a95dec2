import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { Type } from 'class-transformer';
import { ownInstrumentKinds, type OwnInstrumentKind } from '@jubb/core/bench';
import { roles, type Role } from './auth.dto.ts';

export const readBy = ['typed', 'keyboard', 'port'] as const;
export type ReadBy = (typeof readBy)[number];

const NOT_BLANK = /\S/;
const LONGEST_NAME = 80;
const MOST_PLACES = 40;
const MOST_SIZES = 80;
/** Pieces of one size in a drawer, and the thickest shim, mm. */
const MOST_PIECES = 10_000;
const THICKEST_MM = 100;

/** Who works here, as the owner keeps it. */
export class PersonDto {
  @IsString({ message: 'A name is due' })
  @Length(1, LONGEST_NAME, { message: 'A name has 1 to 80 letters' })
  @Matches(NOT_BLANK, { message: 'A name is due' })
  name: string;

  @IsString({ message: 'One to four letters' })
  @Matches(/^\p{L}{1,4}$/u, { message: 'One to four letters' })
  initials: string;

  @IsIn(roles, { message: `One of: ${roles.join(', ')}` })
  role: Role;

  /** Puts hands on units: the plan counts on them. */
  @IsBoolean({ message: 'Yes or no' })
  works: boolean;
}
export class NewPersonDto extends PersonDto {
  @IsString({ message: 'A PIN is due' })
  @MaxLength(64)
  pin: string;
}
export class NewPinDto {
  @IsString({ message: 'A PIN is due' })
  @MaxLength(64)
  pin: string;
}

/** One of each tool that jobs wait for, and how many there are of it. */
export class PlacesDto {
  @IsArray()
  @ArrayMinSize(1, { message: 'One bench at least' })
  @ArrayMaxSize(MOST_PLACES)
  @ArrayUnique({ message: 'Each bench has a name of its own' })
  @IsString({ each: true })
  @Length(1, 12, { each: true, message: 'A bench is named in 1 to 12 letters' })
  @Matches(NOT_BLANK, { each: true, message: 'A bench has a name' })
  places: string[];

  @IsArray()
  @ArrayMinSize(1, { message: 'One place on the shelf at least' })
  @ArrayMaxSize(MOST_PLACES)
  @ArrayUnique({ message: 'Each place on the shelf has a name of its own' })
  @IsString({ each: true })
  @Length(1, 12, { each: true, message: 'A place on the shelf is named in 1 to 12 letters' })
  @Matches(NOT_BLANK, { each: true, message: 'A place on the shelf has a name' })
  shelves: string[];

  /** As "Europe/London". */
  @IsString({ message: 'A time zone, as "Europe/London"' })
  @MaxLength(60)
  zone: string;
}

export class DrawerSizeDto {
  @IsNumber({}, { message: 'A thickness in mm' })
  @Min(0.001, { message: 'Thicker than nothing' })
  @Max(THICKEST_MM)
  mm: number;

  @IsInt({ message: 'A whole number of pieces' })
  @Min(0)
  @Max(MOST_PIECES)
  count: number;
}
/** What lies in a drawer, as it was counted: sizes that are not named lie in it no more. */
export class DrawerDto {
  @IsArray()
  @ArrayMaxSize(MOST_SIZES)
  @ArrayUnique((s: DrawerSizeDto) => s.mm, { message: 'Each size once' })
  @ValidateNested({ each: true })
  @Type(() => DrawerSizeDto)
  sizes: DrawerSizeDto[];
}

class WrenchDto {
  @IsNumber({}, { message: 'Where its scale begins, N·m' })
  @Min(0)
  @Max(5000)
  minNm: number;

  @IsNumber({}, { message: 'Where its scale ends, N·m' })
  @Min(0.1)
  @Max(5000)
  maxNm: number;

  @IsNumber({}, { message: 'From the square to the middle of the grip, mm' })
  @Min(20)
  @Max(3000)
  lengthMm: number;

  @IsNumber({}, { message: 'One step of its scale, in its unit' })
  @Min(0.001)
  @Max(50)
  graduation: number;
}
/** A wrench, gauge or meter of the shop's own. */
export class OwnInstrumentDto {
  @IsString({ message: 'A name is due' })
  @Length(1, LONGEST_NAME, { message: 'A name has 1 to 80 letters' })
  @Matches(NOT_BLANK, { message: 'A name is due' })
  name: string;

  @IsIn(ownInstrumentKinds, { message: `One of: ${ownInstrumentKinds.join(', ')}` })
  kind: OwnInstrumentKind;

  /** Its own number, as it is engraved or on its certificate. */
  @IsOptional()
  @IsString()
  @MaxLength(40)
  number?: string;

  @IsString({ message: 'The unit that it shows' })
  @Length(1, 12)
  unit: string;

  @IsNumber({}, { message: 'The smallest step that it shows' })
  @Min(1e-6)
  @Max(1000)
  resolution: number;

  /** Expanded, k = 2, in its unit. */
  @IsNumber({}, { message: 'Its uncertainty, in its unit' })
  @Min(0)
  @Max(10_000)
  uncertainty: number;

  @IsIn(readBy, { message: `One of: ${readBy.join(', ')}` })
  readBy: ReadBy;

  /** Of one on a line: host and port of what speaks for it. */
  @ValidateIf((o: OwnInstrumentDto) => o.readBy === 'port')
  @IsString({ message: 'Host and port, as 192.168.7.30:7900' })
  @Matches(/^([\w.-]{1,80}|\[[0-9a-f:]{2,45}\]):([1-9]\d{0,4})$/i, { message: 'Host and port, as 192.168.7.30:7900' })
  line?: string;

  /** The last day on which its calibration holds. */
  @IsOptional()
  @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A day, as 2027-03-31' })
  calibratedTo?: string;

  /** What a torque wrench must have. */
  @IsOptional()
  @ValidateNested()
  @Type(() => WrenchDto)
  wrench?: WrenchDto;
}

/** Whether the shop takes in units of a sheet. */
export class SheetDoneDto {
  @IsBoolean({ message: 'Yes or no' })
  done: boolean;
}
/** A certificate of calibration, kept as a file. */
export interface CertificateView {
  readonly id: string;
  /** Of which instrument. */
  readonly instrument: string;
  readonly name: string;
  readonly mime: string;
  readonly by: string;
  readonly at: string;
}
export interface ShopPersonView {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly works: boolean;
  /** Since when they work here no more. */
  readonly left: string | null;
  /** On so many devices are they signed in now. */
  readonly signedIn: number;
}
export interface ShopChangeView {
  readonly at: string;
  readonly by: string;
  /** What was changed: "hour's rate". */
  readonly what: string;
  readonly was: string | null;
  readonly is: string | null;
}
export interface ShopPlacesView {
  readonly places: readonly string[];
  readonly shelves: readonly string[];
  readonly zone: string;
  /** Benches and shelves that a unit is at. */
  readonly taken: readonly string[];
}
export interface ShopDrawerView {
  readonly drawer: string;
  /** Titles of the sheets that draw on it. */
  readonly sheets: readonly string[];
  readonly sizes: readonly { readonly mm: number; readonly count: number }[];
}
/** What a new shop has still to do before its first job, in the order in which it is asked. */
export interface FirstStepView {
  readonly id: 'yourself' | 'money' | 'places' | 'people' | 'instruments' | 'drawers' | 'job';
  readonly done: boolean;
}
