import type { InstrumentFacts } from '../log/facts.ts';
import type { Run } from './run.ts';

/** What keeps a run, and leads back from one that failed. */
export type ProveCommand =
  /** Keeps a run on a stand. */
  | { readonly type: 'take-run'; readonly op: string; readonly run: Run; readonly instrument?: InstrumentFacts }
  /** From a test that failed, down to what could cause it. */
  | { readonly type: 'return-to-step'; readonly op: string; readonly suspect: string };
