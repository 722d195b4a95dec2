/** What counting leaves in the log. */
export interface CountPayloads {
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
}
