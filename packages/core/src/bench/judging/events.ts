import type { Finding } from '../../sheet/index.ts';

/** What judging leaves in the log. */
export interface JudgePayloads {
  'finding-made': {
    readonly op: string;
    readonly part: string;
    readonly finding: Finding;
    readonly reason: string;
    /** What the sheet and the readings advised; absent in older logs, null when they could not tell. */
    readonly advised?: Finding | null;
    readonly says?: readonly string[];
  };
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
  'method-chosen': { readonly op: string; readonly method: string; readonly choice: string; readonly why: string };
}
