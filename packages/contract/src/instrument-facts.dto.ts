import { Type } from 'class-transformer';
import { IsBoolean, IsNumber, IsOptional, IsString, Max, MaxLength, Min, ValidateNested } from 'class-validator';
import { QuantityDto } from './quantity.dto.ts';

export class RangeDto {
  @IsNumber()
  @Min(0)
  @Max(10_000)
  min: number;

  @IsNumber()
  @Min(0)
  @Max(10_000)
  max: number;
}

/** The instrument behind a figure. */
export class InstrumentFactsDto {
  @IsString()
  @MaxLength(60)
  id: string;

  @IsString()
  @MaxLength(80)
  name: string;

  @IsOptional()
  @ValidateNested()
  @Type(() => QuantityDto)
  uncertainty?: QuantityDto;

  @IsBoolean()
  simulated: boolean;

  @IsOptional()
  @IsString()
  @MaxLength(40)
  kind?: string;

  /** Of a wrench: from where to where it may be used, N·m. */
  @IsOptional()
  @ValidateNested()
  @Type(() => RangeDto)
  rangeNm?: RangeDto;
}
