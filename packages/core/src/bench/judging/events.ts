/** What measuring and judging leave in the log beside readings and findings. */
export interface JudgePayloads {
  /** A measure that was done is taken up again: a finer gauge, or more readings. */
  'measure-reopened': { readonly op: string; readonly measure: string };
  'cause-found': {
    readonly op: string;
    readonly cause: string;
    readonly ask: string;
    /** null: it is not known, and that is on record. */
    readonly choice: string | null;
    readonly title: string;
    /** What was read and seen that spoke for it. */
    readonly evidence: readonly string[];
    readonly then?: string;
    readonly note?: string;
  };
  /** Left as it is on purpose, to be looked at next time. */
  'deferral-made': { readonly part: string; readonly title: string; readonly words: string; readonly again?: string };
}
