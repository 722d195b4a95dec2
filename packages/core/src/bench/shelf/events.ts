export const holdReasons = ['parts', 'yes', 'cure', 'helper', 'tool', 'decision', 'day-end'] as const;

export type HoldReason = (typeof holdReasons)[number];

/** What a job waits for, and where its unit stands. */
export interface ShelfPayloads {
  held: { readonly hold: string; readonly why: HoldReason; readonly note: string };
  'hold-cleared': { readonly hold: string; readonly note?: string };
  moved: { readonly to: string };
  parked: { readonly to: string; readonly note: string };
  resumed: {
    readonly to: string;
    readonly counts: readonly { readonly part: string; readonly expected: number; readonly found: number }[];
    readonly reason?: string;
  };
}
