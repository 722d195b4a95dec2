import { findings, type Finding } from '@jubb/core/sheet';
import { endKinds, MOST_OF_A_PART, sourceKinds, type EndKind, type Righted, type SourceKind } from '@jubb/core/bench';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
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
import { CommandDto } from './command-base.ts';
import { QuantityDto } from './quantity.dto.ts';

const WHY = { message: 'Say why: it stands in the record' };

/** Something bad is taken as it is. */
export class AcceptSoDto extends CommandDto {
  declare type: 'accept-so';
  @IsString()
  @MinLength(1)
  @MaxLength(120)
  key: string;

  @IsString()
  @MinLength(1, WHY)
  @MaxLength(400)
  reason: string;
}

export class RightedCustomerDto {
  @IsUUID()
  id: string;

  @IsString()
  @MinLength(1)
  @MaxLength(120)
  name: string;
}

/** What should have been said: the fields that the event of that kind has. */
export class RightedDto implements Righted {
  @IsOptional()
  @Equals(true)
  gone?: true;

  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  value?: QuantityDto;

  @IsOptional()
  @IsString()
  @MaxLength(60)
  choice?: string;

  @IsOptional()
  @IsString()
  @MinLength(1)
  @MaxLength(60)
  answer?: string;

  @IsOptional()
  @IsInt({ message: 'A count is a whole number' })
  @Min(0, { message: 'A count is not below nothing' })
  @Max(MOST_OF_A_PART, { message: `More than ${MOST_OF_A_PART} is a slip of the finger` })
  count?: number;

  @IsOptional()
  @IsString()
  @MaxLength(60)
  part?: string;

  @IsOptional()
  @IsString()
  @MinLength(1)
  @MaxLength(2000)
  text?: string;

  @IsOptional()
  @IsIn(findings)
  finding?: Finding;

  @IsOptional()
  @IsString()
  @MinLength(1)
  @MaxLength(60)
  serial?: string;

  @IsOptional()
  @ValidateNested()
  @Type(() => RightedCustomerDto)
  customer?: RightedCustomerDto;

  @IsOptional()
  @IsString()
  @MinLength(1)
  @MaxLength(2000)
  complaint?: string;

  @IsOptional()
  @IsString()
  @MaxLength(60)
  question?: string;

  // Null takes the limit away; left out it stays.
  @ValidateIf((_, value) => value !== undefined && value !== null)
  @IsInt()
  @Min(0)
  @Max(2_147_483_647)
  limitMinor?: number | null;
}

/** What was said is put right. */
export class CorrectDto extends CommandDto {
  declare type: 'correct';
  @IsInt()
  @Min(1)
  @Max(2_147_483_647)
  seq: number;

  @IsDefined()
  @ValidateNested()
  @Type(() => RightedDto)
  to: RightedDto;

  @IsString()
  @MinLength(1, WHY)
  @MaxLength(400)
  reason: string;
}

/** A part is judged once more. */
export class JudgeAgainDto extends CommandDto {
  declare type: 'judge-again';
  @IsString()
  @MaxLength(60)
  part: string;

  @IsString()
  @MinLength(1, WHY)
  @MaxLength(400)
  reason: string;
}

/** Where new parts come from that no order brought. */
export class SaySourceDto extends CommandDto {
  declare type: 'say-source';
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(100)
  @IsString({ each: true })
  @MaxLength(60, { each: true })
  parts: string[];

  @IsIn(sourceKinds)
  from: SourceKind;

  @IsString()
  @MaxLength(200)
  words: string;
}

/** The job ends otherwise than repaired. */
export class EndOtherwiseDto extends CommandDto {
  declare type: 'end-otherwise';
  @IsIn(endKinds)
  how: EndKind;

  @IsString()
  @MinLength(1, { message: 'Say why: the customer reads it' })
  @MaxLength(400)
  reason: string;

  @IsString()
  @MaxLength(120)
  agreedBy: string;
}

/** The classes of the commands that settle and put right, by their `type`. */
export const correctionCommandDtos = [
  { name: 'accept-so', value: AcceptSoDto },
  { name: 'correct', value: CorrectDto },
  { name: 'judge-again', value: JudgeAgainDto },
  { name: 'say-source', value: SaySourceDto },
  { name: 'end-otherwise', value: EndOtherwiseDto },
] as const;
