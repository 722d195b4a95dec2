import type { BetweenKind } from '../../sheet/index.ts';

/** What taking a unit apart leaves in the log. */
export interface StripPayloads {
  /** `left`: so many are left in on purpose. */
  'joint-undone': { readonly op: string; readonly joint: string; readonly count: number; readonly left?: number };
  'last-out': { readonly op: string; readonly joint: string; readonly count: number };
  'parts-off': {
    readonly op: string;
    readonly parts: readonly { readonly part: string; readonly count: number }[];
    readonly tray: string;
    /** What to remember: way up, side, which hole. */
    readonly note?: string;
    /** How it came off, where the sheet names ways. */
    readonly way?: string;
    /** Why there are more or fewer than the sheet says. */
    readonly reason?: string;
  };
  'lead-parted': { readonly op: string; readonly lead: string };
  'lead-reconnected': { readonly op: string; readonly lead: string };
  'set-between': {
    readonly op: string;
    readonly state: BetweenKind;
    readonly joint?: string;
    readonly part?: string;
    readonly note?: string;
  };
  'part-scrapped': { readonly op: string; readonly part: string; readonly count: number };
  'way-failed': { readonly op: string; readonly way: string; readonly next: number; readonly note?: string };
  'part-destroyed': { readonly op: string; readonly part: string; readonly way: string; readonly saved?: string };
}
