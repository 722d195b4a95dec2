import { mapValues, unreachable } from '../../records.ts';
import {
  assumedWindow,
  ofVariant,
  type Joint,
  type Op,
  type OpBody,
  type Part,
  type Sheet,
  type Step,
} from '../../sheet/index.ts';
import { withEnd } from '../ends/short-ladder.ts';
import type { BenchState } from '../log/state.ts';
import type { OwnThing } from '../surprises/events.ts';

const pinnedOf = new WeakMap<Sheet, Sheet>();
const derived = new WeakMap<Sheet, Map<string, Sheet>>();
const byState = new WeakMap<BenchState, { readonly pinned: Sheet; readonly sheet: Sheet }>();
/** Each way of a rung that nobody timed: a rough guess for the promise, common practice. */
const SURPRISE_MINUTES = 5;
/** Derived sheets kept of one pinned sheet. */
const KEPT = 50;

/**
 * The sheet as this one job has it: the pinned revision with what was found and put in at the bench. Rungs that a
 * surprise brought, own marks, aids and leads (each with the step that settles it), counts that nobody knew before,
 * units that someone said, numbers that supersede. The pinned sheet itself when there is nothing of the kind; asking
 * again with a derived sheet starts from the pinned one.
 */
export function jobSheet(sheet: Sheet, state: BenchState): Sheet {
  const pinned = pinnedOf.get(sheet) ?? sheet;
  const asked = byState.get(state);
  if (asked?.pinned === pinned) return asked.sheet;
  const now = derive(pinned, state);
  byState.set(state, { pinned, sheet: now });
  return now;
}

function derive(whole: Sheet, state: BenchState): Sheet {
  const pinned = ofVariant(whole, state.variant ?? undefined);
  if (pinned !== whole) pinnedOf.set(pinned, whole);
  const units = Object.entries(state.units).map(([j, u]) => [j, u.unit] as const);
  if (
    !state.end &&
    state.own.length + units.length + Object.keys(state.counts).length + Object.keys(state.orders).length === 0
  )
    return pinned;
  const key = JSON.stringify([
    state.end?.seq,
    state.end && Object.keys(state.done).sort(),
    state.own,
    units,
    state.counts,
    state.orders,
  ]);
  let kept = derived.get(pinned);
  if (!kept) derived.set(pinned, (kept = new Map<string, Sheet>()));
  const known = kept.get(key);
  if (known) return known;
  let now: Sheet = {
    ...pinned,
    parts: mapValues(pinned.parts, (p) => knownPart(p, state)),
    joints: mapValues(pinned.joints, (j) => knownJoint(j, pinned, state)),
  };
  for (const own of state.own) now = withOwn(now, own);
  now = withEnd(now, state);
  if (kept.size >= KEPT) kept.clear();
  kept.set(key, now);
  pinnedOf.set(now, whole);
  return now;
}

function knownPart(part: Part, state: BenchState): Part {
  const count = state.counts[part.id];
  const order = state.orders[part.id];
  if (count === undefined && order === undefined) return part;
  return {
    ...part,
    ...(count === undefined ? {} : { count, countKnown: true }),
    ...(order === undefined ? {} : { order }),
  };
}

function knownJoint(joint: Joint, pinned: Sheet, state: BenchState): Joint {
  const unit = state.units[joint.id]?.unit;
  const fastener = pinned.parts[joint.fastener];
  const count = fastener && !fastener.countKnown ? (state.counts[joint.fastener] ?? 0) : joint.count;
  if (unit === undefined && count === joint.count) return joint;
  return {
    ...joint,
    count,
    stages: joint.stages.map((s) => {
      if (!s.unitAsked || unit === undefined) return s;
      const { unitAsked: _asked, ...rest } = s;
      const to = { value: s.to.value, unit };
      return { ...rest, to, window: assumedWindow(to), windowAssumed: true };
    }),
  };
}

function withOwn(sheet: Sheet, own: OwnThing): Sheet {
  switch (own.kind) {
    case 'rung':
      return withRung(sheet, own);
    case 'mark': {
      const title = own.between.map((p) => sheet.parts[p]?.title ?? p).join(' to ');
      const mark = { id: own.id, title, between: own.between, where: own.where, with: own.with };
      return appended({ ...sheet, marks: { ...sheet.marks, [own.id]: mark } }, own, { kind: 'align', mark: own.id });
    }
    case 'aid': {
      const aid = { id: own.id, title: own.title, where: own.where };
      return appended({ ...sheet, aids: { ...sheet.aids, [own.id]: aid } }, own, { kind: 'remove-aid', aid: own.id });
    }
    case 'lead': {
      const lead = { id: own.id, title: own.title, where: own.where, kind: 'connector' as const };
      return appended({ ...sheet, leads: { ...sheet.leads, [own.id]: lead } }, own, {
        kind: 'reconnect',
        lead: own.id,
      });
    }
    default:
      return unreachable('a thing of a job of an unknown kind', own);
  }
}

type OwnOp =
  | { readonly kind: 'align'; readonly mark: string }
  | { readonly kind: 'remove-aid'; readonly aid: string }
  | { readonly kind: 'reconnect'; readonly lead: string };

/** The op that settles an own thing, at the end of its build step. */
function appended(sheet: Sheet, own: { readonly id: string; readonly home: string }, op: OwnOp): Sheet {
  return {
    ...sheet,
    steps: sheet.steps.map((s) =>
      s.id === own.home
        ? { ...s, ops: [...s.ops, { id: `${own.home.replace(' ', '/')}/${own.id}`, when: [], ...op }] }
        : s,
    ),
  };
}

/** A surprise's rung: down before the step at hand, and up after it, so that what came off first goes back last. */
function withRung(sheet: Sheet, own: Extract<OwnThing, { kind: 'rung' }>): Sheet {
  const at = sheet.steps.findIndex((s) => s.id === own.before);
  const rungStart = sheet.steps.findIndex((s) => s.rung === sheet.steps[at]?.rung);
  const base = {
    rung: own.id,
    title: own.title,
    group: sheet.steps[at]?.group,
    when: [],
    minutes: SURPRISE_MINUTES,
    tools: [],
    ahead: [],
    after: [],
    before: [],
  };
  const op = (side: string, n: number, body: OpBody): Op => ({ id: `${side}/${own.id}/${n}`, when: [], ...body });
  const doing = op(own.side, 1, { kind: 'do', lines: own.lines.length > 0 ? own.lines : [own.title] });
  const added: Step[] = [];
  if (own.side === 'strip') {
    const off = own.parts.map((p) => ({ part: p.id, count: p.count }));
    added.push({
      ...base,
      id: `strip ${own.id}`,
      side: 'strip',
      ops: [doing, ...(off.length > 0 ? [op('strip', 2, { kind: 'off', parts: off, by: [] })] : [])],
    });
    added.push({
      ...base,
      id: `build ${own.id}`,
      side: 'build',
      ops: [
        ...own.parts.map((p, i) => op('build', i + 1, { kind: 'place', what: p.id, part: p.id })),
        op('build', own.parts.length + 1, { kind: 'confirm', what: `${own.title}: back as it was, and tight` }),
      ],
    });
  } else {
    added.push({ ...base, id: `${own.side} ${own.id}`, side: own.side, ops: [doing] });
  }
  // Build order is the sheet's order reversed: what must be done before a build step stands after it in the sheet.
  const last = sheet.steps.findLastIndex((s) => s.rung === sheet.steps[at]?.rung);
  const place = own.side === 'build' ? last + 1 : own.side === 'strip' ? rungStart : at;
  const parts = Object.fromEntries(
    own.parts.map((p): [string, Part] => [
      p.id,
      { id: p.id, title: p.title, count: p.count, countKnown: true, renew: 'inspect', stays: false },
    ]),
  );
  return {
    ...sheet,
    parts: { ...sheet.parts, ...parts },
    steps: [...sheet.steps.slice(0, place), ...added, ...sheet.steps.slice(place)],
  };
}
