import type { TimerKind } from './events.ts';

/** What is asked for of what runs by the clock. */
export type WaitCommand =
  | {
      readonly type: 'start-timer';
      readonly op?: string;
      readonly title: string;
      readonly minutes: number;
      readonly kind: TimerKind;
    }
  | { readonly type: 'end-timer'; readonly timer: string; readonly reason?: string }
  | { readonly type: 'prepare'; readonly item: string };
