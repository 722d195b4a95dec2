import type { HoldReason } from '../log/events.ts';
import type { Adjustment, TimerKind } from './events.ts';

/** What is asked for on the strip side, on the shelf, and by the clock. */
export type StripCommand =
  /** The layers as they lie, from the end that the sheet counts from: places in the sheet's order, 0-based. */
  | { readonly type: 'order-stack'; readonly op: string; readonly order: readonly number[]; readonly reason?: string }
  | { readonly type: 'look'; readonly op: string; readonly choice: string; readonly note?: string }
  /** As typed: "65.2 mm", "37", "grey". `op` is absent when it is told before its rung. */
  | { readonly type: 'identify'; readonly question: string; readonly answer: string; readonly op?: string }
  | { readonly type: 'way-failed'; readonly op: string; readonly note?: string }
  | {
      readonly type: 'count';
      readonly op: string;
      readonly count: number;
      /** One is lost, and new ones go in. */
      readonly lost?: 'renew';
      readonly reason?: string;
    }
  /** Counts what lies in a tray uncounted. */
  | { readonly type: 'count-tray'; readonly part: string; readonly count: number }
  | {
      readonly type: 'start-timer';
      readonly op?: string;
      readonly title: string;
      readonly minutes: number;
      readonly kind: TimerKind;
    }
  | { readonly type: 'end-timer'; readonly timer: string; readonly reason?: string }
  | { readonly type: 'prepare'; readonly item: string }
  | {
      readonly type: 'add-mark';
      readonly between: readonly [string, string];
      readonly where: string;
      readonly with: string;
    }
  | { readonly type: 'add-aid' | 'add-lead'; readonly title: string; readonly where: string }
  | {
      readonly type: 'surprise';
      readonly kind: 'comes-off-first' | 'not-as-sheet' | 'broken';
      readonly title: string;
      readonly note: string;
      /** What comes off with it. */
      readonly parts?: readonly { readonly title: string; readonly count: number }[];
      /** What is broken. */
      readonly part?: string;
    }
  | ({ readonly type: 'adjust'; readonly op: string } & Adjustment)
  | { readonly type: 'say-unit'; readonly op: string; readonly unit: string; readonly reason: string }
  | { readonly type: 'note'; readonly text: string }
  /** Given by the server once the picture is kept. */
  | {
      readonly type: 'add-photo';
      readonly photo: string;
      readonly step?: string;
      readonly caption: string;
      readonly sha256: string;
      readonly width: number;
      readonly height: number;
    }
  | { readonly type: 'park'; readonly why: HoldReason; readonly note: string; readonly to: string }
  | {
      readonly type: 'resume';
      readonly to: string;
      /** What lies in the trays, counted again: part → how many. */
      readonly counts: Readonly<Record<string, number>>;
      readonly reason?: string;
    };
