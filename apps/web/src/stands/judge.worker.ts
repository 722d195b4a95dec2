import { judgeRun, RunError, type Run, type RunOutcome } from '@jubb/core/bench';
import type { Test } from '@jubb/core/sheet';
import { harmonics } from './spectrum.ts';

/** What is asked of the worker: a run to judge, and the whole wave to look at. */
export interface Asked {
  readonly id: number;
  readonly test: Test;
  readonly run: Run;
  readonly wave: readonly number[];
}
/** What it answers. */
export interface Judged {
  readonly id: number;
  readonly outcome?: RunOutcome;
  readonly wrong?: string;
  /** Lines at 1 to 12 times the electrical frequency, of an alternator. */
  readonly lines?: readonly { readonly n: number; readonly share: number }[];
}

/** Judges a run off the page's own thread. */
export function answer({ id, test, run, wave }: Asked): Judged {
  try {
    const outcome = judgeRun(test, run);
    if (run.kind !== 'alternator') return { id, outcome };
    const pairs = test.stand?.figures['pole-pairs']?.value ?? 1;
    const hz = (run.ripple.speedRpm / 60) * pairs;
    return { id, outcome, lines: hz > 0 ? harmonics(wave, run.ripple.sampleRateHz, hz, 12) : [] };
  } catch (e) {
    return { id, wrong: e instanceof RunError ? `${e.says}. ${e.clears}` : e instanceof Error ? e.message : String(e) };
  }
}

// In a page's tests there is no worker around it.
if (typeof self !== 'undefined' && typeof window === 'undefined')
  self.onmessage = (m: MessageEvent<Asked>) => self.postMessage(answer(m.data));
