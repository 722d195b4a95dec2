import { unreachable } from '../../records.ts';
import type { JobEvent } from '../log/events.ts';
import type { BenchState, Stamp, Timer } from '../log/state.ts';
import type { StripPayloads } from './events.ts';
import { layInTray, takeFromTray, without } from './tray.ts';

type StripEvent = Extract<JobEvent, { type: keyof StripPayloads }>;
const MINUTE_MS = 60_000;

/** Folds the events of the strip side, the shelf and what waits. */
export function evolveStrip(state: BenchState, event: StripEvent, stamp: Stamp): BenchState {
  const done = (op: string | null): Pick<BenchState, 'done'> =>
    op === null ? { done: state.done } : { done: { ...state.done, [op]: stamp } };
  switch (event.type) {
    case 'lead-parted':
      return {
        ...state,
        ...done(event.payload.op),
        leads: { ...state.leads, [event.payload.lead]: { parted: stamp } },
      };
    case 'lead-reconnected': {
      const { op, lead } = event.payload;
      const parted = state.leads[lead]?.parted ?? stamp;
      return { ...state, ...done(op), leads: { ...state.leads, [lead]: { parted, reconnected: stamp } } };
    }
    case 'set-between': {
      const { op, joint, part } = event.payload;
      const key = joint === undefined ? `part:${part}` : `joint:${joint}`;
      return {
        ...state,
        ...done(op),
        // Refitted for the time being: it is on the unit, so no longer in the tray.
        off: event.payload.state === 'refitted' && part !== undefined ? without(state.off, part) : state.off,
        between: { ...state.between, [key]: { ...event.payload, ...stamp } },
      };
    }
    case 'last-out': {
      const known = state.joints[event.payload.joint];
      return {
        ...state,
        ...done(event.payload.op),
        joints: { ...state.joints, [event.payload.joint]: { pulls: [], ...known, left: 0 } },
      };
    }
    case 'stack-recorded': {
      const { stack, moment, op } = event.payload;
      const kept = { ...event.payload, ...stamp };
      const before = state.stacks[stack];
      return {
        ...state,
        ...done(op),
        stacks: {
          ...state.stacks,
          [stack]: moment === 'built' ? { ...before, built: kept } : { ...before, found: kept },
        },
      };
    }
    case 'looked':
      return {
        ...state,
        ...(event.payload.open ? {} : done(event.payload.op)),
        looks: [...state.looks, { ...event.payload, ...stamp }],
      };
    case 'identified': {
      const { op, variant, part, order } = event.payload;
      return {
        ...state,
        ...done(op),
        identified: [...state.identified, { ...event.payload, ...stamp }],
        variant: variant ?? state.variant,
        orders: part !== undefined && order !== undefined ? { ...state.orders, [part]: order } : state.orders,
      };
    }
    case 'part-scrapped': {
      const { op, part } = event.payload;
      return { ...state, ...done(op), off: without(state.off, part) };
    }
    case 'way-failed':
      return { ...state, ways: { ...state.ways, [event.payload.op]: event.payload.next } };
    case 'part-destroyed': {
      const { part, saved } = event.payload;
      const lying = state.off[part];
      const off = takeFromTray(state.off, part, lying?.count ?? 0);
      return {
        ...state,
        off: saved === undefined ? off : layInTray(off, saved, { count: 1, tray: lying?.tray ?? '', ...stamp }),
      };
    }
    case 'counted':
      return evolveCounted(state, event, stamp);
    case 'count-left':
      return { ...state, uncounted: { ...state.uncounted, [event.payload.part]: stamp } };
    case 'timer-started': {
      const { timer: id, op, kind, title, minutes } = event.payload;
      const due = new Date(new Date(event.at).getTime() + minutes * MINUTE_MS).toISOString();
      const timer: Timer = { id, op, kind, title, minutes, due, ...stamp };
      return { ...state, timers: { ...state.timers, [id]: timer } };
    }
    case 'timer-ended': {
      const timer = state.timers[event.payload.timer];
      if (!timer) return state;
      return {
        ...state,
        timers: { ...state.timers, [timer.id]: { ...timer, ended: { ...stamp, early: event.payload.early } } },
      };
    }
    case 'prepared':
      return { ...state, prepared: { ...state.prepared, [event.payload.item]: stamp } };
    case 'own-added': {
      const { own } = event.payload;
      const next = { ...state, own: [...state.own, own] };
      if (own.kind === 'mark') return { ...next, marks: { ...state.marks, [own.id]: { made: stamp } } };
      if (own.kind === 'aid') return { ...next, aids: { ...state.aids, [own.id]: { fitted: stamp } } };
      if (own.kind === 'lead') return { ...next, leads: { ...state.leads, [own.id]: { parted: stamp } } };
      return next;
    }
    case 'setting-adjusted': {
      const { setting, op, ...how } = event.payload;
      const before = state.settings[setting] ?? { rounds: [] };
      const rounds = [...before.rounds, { adjusted: { ...how, ...stamp }, readings: [] }];
      return {
        ...state,
        settings: { ...state.settings, [setting]: { ...before, rounds } },
        // What was felt before it was moved says nothing of it now.
        answers: op in state.answers ? without(state.answers, op) : state.answers,
      };
    }
    case 'unit-said': {
      const { joint, unit, reason } = event.payload;
      return { ...state, units: { ...state.units, [joint]: { unit, reason, ...stamp } } };
    }
    case 'noted':
      return { ...state, notes: [...state.notes, { ...event.payload, ...stamp }] };
    case 'lesson-filed':
      return { ...state, lessons: [...state.lessons, { ...event.payload, ...stamp }] };
    case 'photo-added':
      return { ...state, photos: [...state.photos, { ...event.payload, ...stamp }] };
    case 'parked':
      return { ...state, parked: { ...event.payload, ...stamp }, place: event.payload.to };
    case 'resumed': {
      const { parked: _parked, ...rest } = state;
      let { off } = state;
      // What was found is what lies there from now on.
      for (const { part, found } of event.payload.counts) {
        const lying = off[part];
        if (lying && lying.count !== found)
          off = found === 0 ? without(off, part) : { ...off, [part]: { ...lying, count: found } };
      }
      return { ...rest, off, place: event.payload.to, resumed: [...state.resumed, { ...event.payload, ...stamp }] };
    }
    default:
      return unreachable('an event of an unknown type', event);
  }
}

function evolveCounted(state: BenchState, event: Extract<JobEvent, { type: 'counted' }>, stamp: Stamp): BenchState {
  const { op, part, count, agrees, moment, lost } = event.payload;
  const next = { ...state, counted: [...state.counted, { ...event.payload, ...stamp }] };
  if (moment === 'build') {
    if (!agrees && lost === undefined) return next;
    const lying = state.off[part];
    return {
      ...next,
      ...(op === null ? {} : { done: { ...state.done, [op]: stamp } }),
      off: lying ? { ...state.off, [part]: { ...lying, count } } : state.off,
    };
  }
  const lying = state.off[part];
  return {
    ...next,
    counts: { ...state.counts, [part]: count },
    uncounted: part in state.uncounted ? without(state.uncounted, part) : state.uncounted,
    off: moment === 'tray' && lying ? { ...state.off, [part]: { ...lying, count } } : state.off,
  };
}
