import type { Sheet } from '../../sheet/index.ts';
import { ladderOf } from '../moves.ts';
import { partsOnOrder } from '../part-lines.ts';
import { goesBackNew } from '../renewal.ts';
import type { BenchState } from '../state.ts';
import type { SourceKind } from './events.ts';

export const SOURCE_WORDS: Readonly<Record<SourceKind, string>> = {
  stock: 'the shop’s own stock',
  customer: 'the customer’s own',
  said: 'as said',
};

/** Where the new one of a part came from, in words; undefined while nobody has ordered it, taken it out of stock or said so. */
export function sourceOf(state: BenchState, part: string): string | undefined {
  const line = partsOnOrder(state).get(part);
  if (line?.status === 'arrived')
    return line.from === 'drawer' ? `${line.number}, from the drawer` : `${line.number}, ${line.supplier}`;
  const said = state.sources[part];
  if (!said) return undefined;
  const words = [SOURCE_WORDS[said.from], ...(said.words ? [said.words] : [])].join(': ');
  return said.from === 'said' ? `${words}, ${said.by.name}` : words;
}

/** Is the new one of a part the customer's own? */
export function customersOwn(state: BenchState, part: string): boolean {
  return partsOnOrder(state).get(part)?.status !== 'arrived' && state.sources[part]?.from === 'customer';
}

/** Parts that still go in new on the way up, and of which nobody has said where from. */
export function unsourced(sheet: Sheet, state: BenchState): readonly string[] {
  const ops = ladderOf(sheet, state).build.flatMap((s) => s.ops);
  const parts = ops.flatMap((o) =>
    (o.kind === 'place' || o.kind === 'press' || o.kind === 'seal') && !state.done[o.id] && o.part !== undefined
      ? [o.part]
      : [],
  );
  return [...new Set(parts)].filter(
    (p) => sheet.parts[p] && goesBackNew(sheet, state, p) && sourceOf(state, p) === undefined && !onItsWay(state, p),
  );
}

const onItsWay = (state: BenchState, part: string): boolean => partsOnOrder(state).get(part)?.status === 'ordered';
