/** Kinds of waiting that run by the clock. */
export const timerKinds = ['cure', 'soak', 'rest', 'heat', 'oven', 'other'] as const;

export type TimerKind = (typeof timerKinds)[number];

/** What runs by the clock, and what is made ready ahead. */
export interface WaitPayloads {
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
}
