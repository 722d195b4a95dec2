import { IsString, MaxLength, MinLength } from 'class-validator';

/** The instrument behind a figure, by its id: what it is, how true and over what range is on the server's own list. */
export class InstrumentIdDto {
  @IsString()
  @MinLength(1)
  @MaxLength(60)
  id: string;
}
