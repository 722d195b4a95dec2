import type { LadderStep, Op, OpKind, Sheet } from '../../../sheet/index.ts';
import type { EventPayloads } from '../../log/events.ts';
import { ladderOf } from '../../ladder/moves.ts';
import type { BenchState } from '../../log/state.ts';
import { partOfSuspect, stepOfSuspect } from './suspects.ts';

/** Of the strip side only what takes apart is done again: how it came in was seen once, and stands in the log. */
const TAKES_APART: ReadonlySet<OpKind> = new Set<OpKind>([
  'caution', 'do', 'helper', 'fit-aid', 'disconnect', 'undo', 'last-out', 'slacken', 'swing-aside', 'hang', 'off', 'scrap',
  'remove-aid', 'let-down', 'drain', 'heat', 'lift', 'lock-off', 'move',
]); // prettier-ignore

export type ComesUndone = Pick<EventPayloads['led-back'], 'ops' | 'steps' | 'parts' | 'settings' | 'marks' | 'again'>;

/**
 * What comes undone when the work goes back to a suspect: the steps that lie over it and are built after it, on its own
 * side of the unit; its own finding and measures; and nothing else. Undefined when no step of this job makes it.
 */
export function comesUndone(sheet: Sheet, state: BenchState, suspect: string, testOp: string): ComesUndone | undefined {
  const target = stepOfSuspect(sheet, state, suspect);
  if (!target) return undefined;
  const { strip, bottom, build } = ladderOf(sheet, state);
  const depth = (rung: string): number => strip.findIndex((s) => s.rung === rung);
  const from = build.indexOf(target);
  const deepest = depth(target.rung);
  const overIt = (s: LadderStep, i: number): boolean => {
    if (i < from) return false;
    if (i > from && s.at !== undefined && target.at !== undefined && s.at !== target.at) return false;
    const at = depth(s.rung);
    return s === target || at < 0 || deepest < 0 || at <= deepest;
  };
  const again = build.filter(overIt);
  // What has not gone back yet is still off: it is not taken off once more.
  const rungs = new Set(again.filter((s) => s.ops.some((o) => state.done[o.id])).map((s) => s.rung));
  const apart = strip.filter((s) => rungs.has(s.rung));
  const part = partOfSuspect(sheet, suspect);
  const ofPart = (o: Op): boolean =>
    part !== undefined &&
    ((o.kind === 'judge' && o.parts.includes(part)) ||
      (o.kind === 'measure' && sheet.measures[o.measure]?.part === part) ||
      ('part' in o && o.part === part));
  const bottomOps = bottom.flatMap((s) => s.ops.filter(ofPart));
  const takenApart = apart.flatMap((s) => s.ops.filter((o) => TAKES_APART.has(o.kind)));
  const puts = putBack(takenApart);
  const alsoBack = build.filter((s) => !again.includes(s)).flatMap((s) => s.ops.filter(puts));
  const ops = [...takenApart, ...bottomOps, ...alsoBack, ...again.flatMap((s) => s.ops)].filter(
    (o) => state.done[o.id] !== undefined || o.id === testOp,
  );
  const ids = new Set(ops.map((o) => o.id));
  const steps = [...apart, ...bottom, ...build].filter((s) => s.ops.some((o) => ids.has(o.id))).map((s) => s.id);
  const off = new Set(ops.flatMap((o) => (o.kind === 'off' ? o.parts.map((p) => p.part) : [])));
  return {
    ops: [...ids],
    steps: [...new Set(steps)].filter((id) => state.steps[id] !== undefined),
    parts: part !== undefined && state.findings[part] !== undefined ? [part] : [],
    settings: ops.flatMap((o) =>
      o.kind === 'set'
        ? [
            o.setting,
            ...(sheet.settings[o.setting]?.together === undefined ? [] : [sheet.settings[o.setting]!.together!]),
          ]
        : [],
    ),
    marks: ops.flatMap((o) => (o.kind === 'align' ? [o.mark] : [])),
    again: [...off].filter((p) => p !== part && state.renewed[p] && sheet.parts[p]?.renew === 'always'),
  };
}

/** What puts back, on whatever step it stands, the things that are taken off, undone, parted or fitted once more. */
function putBack(apart: readonly Op[]): (op: Op) => boolean {
  const names = (pick: (o: Op) => readonly string[]): ReadonlySet<string> => new Set(apart.flatMap(pick));
  const parts = names((o) => (o.kind === 'off' ? o.parts.map((p) => p.part) : []));
  const joints = names((o) => (o.kind === 'undo' || o.kind === 'slacken' ? [o.joint] : []));
  const leads = names((o) => (o.kind === 'disconnect' ? [o.lead] : []));
  const aids = names((o) => (o.kind === 'fit-aid' ? [o.aid] : []));
  return (op) => {
    switch (op.kind) {
      case 'place':
      case 'press':
      case 'seal':
        return parts.has(op.part ?? op.what);
      case 'tighten':
      case 'start':
        return joints.has(op.joint);
      case 'reconnect':
        return leads.has(op.lead);
      case 'remove-aid':
        return aids.has(op.aid);
      default:
        return false;
    }
  };
}
