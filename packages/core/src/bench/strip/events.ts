import type { Quantity } from '../../quantities/index.ts';
import type { BetweenKind, Moment, SideName } from '../../sheet/index.ts';

/** Kinds of waiting that run by the clock. */
export const timerKinds = ['cure', 'soak', 'rest', 'heat', 'oven', 'other'] as const;
export type TimerKind = (typeof timerKinds)[number];

/** What this job has beside its sheet: put in at the bench, and only for this job. */
export type OwnThing =
  | {
      readonly kind: 'rung';
      readonly id: string;
      readonly title: string;
      /** The step that it comes before, and on which side. */
      readonly before: string;
      readonly side: SideName;
      readonly lines: readonly string[];
      readonly parts: readonly { readonly id: string; readonly title: string; readonly count: number }[];
    }
  | {
      readonly kind: 'mark';
      readonly id: string;
      readonly between: readonly [string, string];
      readonly where: string;
      readonly with: string;
      /** Build step on which it is lined up again. */
      readonly home: string;
    }
  | {
      readonly kind: 'aid' | 'lead';
      readonly id: string;
      readonly title: string;
      readonly where: string;
      readonly home: string;
    };

/** How a setting without a fitted pack was moved. Positive turns tighten; packs by their change; a collar slides in by a positive. */
export interface Adjustment {
  readonly note: string;
  readonly turned?: Quantity;
  readonly left?: Quantity;
  readonly right?: Quantity;
  readonly slid?: Quantity;
}

/** Payloads of the strip side, the shelf and what waits: `EventPayloads` takes them in. */
export interface StripPayloads {
  'lead-parted': { readonly op: string; readonly lead: string };
  'lead-reconnected': { readonly op: string; readonly lead: string };
  'set-between': {
    readonly op: string;
    readonly state: BetweenKind;
    readonly joint?: string;
    readonly part?: string;
    readonly note?: string;
  };
  'last-out': { readonly op: string; readonly joint: string; readonly count: number };
  /** `order`: places in the sheet's own order, 0-based, as the layers lie. */
  'stack-recorded': {
    readonly op: string;
    readonly stack: string;
    readonly moment: 'as-found' | 'built';
    readonly order: readonly number[];
    readonly asSheet: boolean;
    readonly reason?: string;
  };
  looked: {
    readonly op: string;
    readonly look: string;
    readonly moment: Moment;
    readonly choice: string;
    readonly title: string;
    readonly verdict: 'good' | 'bad' | 'unsure';
    readonly note?: string;
    /** Bad, and not how it came in: the operation stays open until it is put right, led back from, or accepted. */
    readonly open?: true;
  };
  identified: {
    readonly op: string | null;
    readonly question: string;
    readonly ask: string;
    readonly answer: string;
    readonly says?: string;
    /** Variants that the answer leaves possible; empty when it speaks of a part only. */
    readonly variants: readonly string[];
    readonly variant: string | null;
    readonly part?: string;
    readonly order?: string;
  };
  'part-scrapped': { readonly op: string; readonly part: string; readonly count: number };
  'way-failed': { readonly op: string; readonly way: string; readonly next: number; readonly note?: string };
  'part-destroyed': { readonly op: string; readonly part: string; readonly way: string; readonly saved?: string };
  counted: {
    readonly op: string | null;
    readonly part: string;
    readonly count: number;
    /** What it should be; null while nobody knows. */
    readonly expected: number | null;
    readonly agrees: boolean;
    readonly moment: 'strip' | 'tray' | 'build';
    readonly lost?: 'renew';
    readonly reason?: string;
  };
  'count-left': { readonly part: string };
  'timer-started': {
    readonly timer: string;
    readonly op: string | null;
    readonly kind: TimerKind;
    readonly title: string;
    readonly minutes: number;
  };
  /** `early`: why it was cut short; null when it had run. */
  'timer-ended': { readonly timer: string; readonly early: string | null };
  prepared: { readonly item: string; readonly what: string };
  'own-added': { readonly own: OwnThing };
  /** A setting without shims was moved, and is read again: what was done, in the hand's own terms. */
  'setting-adjusted': { readonly op: string; readonly setting: string } & Adjustment;
  'unit-said': { readonly op: string; readonly joint: string; readonly unit: string; readonly reason: string };
  noted: { readonly step: string | null; readonly text: string; readonly about: 'note' | 'not-as-sheet' | 'broken' };
  'lesson-filed': {
    readonly rung: string;
    readonly words: string;
    readonly kind: 'comes-off-first' | 'not-as-sheet' | 'broken' | 'no-figure';
  };
  'photo-added': {
    readonly photo: string;
    readonly step: string | null;
    readonly caption: string;
    readonly sha256: string;
    readonly width: number;
    readonly height: number;
  };
  parked: { readonly to: string; readonly note: string };
  resumed: {
    readonly to: string;
    readonly counts: readonly { readonly part: string; readonly expected: number; readonly found: number }[];
    readonly reason?: string;
  };
}
