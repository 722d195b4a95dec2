import type { EventPayloads } from '../../log/events.ts';
import type { BenchState, Stamp } from '../../log/state.ts';
import { withLine, withSetting } from '../../log/state-with.ts';

/** Opens what a failed test leads back to; everything else stays as it is. */
export function returned(state: BenchState, payload: EventPayloads['led-back'], stamp: Stamp): BenchState {
  const ops = new Set(payload.ops);
  const keep = <T>(record: Readonly<Record<string, T>>, gone: (key: string, value: T) => boolean): Record<string, T> =>
    Object.fromEntries(Object.entries(record).filter(([key, value]) => !gone(key, value)));
  const parts = new Set(payload.parts);
  let next: BenchState = {
    ...state,
    done: keep(state.done, (op) => ops.has(op)),
    answers: keep(state.answers, (op) => ops.has(op)),
    steps: keep(state.steps, (step) => payload.steps.includes(step)),
    findings: keep(state.findings, (part) => parts.has(part)),
    findingNotes: keep(state.findingNotes, (part) => parts.has(part)),
    timers: keep(state.timers, (_, t) => t.op !== null && ops.has(t.op)),
    marks: Object.fromEntries(
      Object.entries(state.marks).map(([id, m]) => [id, payload.marks.includes(id) ? { made: m.made } : m]),
    ),
    reopened: { ...state.reopened, ...Object.fromEntries(payload.ops.map((op) => [op, stamp.seq])) },
    returns: [...state.returns, { ...payload, ...stamp }],
    // What was looked over is no longer what stands there.
    checked: undefined,
  };
  for (const id of payload.settings)
    next = {
      ...next,
      ...withSetting(next, id, ({ confirmed: _gone, ...s }) => ({ ...s, rounds: [...s.rounds, { readings: [] }] })),
    };
  return payload.again.reduce(usedUp, next);
}

/** What came for a part is used up: the list asks for another. */
export function usedUp(state: BenchState, part: string): BenchState {
  const { [part]: _gone, ...sources } = state.sources;
  const next = { ...state, sources, binned: { ...state.binned, [part]: (state.binned[part] ?? 0) + 1 } };
  const line = Object.values(state.partLines).findLast(
    (l) => l.status === 'arrived' && l.parts.includes(part) && !l.missing.includes(part),
  );
  return line ? { ...next, ...withLine(next, line.line, (l) => ({ ...l, missing: [...l.missing, part] })) } : next;
}
