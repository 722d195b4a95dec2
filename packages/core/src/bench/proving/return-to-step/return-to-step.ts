import { formatBand, formatQuantity } from '../../../quantities/index.ts';
import type { Sheet } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { titleOfSuspect } from './suspects.ts';

/** Why the work went back down the ladder, until the test that failed has been made again. */
export interface ReturnToStep {
  readonly suspect: string;
  readonly test: string;
  /** What it read when it failed, and what is accepted, in words. */
  readonly says: string;
}

/** The way back that a job is on; undefined when it is on none, or its test has been made again since. */
export function returnToStepOf(sheet: Sheet, state: BenchState): ReturnToStep | undefined {
  const back = state.returns.at(-1);
  const test = back && sheet.tests[back.test];
  if (!test) return undefined;
  const read = state.readings.filter((r) => r.op === back.op);
  if (read.some((r) => r.seq > back.seq)) return undefined;
  const failed = read.at(-1);
  return {
    suspect: titleOfSuspect(sheet, back.suspect),
    test: test.title,
    says: `${failed ? `read ${formatQuantity(failed.value)}, ` : ''}accepted ${formatBand(test.accept)}`,
  };
}
