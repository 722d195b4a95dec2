import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
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
import { IsInstant } from './instant.ts';
import { UnitRunsDto } from './unit.dto.ts';

export class IdentifyAnswerDto {
  /** Place of the question in the sheet, from 0. */
  @IsInt()
  @Min(0)
  @Max(50)
  question: number;

  /** As typed: "65.2 mm", or a word. */
  @IsString()
  @MinLength(1, { message: 'Measure it, and type it with its unit' })
  @MaxLength(60)
  answer: string;
}

/** Was it opened before, and by what signs? */
export class OpenedDto {
  @IsIn(['yes', 'no', 'unknown'])
  answer: 'yes' | 'no' | 'unknown';

  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(120, { each: true })
  signs: string[];

  /** Why it is back. */
  @IsOptional()
  @IsString()
  @MaxLength(400)
  why?: string;
}

/**
 * Books a unit in. Customer and unit are named by id when they are known, else by what is new about them; with how long the unit runs
 * in a week, where somebody knows.
 */
export class BookInDto extends UnitRunsDto {
  /** Made by the asker: asking again with the same id books once. */
  @IsUUID()
  commandId: string;

  @IsOptional()
  @IsUUID()
  customerId?: string;

  @ValidateIf((o: BookInDto) => o.customerId === undefined)
  @IsString()
  @MinLength(2, { message: 'Name the customer' })
  @MaxLength(120)
  customerName?: string;

  @IsOptional()
  @IsUUID()
  unitId?: string;

  @ValidateIf((o: BookInDto) => o.unitId === undefined)
  @IsString()
  @MinLength(1, { message: 'Type the serial as it stands on the unit' })
  @MaxLength(60)
  serial?: string;

  @IsString()
  @MinLength(1, { message: 'Choose the build sheet' })
  @MaxLength(60)
  sheet: string;

  /** How much of the unit it is about, by its sheet; all of it where nothing is said. */
  @IsOptional()
  @IsString()
  @MaxLength(60)
  scope?: string;

  @IsString()
  @MinLength(3, { message: 'What is wrong with it, in the customer’s words' })
  @MaxLength(400)
  complaint: string;

  @IsOptional()
  @IsInstant({ message: 'A day and a time' })
  deliveryDate?: string;

  /** Minor units (pence). */
  @IsOptional()
  @IsInt({ message: 'Whole pounds, or leave it empty' })
  @Min(0, { message: 'Not below nothing' })
  @Max(100_000_000)
  spendLimitMinor?: number;

  @IsOptional()
  @IsString()
  @MaxLength(20)
  place?: string;

  @IsArray()
  @ValidateNested({ each: true })
  @Type(() => IdentifyAnswerDto)
  answers: IdentifyAnswerDto[];

  /** Undecided is booked as undecided: the bench asks again. */
  @IsOptional()
  @IsBoolean()
  leaveOpen?: boolean;

  @IsOptional()
  @ValidateNested()
  @Type(() => OpenedDto)
  opened?: OpenedDto;
}
