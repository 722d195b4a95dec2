import type { Deciders } from '../registry/shapes.ts';
import type { Op, Sheet } from '../../sheet/index.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { lowerFirst } from '../ladder/words.ts';
import { sourceKinds, type SaySource } from './events.ts';
import { newAt, sourceOf } from './source-of.ts';

/** Records where new parts come from that no order brought. */
export function decideSaySource(state: BenchState, sheet: Sheet, command: SaySource): Decision {
  const { parts, from } = command;
  if (!sourceKinds.some((k) => k === from))
    return refuse('not-a-choice', `"${from}" is no place that a part comes from`, `One of: ${sourceKinds.join(', ')}`);
  if (parts.length === 0) return refuse('not-complete', 'Which part?', 'Name at least one');
  const unknown = parts.find((p) => !sheet.parts[p]);
  if (unknown !== undefined) return refuse('wrong-value', `There is no part "${unknown}"`, 'Reload the bench');
  const there = parts.find((p) => sourceOf(state, p) !== undefined && !state.sources[p]);
  if (there !== undefined)
    return refuse('already-done', `${sheet.parts[there]!.title}: ${sourceOf(state, there)!}`, 'Fit that one');
  const words = command.words.trim();
  if (from === 'said' && words === '') return refuse('not-complete', 'Where does it come from?', 'Say it in words');
  return accept({ type: 'part-sourced', payload: { parts: [...new Set(parts)], from, words } });
}

/** Why an operation cannot be gone on with: what goes in new with it comes from nowhere yet. */
export function noSourceAt(sheet: Sheet, state: BenchState, op: Op): Decision | undefined {
  const part = newAt(sheet, state, op);
  return part === undefined ? undefined : noSource(sheet, state, part);
}

/** Why a new part cannot go in yet: nobody has said where it comes from. */
export function noSource(sheet: Sheet, state: BenchState, part: string): Decision | undefined {
  const title = sheet.parts[part]?.title;
  // Something that the sheet names in words only is no part that is bought.
  if (title === undefined || sourceOf(state, part) !== undefined) return undefined;
  return refuse(
    'no-source',
    `New ${lowerFirst(title)}: nobody has said where from`,
    'Order it, take it out of stock, or say whose it is',
  );
}

/** How each of these commands is decided. */
export const sourcesDeciders: Deciders<SaySource['type']> = {
  'say-source': decideSaySource,
};
