import type { Op, Sheet } from '../../sheet/index.ts';
import { ladderOf } from '../ladder/moves.ts';
import { coverFor, type LineNow } from '../parts/cover.ts';
import type { BenchState } from '../log/state.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import type { SourceKind } from './events.ts';

export const SOURCE_WORDS: Readonly<Record<SourceKind, string>> = {
  stock: 'the shop’s own stock',
  customer: 'the customer’s own',
  said: 'as said',
};

/** Where the new one of a part came from, in words; undefined while nobody has ordered it, taken it out of stock or said so. */
export function sourceOf(state: BenchState, part: string): string | undefined {
  const { lines, whole } = coverFor(state, part);
  if (whole && lines.every(isHere))
    return lines.map((l) => `${lines.length > 1 ? `${l.count} × ` : ''}${from(l)}`).join('; ');
  const said = state.sources[part];
  if (!said) return undefined;
  const words = [SOURCE_WORDS[said.from], ...(said.words ? [said.words] : [])].join(': ');
  return said.from === 'said' ? `${words}, ${said.by.name}` : words;
}

/** Is the new one of a part the customer's own? */
export function customersOwn(state: BenchState, part: string): boolean {
  return !coverFor(state, part).lines.some(isHere) && state.sources[part]?.from === 'customer';
}

/** Parts that still go in new on the way up, and of which nobody has said where from. */
export function unsourced(sheet: Sheet, state: BenchState): readonly string[] {
  const ops = ladderOf(sheet, state).build.flatMap((s) => s.ops);
  const parts = ops.flatMap((o) => (state.done[o.id] ? [] : (newAt(sheet, state, o) ?? [])));
  return [...new Set(parts)].filter((p) => sourceOf(state, p) === undefined && !onItsWay(state, p));
}

/** The part that goes in new with an operation: one that is placed, or the fasteners of a joint before their first pull. */
export function newAt(sheet: Sheet, state: BenchState, op: Op): string | undefined {
  if (op.kind === 'place' || op.kind === 'press' || op.kind === 'seal')
    return op.part !== undefined && sheet.parts[op.part] && goesBackNew(sheet, state, op.part) ? op.part : undefined;
  if (op.kind !== 'start' && op.kind !== 'tighten') return undefined;
  const joint = sheet.joints[op.joint];
  if (!joint || !sheet.parts[joint.fastener] || (state.joints[joint.id]?.pulls.length ?? 0) > 0) return undefined;
  return joint.fasteners === 'new' || goesBackNew(sheet, state, joint.fastener) ? joint.fastener : undefined;
}

const isHere = (line: LineNow): boolean => line.status === 'arrived';
const from = (line: LineNow): string => `${line.number}, ${line.from === 'drawer' ? 'from the drawer' : line.supplier}`;
const onItsWay = (state: BenchState, part: string): boolean =>
  coverFor(state, part).lines.some((l) => l.status === 'ordered');
