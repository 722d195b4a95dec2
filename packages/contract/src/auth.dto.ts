import { IsUUID, Matches } from 'class-validator';

export const roles = ['owner', 'mechanic', 'parts'] as const;
export type Role = (typeof roles)[number];

export class SignInDto {
  @IsUUID(undefined, { message: 'Choose who you are' })
  person: string;

  @Matches(/^\d{4,8}$/, { message: 'A PIN is four to eight figures' })
  pin: string;
}
