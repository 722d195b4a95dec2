import { Matches, ValidateIf } from 'class-validator';

/** Nightly backups that are kept. */
export const NIGHTS_KEPT = 7;

/** When the nightly backup is taken, by the shop's clock; null when none is. */
export class NightlyDto {
  @ValidateIf((o: NightlyDto) => o.at !== null)
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'A time of day, as 02:00' })
  at: string | null;
}

export interface BackupView {
  readonly id: string;
  readonly asked: string;
  /** Who asked for it; null for a nightly one. */
  readonly by: string | null;
  readonly state: 'running' | 'done' | 'failed';
  readonly file: string;
  /** Whether the file still lies in its folder. */
  readonly there: boolean;
  readonly bytes: number | null;
  /** Hex, of the whole file. */
  readonly sha256: string | null;
  readonly jobs: number | null;
  /** Why there is none, in words. */
  readonly problem: string | null;
}
export interface BackupsView {
  readonly nightly: string | null;
  /** Where they lie on the machine that the workshop runs on. */
  readonly folder: string;
  /** When the newest good one that is still there was taken. */
  readonly last: string | null;
  readonly all: readonly BackupView[];
}
