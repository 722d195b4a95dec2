import type { JobEvent } from './events.ts';
import { asItStands } from '../corrections/as-it-stands.ts';
import { emptyBench, eventsOf, type BenchState, type PartLineState, type Stamp } from './state.ts';
import { ledBack, usedUp } from '../proving/return-to-step/evolve.ts';
import { replaceLast, withJoint, withJointState, withLine, withSetting } from './state-with.ts';
import { evolveStrip } from '../strip/evolve.ts';
import { settled, takeFromTray, without } from '../strip/tray.ts';

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
  const done = (op: string, more: object = {}): Pick<BenchState, 'done'> => ({
    done: { ...state.done, [op]: { ...stamp, ...more } },
  });
  switch (event.type) {
    case 'job-booked':
      return atBooking({
        ...state,
        booked: { ...event.payload, ...stamp },
        variant: event.payload.variant ?? undefined,
      });
    case 'caution-acknowledged':
      return { ...state, ...done(event.payload.op) };
    case 'op-done':
      return {
        ...state,
        ...done(event.payload.op, {
          note: event.payload.note,
          answer: event.payload.answer,
          ...(event.payload.ticks ? { ticks: event.payload.ticks } : {}),
        }),
      };
    case 'aid-fitted':
      return { ...state, ...done(event.payload.op), aids: { ...state.aids, [event.payload.aid]: { fitted: stamp } } };
    case 'aid-removed': {
      const aid = state.aids[event.payload.aid];
      return {
        ...state,
        ...done(event.payload.op),
        aids: { ...state.aids, [event.payload.aid]: { fitted: aid?.fitted ?? stamp, removed: stamp } },
      };
    }
    case 'mark-made':
      return { ...state, ...done(event.payload.op), marks: { ...state.marks, [event.payload.mark]: { made: stamp } } };
    case 'mark-aligned': {
      const mark = state.marks[event.payload.mark];
      return {
        ...state,
        ...done(event.payload.op),
        marks: { ...state.marks, [event.payload.mark]: { made: mark?.made ?? stamp, aligned: stamp } },
      };
    }
    case 'joint-undone':
      return {
        ...state,
        ...done(event.payload.op),
        joints: {
          ...state.joints,
          [event.payload.joint]: {
            pulls: [],
            undone: stamp,
            ...(event.payload.left ? { left: event.payload.left } : {}),
          },
        },
        between: settled(state.between, `joint:${event.payload.joint}`),
      };
    case 'parts-off': {
      const { parts, tray, note, op } = event.payload;
      const off = { ...state.off };
      let { between } = state;
      for (const { part, count } of parts) {
        off[part] = { count: (off[part]?.count ?? 0) + count, tray, ...stamp, ...(note === undefined ? {} : { note }) };
        between = settled(between, `part:${part}`);
      }
      return { ...state, ...done(op), off, between };
    }
    case 'part-fitted': {
      const { part, count, renewed, op, reason } = event.payload;
      return {
        ...state,
        ...done(op, reason === undefined ? {} : { note: reason }),
        off: takeFromTray(state.off, part, count),
        between: settled(state.between, `part:${part}`),
        renewed: renewed
          ? { ...state.renewed, [part]: { count: (state.renewed[part]?.count ?? 0) + count, ...stamp } }
          : state.renewed,
      };
    }
    case 'part-binned':
      return usedUp(state, event.payload.part);
    case 'ended-otherwise':
      return { ...state, end: { ...event.payload, ...stamp } };
    case 'part-sourced': {
      const { parts, from, words } = event.payload;
      const said = Object.fromEntries(parts.map((p) => [p, { from, words, ...stamp }]));
      return { ...state, sources: { ...state.sources, ...said } };
    }
    case 'accepted-so': {
      const { key, op, reason } = event.payload;
      return {
        ...state,
        ...(op === null || state.done[op] ? {} : done(op, { note: reason })),
        accepted: { ...state.accepted, [key]: { ...event.payload, ...stamp } },
      };
    }
    case 'corrected':
      return { ...state, corrections: [...state.corrections, { ...event.payload, ...stamp }] };
    case 'checked-over':
      return { ...state, checked: stamp };
    case 'led-back':
      return ledBack(state, event.payload, stamp);
    case 'reading-taken': {
      const reading = { ...event.payload, ...stamp };
      const next = { ...state, readings: [...state.readings, reading] };
      if (
        event.payload.subject !== 'setting' ||
        event.payload.moment === 'as-found' ||
        event.payload.moment === 'depth'
      )
        return next;
      return withSetting(next, event.payload.id, (s) => ({
        ...s,
        rounds: replaceLast(s.rounds, (r) => ({
          ...r,
          readings: [...r.readings, reading],
          result: event.payload.result ?? r.result,
        })),
      }));
    }
    case 'sense-answered':
      return {
        ...state,
        answers: {
          ...state.answers,
          [event.payload.op]: { ask: event.payload.ask, answer: event.payload.answer, ...stamp },
        },
      };
    case 'finding-made':
      return {
        ...state,
        // What is found otherwise later is no deferral any more.
        deferrals:
          event.payload.part in state.deferrals && event.payload.finding !== 'watch'
            ? without(state.deferrals, event.payload.part)
            : state.deferrals,
        findings: { ...state.findings, [event.payload.part]: event.payload.finding },
        findingNotes: { ...state.findingNotes, [event.payload.part]: { ...event.payload, ...stamp } },
      };
    case 'measure-reopened':
      return { ...state, done: without(state.done, event.payload.op) };
    case 'cause-found':
      return {
        ...state,
        ...done(event.payload.op),
        causes: { ...state.causes, [event.payload.cause]: { ...event.payload, ...stamp } },
      };
    case 'deferral-made':
      return { ...state, deferrals: { ...state.deferrals, [event.payload.part]: { ...event.payload, ...stamp } } };
    case 'parts-ordered': {
      const { order, lines } = event.payload;
      const added = lines.map((l): [string, PartLineState] => [
        l.line,
        { ...l, order, status: 'ordered', missing: [], ordered: stamp, sentBack: [] },
      ]);
      return { ...state, partLines: { ...state.partLines, ...Object.fromEntries(added) } };
    }
    case 'part-arrived': {
      const { line, missing } = event.payload;
      return withLine(state, line, (l) => ({ ...l, status: 'arrived', arrived: stamp, missing }));
    }
    case 'part-sent-back': {
      const { line, why } = event.payload;
      return withLine(state, line, ({ arrived: _gone, ...l }) => ({
        ...l,
        status: 'ordered',
        missing: [],
        sentBack: [...l.sentBack, { why, ...stamp }],
      }));
    }
    case 'line-cancelled':
      return withLine(state, event.payload.line, (l) => ({ ...l, status: 'cancelled' }));
    case 'quote-made':
      return { ...state, quotes: [...state.quotes, { ...event.payload, ...stamp }] };
    case 'quote-answered':
      return {
        ...state,
        quotes: state.quotes.map((q) =>
          q.version === event.payload.version ? { ...q, answer: { ...event.payload, ...stamp } } : q,
        ),
      };
    case 'method-chosen':
      return {
        ...state,
        ...done(event.payload.op),
        methods: { ...state.methods, [event.payload.method]: event.payload.choice },
      };
    case 'pack-fitted':
      return {
        ...withSetting(state, event.payload.setting, (s) => ({
          ...s,
          rounds: [...s.rounds, { fitted: { ...event.payload, ...stamp }, readings: [] }],
        })),
        answers: event.payload.op in state.answers ? without(state.answers, event.payload.op) : state.answers,
      };
    case 'setting-confirmed':
      return {
        ...withSetting(state, event.payload.setting, (s) => ({ ...s, confirmed: { ...event.payload, ...stamp } })),
        ...done(event.payload.op),
      };
    case 'bolt-pulled':
      return withJoint(state, event.payload.joint, (pulls) => [...pulls, { ...event.payload, ...stamp, void: false }]);
    case 'pull-answered': {
      const { joint, stage, bolt, answer, note } = event.payload;
      const next = withJoint(state, joint, (pulls) =>
        pulls.map((p) =>
          // What was looked at and found good stands; anything else is pulled again.
          p.stage === stage && p.bolt === bolt && !p.void ? { ...p, void: answer !== 'accepted', answer } : p,
        ),
      );
      const noted =
        note === undefined ? next : { ...next, pullNotes: { ...next.pullNotes, [`${joint} ${stage} ${bolt}`]: note } };
      if (answer !== 'renewed') return noted;
      const fastener = `${joint}#${bolt}`;
      return {
        ...noted,
        renewed: { ...next.renewed, [fastener]: { count: (next.renewed[fastener]?.count ?? 0) + 1, ...stamp } },
      };
    }
    case 'joint-tightened': {
      const { joint, fastener, count, op } = event.payload;
      const known = state.joints[joint];
      return {
        ...state,
        ...done(op),
        joints: { ...state.joints, [joint]: { pulls: [], ...known, tightened: stamp } },
        off: takeFromTray(state.off, fastener, count),
        between: settled(state.between, `joint:${joint}`),
      };
    }
    case 'running-measured':
      return withJointState(state, event.payload.joint, (j) => ({ ...j, running: { ...event.payload, ...stamp } }));
    case 'joint-loosened': {
      const { joint, usedUp } = event.payload;
      const left = withJointState(state, joint, ({ tightened: _gone, running: _measured, ...j }) => ({
        ...j,
        pulls: j.pulls.map((p) => ({ ...p, void: true })),
        ...(usedUp ? { usedUp: true } : {}),
      }));
      const ops = new Set(state.joints[joint]?.pulls.map((p) => p.op));
      return { ...left, done: Object.fromEntries(Object.entries(left.done).filter(([op]) => !ops.has(op))) };
    }
    case 'fasteners-renewed': {
      const { joint, fastener, count } = event.payload;
      const next = withJointState(state, joint, ({ usedUp: _gone, ...j }) => j);
      const before = next.renewed[fastener]?.count ?? 0;
      return { ...next, renewed: { ...next.renewed, [fastener]: { count: before + count, ...stamp } } };
    }
    case 'rung-done':
      return { ...state, steps: { ...state.steps, [event.payload.step]: stamp } };
    case 'held':
      return {
        ...state,
        holds: [...state.holds, { id: event.payload.hold, why: event.payload.why, note: event.payload.note, ...stamp }],
      };
    case 'hold-cleared':
      return { ...state, holds: state.holds.map((h) => (h.id === event.payload.hold ? { ...h, cleared: stamp } : h)) };
    case 'moved':
      return { ...state, place: event.payload.to };
    case 'promise-moved':
      return {
        ...state,
        ...(state.booked ? { booked: { ...state.booked, promise: event.payload.promise } } : {}),
        promises: [...state.promises, { ...event.payload, ...stamp }],
      };
    case 'taken-back':
      return state;
    case 'signed-off':
      return { ...state, signed: stamp };
    case 'handed-over':
      return { ...state, handedOver: { ...stamp, to: event.payload.to, note: event.payload.note } };
    default:
      return evolveStrip(state, event, stamp);
  }
}

/** What was told of the unit at the counter counts as answered; bookings of old say only the words. */
function atBooking(state: BenchState): BenchState {
  const { booked } = state;
  if (!booked) return state;
  const identified = booked.identified.flatMap((i) =>
    i.question === undefined
      ? []
      : [
          {
            op: null,
            variant: null,
            ...i,
            question: i.question,
            variants: i.variants ?? [],
            seq: booked.seq,
            at: booked.at,
            by: booked.by,
          },
        ],
  );
  const orders = Object.fromEntries(
    identified.flatMap((i) => (i.part !== undefined && i.order !== undefined ? [[i.part, i.order] as const] : [])),
  );
  return identified.length === 0 ? state : { ...state, identified, orders };
}
