import { asItStands } from '../corrections/as-it-stands.ts';
import { evolvers } from '../registry/evolvers.ts';
import type { JobEvent } from './events.ts';
import { emptyBench, eventsOf, type BenchState, type Changes, type Stamp } from './state.ts';

/**
 * Folds one event into the state. Pure; throws only for an event type that this version does not know.
 * A taken-back command is undone, and what was corrected is put right, by folding again: rare, and exact.
 */
export function evolve(state: BenchState, event: JobEvent): BenchState {
  if (event.seq !== state.seq + 1) throw new Error(`event ${event.seq} does not follow ${state.seq}`);
  if (event.type === 'taken-back' || event.type === 'corrected') return fold(state.job, [...eventsOf(state), event]);
  const history = { event, before: state.history };
  return { ...state, ...changesOf(state, event), seq: event.seq, history };
}

/** Folds a whole log. Events that a later one takes back are passed over at once; those that are corrected say what stands now. */
export function fold(job: string, events: readonly JobEvent[]): BenchState {
  const standing = asItStands(events);
  // Nobody else holds it until it is done: changes are put into it, without a copy for every event.
  const state: Mutable<BenchState> = emptyBench(job);
  for (const event of events) {
    if (event.seq !== state.seq + 1) throw new Error(`event ${event.seq} does not follow ${state.seq}`);
    const stands = standing(event);
    if (stands) Object.assign(state, changesOf(state, stands));
    state.seq = event.seq;
    state.history = { event, before: state.history };
  }
  return state;
}
type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** The state after one event, without its place in the log. */
export function apply(state: BenchState, event: JobEvent): BenchState {
  return { ...state, ...changesOf(state, event) };
}

/** What one event changes. @throws Error for an event that no family knows */
function changesOf(state: BenchState, event: JobEvent): Changes {
  const stamp: Stamp = { seq: event.seq, at: event.at, by: event.who };
  const evolver = evolvers[event.type] as ((state: BenchState, payload: object, stamp: Stamp) => Changes) | undefined;
  if (!evolver) throw new Error(`an event of an unknown type: ${JSON.stringify(event)}`);
  return evolver(state, event.payload, stamp);
}
