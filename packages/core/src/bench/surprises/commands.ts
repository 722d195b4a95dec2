/** What puts something into this job alone. */
export type SurpriseCommand =
  | {
      readonly type: 'add-mark';
      readonly between: readonly [string, string];
      readonly where: string;
      readonly with: string;
    }
  | { readonly type: 'add-aid'; readonly title: string; readonly where: string }
  | { readonly type: 'add-lead'; readonly title: string; readonly where: string }
  | {
      readonly type: 'surprise';
      readonly kind: 'comes-off-first' | 'not-as-sheet' | 'broken';
      readonly title: string;
      readonly note: string;
      /** What comes off with it. */
      readonly parts?: readonly { readonly title: string; readonly count: number }[];
      /** What is broken. */
      readonly part?: string;
    };
