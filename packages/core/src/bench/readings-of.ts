import type { BenchState, Reading } from './state.ts';

/** Readings of an operation since it was last opened: what was read before the work was led back stands in the log only. */
export function readingsOf(state: BenchState, op: string): readonly Reading[] {
  const since = state.reopened[op] ?? 0;
  return state.readings.filter((r) => r.op === op && r.seq > since);
}
