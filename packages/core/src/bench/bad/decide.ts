import type { Deciders } from '../registry/shapes.ts';
import type { Op, OpOf, Sheet } from '../../sheet/index.ts';
import type { NewEvent } from '../log/events.ts';
import { findOp } from '../ladder/moves.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { badThings, type BadThing } from './bad-things.ts';
import type { AcceptSo } from './events.ts';

/** A setting is accepted only where it stands; of anything else a look or a reading is enough. */
const SETTLES: ReadonlySet<Op['kind']> = new Set(['look', 'test', 'set']);

/** Takes something bad as it is, in the name of whoever says so, with a reason that stands in both records. */
export function decideAcceptSo(state: BenchState, sheet: Sheet, command: AcceptSo): Decision {
  const bad = badThings(sheet, state).find((b) => b.key === command.key);
  if (!bad) return refuse('unknown-op', 'There is nothing bad of that name', 'Reload the bench');
  if (bad.settled) return refuse('already-done', `${bad.title}: settled already, ${bad.settled.words}`, 'Go on');
  return acceptedSo(sheet, state, bad, command.reason);
}

/** The event that accepts it, and that ends the operation that is still open for it. */
export function acceptedSo(sheet: Sheet, state: BenchState, bad: BadThing, reason: string): Decision {
  const why = reason.trim();
  if (why === '') return refuse('not-complete', `${bad.title}: ${bad.says}`, 'Say why it is taken so');
  const op = findOp(sheet, state, bad.op)?.op;
  const others = op?.kind === 'set' ? settingsBeside(sheet, state, op, bad) : [];
  const ends = op !== undefined && !state.done[op.id] && SETTLES.has(op.kind) && others.every((o) => o.settled);
  const confirmed = others.flatMap((o) => (ends && o.confirms ? [o.confirms] : []));
  return accept(...confirmed, {
    type: 'accepted-so',
    payload: { op: ends ? op.id : null, key: bad.key, title: bad.title, says: bad.says, reason: why },
  });
}

interface Beside {
  /** Within its band, or taken so already. */
  readonly settled: boolean;
  readonly confirms?: NewEvent;
}

/** Settings that are made in one with the bad one: the operation ends when they are settled too, and those within are confirmed. */
function settingsBeside(sheet: Sheet, state: BenchState, op: OpOf<'set'> & Op, bad: BadThing): readonly Beside[] {
  const { together } = sheet.settings[op.setting] ?? {};
  const ids = [op.setting, ...(together === undefined ? [] : [together])].filter((id) => `setting:${id}` !== bad.key);
  return ids.map((id): Beside => {
    const result = state.settings[id]?.rounds.at(-1)?.result;
    if (result?.verdict !== 'within') return { settled: state.accepted[`setting:${id}`] !== undefined };
    const { mean: value, uncertainty, verdict } = result;
    return {
      settled: true,
      confirms: { type: 'setting-confirmed', payload: { op: op.id, setting: id, value, uncertainty, verdict } },
    };
  });
}

/** How each of these commands is decided. */
export const badDeciders: Deciders<AcceptSo['type']> = {
  'accept-so': decideAcceptSo,
};
