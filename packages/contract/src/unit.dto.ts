import { IsNumber, IsOptional, IsString, Length, Matches, Max, MaxLength, Min } from 'class-validator';

const HOURS_OF_A_WEEK = 168;

/** How long a unit runs in a week, hours; nothing when nobody knows. */
export class UnitRunsDto {
  @IsOptional()
  @IsNumber({}, { message: 'Hours in a week, such as 40' })
  @Min(0.1, { message: 'More than nothing, or leave it empty' })
  @Max(HOURS_OF_A_WEEK, { message: 'A week has 168 hours' })
  hoursPerWeek?: number;
}

/** What a unit is called, and where it works. Records keep what it was called when they were written. */
export class UnitFactsDto {
  @IsString()
  @Length(1, 60, { message: 'A serial number of 1 to 60 letters' })
  @Matches(/\S/, { message: 'A serial number is due' })
  serial: string;

  @IsString()
  @MaxLength(80)
  model: string;

  /** On which machine, where. */
  @IsString()
  @MaxLength(120)
  worksAt: string;
}
