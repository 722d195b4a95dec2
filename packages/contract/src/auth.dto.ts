import { IsString, Length, MaxLength, MinLength } from 'class-validator';

export const roles = ['owner', 'mechanic', 'parts'] as const;
export type Role = (typeof roles)[number];

const LONGEST_PIN = 64;

/** A name as it stands on the sign-in screen, and its PIN or pass phrase. */
export class SignInDto {
  @IsString({ message: 'Choose who you are' })
  @Length(1, 80, { message: 'Choose who you are' })
  name: string;

  @IsString({ message: 'A PIN is due' })
  @Length(4, LONGEST_PIN, { message: 'A PIN has four figures at least' })
  pin: string;
}

/** Another PIN for whoever is signed in. */
export class ChangePinDto {
  @IsString()
  @MinLength(1, { message: 'The PIN that you have now' })
  @MaxLength(LONGEST_PIN)
  old: string;

  @IsString()
  @MaxLength(LONGEST_PIN)
  pin: string;
}

/** What the door says to a stranger: whose shop it is. */
export interface DoorView {
  readonly shop: string;
}

/** A name to press on the sign-in screen: all that a stranger is told of a person. */
export interface NameView {
  readonly name: string;
  readonly initials: string;
}
