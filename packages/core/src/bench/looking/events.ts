import type { Moment } from '../../sheet/index.ts';

/** What is seen, heard or felt, as it stands in the log. */
export interface LookPayloads {
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
  /** A new part with a mark on it went into the bin. */
  'part-binned': { readonly op: string; readonly part: string; readonly why: string };
}
