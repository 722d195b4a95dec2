import type { Finding } from '../../sheet/index.ts';

/** What judges a part, finds a cause or chooses a method. */
export type JudgeCommand =
  | {
      readonly type: 'judge';
      readonly op: string;
      readonly part: string;
      readonly finding: Finding;
      /** May be left out where the finding is what was advised. */
      readonly reason?: string;
    }
  | { readonly type: 'find-cause'; readonly op: string; readonly choice: string | null; readonly note?: string }
  | { readonly type: 'choose'; readonly op: string; readonly choice: string };
