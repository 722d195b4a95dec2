import type { LadderStep, Op, Sheet } from '../../../sheet/index.ts';
import { ladderOf } from '../../ladder/moves.ts';
import type { BenchState } from '../../log/state.ts';

/** What failed: a test, or a look; or a setting that cannot be brought in, of which the sheet names no suspects. */
export interface Failed {
  readonly id: string;
  readonly failedBy: readonly string[];
  /** What a run says → the suspect that it tells. */
  readonly tells?: Readonly<Record<string, string>>;
}

/** How often each suspect was behind such a failure in this shop's own jobs. */
export type PastCauses = Readonly<Record<string, number>>;

/** What could be behind a failed test, and where on the ladder it is got at. */
export interface Suspect {
  readonly id: string;
  readonly title: string;
  /** The step of the build side that put it in; undefined when the ladder of this job has none. */
  readonly step?: LadderStep;
  /** Share of the likelihood among all of them, 0 to 1. */
  readonly share: number;
  /** Why it is suspected, in words. */
  readonly why: readonly string[];
}

/** The sheet names suspects in its own order: each counts this much less than the one before. */
const ORDER_FALLS = 0.6;
/** What the run itself tells counts so many times over. */
const TOLD = 6;
/** Past jobs weigh as much as the sheet once there are this many. */
const SHEET_IS_WORTH = 3;

const says: Readonly<Record<string, string>> = {
  'open-diode': 'the ripple lacks a hump: a diode is open',
  'open-phase': 'the ripple lacks two humps: a phase is open',
  'shorted-diode': 'the ripple falls to nothing once a turn: a diode is shorted',
  'uneven-winding': 'one phase is weaker than the others',
  slipping: 'the shaft turns slower than it is driven',
  'low-output': 'even ripple and too little current: the field is weak',
  regulator: 'the voltage is not held',
  unbalance: 'too much unbalance is left',
  leak: 'it falls straight on: a leak',
  moisture: 'it levels off: moisture',
  slow: 'it fills too slowly',
  'outer-race': 'a tone of the outer race stands out',
  'inner-race': 'a tone of the inner race stands out',
  ball: 'a tone of a rolling element stands out',
  'drag-high': 'it turns too hard',
  'drag-low': 'it turns too freely',
  creep: 'the lever sinks under the hand',
  'long-stroke': 'the stroke is too long',
  'short-stroke': 'the stroke is too short',
  'weak-out': 'too little force on the way out',
  'weak-in': 'too little force on the way in',
  uneven: 'too much force on the way in',
  slips: 'it slips too soon',
  grabs: 'it grabs',
  drift: 'it sinks',
};

/** Part that an id of `failed-by` is about: itself, or the part of the measure or look. */
export function partOfSuspect(sheet: Sheet, id: string): string | undefined {
  if (sheet.parts[id]) return id;
  return sheet.measures[id]?.part ?? sheet.looks[id]?.part;
}

/** Does this operation put the suspect in, set it, or tighten it? */
function makes(sheet: Sheet, op: Op, id: string): boolean {
  const part = partOfSuspect(sheet, id);
  switch (op.kind) {
    case 'set': {
      const other = sheet.settings[op.setting]?.together;
      return op.setting === id || other === id;
    }
    case 'tighten':
      return op.joint === id;
    case 'place':
    case 'press':
    case 'seal':
    case 'rework':
      return part !== undefined && op.part === part;
    default:
      return false;
  }
}

/** The last step of the build side that makes what is suspected. */
export function stepOfSuspect(sheet: Sheet, state: BenchState, id: string): LadderStep | undefined {
  const { build, strip } = ladderOf(sheet, state);
  const made = build.findLast((s) => s.ops.some((o) => makes(sheet, o, id)));
  if (made) return made;
  const part = partOfSuspect(sheet, id);
  const off = strip.find((s) => s.ops.some((o) => o.kind === 'off' && o.parts.some((p) => p.part === part)));
  return off && build.find((s) => s.rung === off.rung);
}

/** As many as fit on a bench. */
const MOST_BUILT = 6;
/** Parts that went in and settings that were made on the way up, the newest first. */
function builtSoFar(sheet: Sheet, state: BenchState): readonly string[] {
  const made = ladderOf(sheet, state).build.flatMap((s) =>
    s.ops.flatMap((o): { readonly id: string; readonly seq: number }[] => {
      const done = state.done[o.id];
      if (!done) return [];
      if (o.kind === 'set') return [{ id: o.setting, seq: done.seq }];
      return (o.kind === 'place' || o.kind === 'press' || o.kind === 'seal') &&
        o.part !== undefined &&
        sheet.parts[o.part]
        ? [{ id: o.part, seq: done.seq }]
        : [];
    }),
  );
  return [...new Set(made.sort((a, b) => b.seq - a.seq).map((m) => m.id))].slice(0, MOST_BUILT);
}

/** What a suspect is called on the sheet. */
export const titleOfSuspect = (sheet: Sheet, id: string): string =>
  (
    sheet.parts[id] ??
    sheet.settings[id] ??
    sheet.measures[id] ??
    sheet.joints[id] ??
    sheet.looks[id] ??
    sheet.tests[id]
  )?.title ?? id;

/**
 * What could be behind a failed test, most likely first: what the run tells, the sheet's own order, and what was behind
 * such failures in this shop before. Shares add up to one. Where the sheet names nothing it is whatever was built last.
 */
export function suspectsOf(sheet: Sheet, state: BenchState, failed: Failed, past: PastCauses = {}): readonly Suspect[] {
  const named = failed.failedBy.length > 0;
  const test = named ? failed : { ...failed, failedBy: builtSoFar(sheet, state) };
  const reading = state.readings.findLast((r) => r.subject === 'test' && r.id === test.id && r.moment === 'now');
  const told = reading?.proof?.tells ?? [];
  const prior = test.failedBy.map((id, i) => {
    const tells = told.filter((t) => test.tells?.[t] === id);
    return { id, tells, weight: ORDER_FALLS ** i * (tells.length > 0 ? TOLD : 1) };
  });
  const whole = prior.reduce((s, p) => s + p.weight, 0);
  const known = test.failedBy.reduce((s, id) => s + (past[id] ?? 0), 0);
  return prior
    .map(({ id, tells, weight }, i): Suspect => {
      const n = past[id] ?? 0;
      const step = stepOfSuspect(sheet, state, id);
      return {
        id,
        title: titleOfSuspect(sheet, id),
        ...(step ? { step } : {}),
        share: (SHEET_IS_WORTH * (weight / whole) + n) / (SHEET_IS_WORTH + known),
        why: [
          ...tells.map((t) => `The run tells it: ${says[t] ?? t}`),
          ...(n > 0 ? [`It was this in ${n} of ${known} such failures here`] : []),
          named ? (i === 0 ? 'The sheet names it first' : 'The sheet names it') : 'It was built up before this',
        ],
      };
    })
    .sort((a, b) => b.share - a.share);
}
