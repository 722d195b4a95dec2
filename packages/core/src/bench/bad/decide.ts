import type { Op, Sheet } from '../../sheet/index.ts';
import { findOp } from '../moves.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
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
  const ends = op !== undefined && !state.done[op.id] && SETTLES.has(op.kind);
  return accept({
    type: 'accepted-so',
    payload: { op: ends ? op.id : null, key: bad.key, title: bad.title, says: bad.says, reason: why },
  });
}
