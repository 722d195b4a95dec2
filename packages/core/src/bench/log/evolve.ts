import { asItStands } from '../corrections/as-it-stands.ts';
import { evolvers } from '../registry/evolvers.ts';
import type { JobEvent } from './events.ts';
import { emptyBench, eventsOf, type BenchState, type Stamp } from './state.ts';

/**
 * Folds one event into the state. Pure; throws only for an event type that this version does not know.
 * A taken-back command is undone, and what was corrected is put right, by folding again: rare, and exact.
 */
export function evolve(state: BenchState, event: JobEvent): BenchState {
  if (event.seq !== state.seq + 1) throw new Error(`event ${event.seq} does not follow ${state.seq}`);
  if (event.type === 'taken-back' || event.type === 'corrected') return fold(state.job, [...eventsOf(state), event]);
  return { ...apply(state, event), seq: event.seq, history: { event, before: state.history } };
}

/** Folds a whole log. Events that a later one takes back are passed over at once; those that are corrected say what stands now. */
export function fold(job: string, events: readonly JobEvent[]): BenchState {
  const standing = asItStands(events);
  let state = emptyBench(job);
  for (const event of events) {
    if (event.seq !== state.seq + 1) throw new Error(`event ${event.seq} does not follow ${state.seq}`);
    const stands = standing(event);
    const next = stands ? apply(state, stands) : state;
    const history = { event, before: state.history };
    // What `apply` has just made nobody else holds yet: it takes its place in the log without another copy.
    state = next === state ? { ...state, seq: event.seq, history } : Object.assign(next, { seq: event.seq, history });
  }
  return state;
}

/** What one event makes of the state, without its place in the log. */
export function apply(state: BenchState, event: JobEvent): BenchState {
  const stamp: Stamp = { seq: event.seq, at: event.at, by: event.who };
  const evolver = evolvers[event.type] as
    ((state: BenchState, payload: object, stamp: Stamp) => BenchState) | undefined;
  if (!evolver) throw new Error(`an event of an unknown type: ${JSON.stringify(event)}`);
  return evolver(state, event.payload, stamp);
}
