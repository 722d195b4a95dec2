/** What counts. */
export type CountCommand =
  | {
      readonly type: 'count';
      readonly op: string;
      readonly count: number;
      /** One is lost, and new ones go in. */
      readonly lost?: 'renew';
      readonly reason?: string;
    }
  /** Counts what lies in a tray uncounted. */
  | { readonly type: 'count-tray'; readonly part: string; readonly count: number };
