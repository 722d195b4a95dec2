import { IsString, MaxLength, MinLength } from 'class-validator';

/** What every command has. */
export abstract class CommandDto {
  @IsString()
  type: string;
}

/** A command about one operation of the sheet. */
export abstract class OpCommandDto extends CommandDto {
  @IsString()
  @MinLength(1)
  @MaxLength(120)
  op: string;
}
