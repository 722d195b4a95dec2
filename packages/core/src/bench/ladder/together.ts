import type { LadderStep, Op, Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { openOps } from './moves.ts';
import { unsourced } from '../sources/source-of.ts';
import type { BenchState } from '../log/state.ts';

/** As many deeds as are read at a glance before the one that they lead up to. */
const MOST = 3;
/** Deeds that ask nothing, show nothing and need nobody: they are told in a line. */
const LEADS = new Set<Op['kind']>(['do', 'lubricate', 'undo', 'fit-aid', 'remove-aid', 'place']);
/** What a deed may lead up to: another such, parts that come off, a part that is drawn as it goes home. */
const ENDS = new Set<Op['kind']>([...LEADS, 'fill', 'off', 'press', 'seal']);

/** A move as hands make it: the deeds that lead up to one, and that one. */
export interface Together {
  readonly lead: readonly Op[];
  readonly op: Op;
}

/**
 * What of a step is done in one go from where it stands: greased and pressed home, undone and taken off. A caution, a count, a
 * reading, a picture, a wait, fasteners that stay in until it is free and left-hand threads are moves of their own, and nothing leads
 * on past a part that is drawn as it goes in or of which nobody has said where it is from. So is everything along the bottom,
 * where the order is free.
 */
export function together(sheet: Sheet, state: BenchState, step: LadderStep, op: Op): Together {
  const left = step.ops.filter((o) => state.done[o.id] === undefined);
  let last = openOps(step, state)[0];
  if (step.side === 'bottom' || last?.id !== op.id) return { lead: [], op };
  const lead: Op[] = [];
  for (const next of left.slice(left.indexOf(last) + 1)) {
    if (lead.length === MOST || !leadsOn(sheet, state, last) || !isEnd(sheet, next)) break;
    lead.push(last);
    last = next;
  }
  return { lead, op: last };
}

const takesTime = (op: Op): boolean => 'minutes' in op && op.minutes !== undefined;
const isEnd = (sheet: Sheet, op: Op): boolean => ENDS.has(op.kind) && !takesTime(op) && !ownMove(sheet, op);
/** Fasteners left in on purpose, and those that turn the other way, are looked at by themselves. */
const ownMove = (sheet: Sheet, op: Op): boolean =>
  op.kind === 'undo' && (op.leaveIn !== undefined || sheet.joints[op.joint]?.hand === 'left');

/** A deed that is told in a line, and after which the next may follow in the same go. */
function leadsOn(sheet: Sheet, state: BenchState, op: Op): boolean {
  if (!LEADS.has(op.kind) || takesTime(op) || ownMove(sheet, op)) return false;
  if (op.kind !== 'place') return true;
  const part = op.part === undefined ? undefined : sheet.parts[op.part];
  const drawn = op.check !== undefined || part?.lip !== undefined || part?.ring?.gland !== undefined || part?.fit !== undefined; // prettier-ignore
  return !drawn && (op.part === undefined || !unsourced(sheet, state).includes(op.part));
}

/** The commands of a press: what leads up to a move is done with it. */
export function withLead({ lead, op }: Together, command: Command): readonly Command[] {
  return command.type === 'complete' && command.op === op.id
    ? [...lead.map((o): Command => ({ type: 'complete', op: o.id })), command]
    : [command];
}
