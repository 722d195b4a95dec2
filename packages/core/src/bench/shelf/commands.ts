import type { HoldReason } from './events.ts';

/** What holds, moves and parks a job. */
export type ShelfCommand =
  | { readonly type: 'hold'; readonly why: HoldReason; readonly note: string }
  | { readonly type: 'clear-hold'; readonly hold: string; readonly note?: string }
  | { readonly type: 'move'; readonly to: string }
  | { readonly type: 'park'; readonly why: HoldReason; readonly note: string; readonly to: string }
  | {
      readonly type: 'resume';
      readonly to: string;
      /** What lies in the trays, counted again: part → how many. */
      readonly counts: Readonly<Record<string, number>>;
      readonly reason?: string;
    };
