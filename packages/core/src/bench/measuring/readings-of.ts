import type { Quantity } from '../../quantities/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { ReadingResult } from '../log/facts.ts';
import type { BenchState, Reading } from '../log/state.ts';

/** Readings of an operation since it was last opened: what was read before the work was led back stands in the log only. */
export function readingsOf(state: BenchState, op: string): readonly Reading[] {
  const since = state.reopened[op] ?? 0;
  return state.readings.filter((r) => r.op === op && r.seq > since);
}

/** The reading taken last, by its title, with what it came to. */
export function lastReading(
  sheet: Sheet,
  state: BenchState,
): { readonly title: string; readonly value: Quantity; readonly verdict?: ReadingResult['verdict'] } | undefined {
  const last = state.readings.at(-1);
  if (!last) return undefined;
  const { subject, id, where } = last;
  const of = { measure: sheet.measures, setting: sheet.settings, test: sheet.tests, process: sheet.parts }[subject];
  const title = of[id]?.title ?? id;
  return {
    title: where === null ? title : `${title}, ${where}`,
    value: last.value,
    ...(last.result ? { verdict: last.result.verdict } : {}),
  };
}
