import { IsNumber, IsOptional, Max, Min } from 'class-validator';

const HOURS_OF_A_WEEK = 168;

/** How long a unit runs in a week, hours; nothing when nobody knows. */
export class UnitRunsDto {
  @IsOptional()
  @IsNumber({}, { message: 'Hours in a week, such as 40' })
  @Min(0.1, { message: 'More than nothing, or leave it empty' })
  @Max(HOURS_OF_A_WEEK, { message: 'A week has 168 hours' })
  hoursPerWeek?: number;
}
