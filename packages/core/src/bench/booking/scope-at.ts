import type { BenchState } from '../log/state.ts';

/** What the job was about once the event of a number had happened: a quote of before speaks of less. */
export const scopeAt = (state: BenchState, seq: number): string | undefined =>
  state.widened.findLast((w) => w.seq <= seq)?.scope ?? state.booked?.scope;
