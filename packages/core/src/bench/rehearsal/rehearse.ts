import type { Sheet, OpKind } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import type { DecideContext, Command } from '../command/commands.ts';
import type { RehearsalFigures } from './figures.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { nextMove } from '../ladder/moves.ts';
import { openBad, type BadThing } from '../bad/bad-things.ts';
import type { HandGiven, Hand } from '../registry/shapes.ts';
import { newAt, unsourced } from '../sources/source-of.ts';
import { hands } from '../registry/hands.ts';
/**
 * The command that a steady pair of hands would give next: a dry run of a sheet, step by step, with no clock and no
 * chance. Undefined once the job is handed over, or when what is next cannot be settled by rehearsal.
 */
export function rehearse(
  pinned: Sheet,
  state: BenchState,
  context: DecideContext,
  figures: RehearsalFigures = {},
): Command | undefined {
  const sheet = jobSheet(pinned, state);
  const move = nextMove(sheet, state);
  // A scrapped body asks about an exchange unit: a rehearsal goes on with the part renewed.
  const asked = state.holds.find((h) => !h.cleared && h.why === 'decision');
  const [bad] = openBad(sheet, state);
  const takenSo = (b: BadThing | undefined): Command | undefined =>
    b && figures.takenSo !== undefined ? { type: 'accept-so', key: b.key, reason: figures.takenSo } : undefined;
  const so = move.kind === 'sign-off' ? takenSo(bad) : undefined;
  if (so) return so;
  if (move.kind === 'sign-off' && !asked && sheet.handOver?.secondPerson && !state.checked)
    return { type: 'check-over' };
  if (move.kind === 'sign-off')
    return asked ? { type: 'clear-hold', hold: asked.id, note: 'decided' } : { type: 'sign-off' };
  if (move.kind === 'hand-over') return { type: 'hand-over', to: state.booked?.customer.name ?? 'the customer' };
  if (move.kind === 'closed') return undefined;
  if (move.kind === 'which') {
    const question = sheet.identify.find((q) => figures.identify?.(q.id) !== undefined);
    return question && { type: 'identify', question: question.id, answer: figures.identify!(question.id)! };
  }
  const { op } = move;
  const read: HandGiven['read'] = (what, otherwise, dimension) => {
    const instrument = figures.gauge?.(dimension, what);
    return {
      type: 'take-reading',
      op: op.id,
      value: figures.reading?.(what) ?? otherwise,
      how: instrument ? 'instrument' : 'hand',
      ...(instrument ? { instrument } : {}),
    };
  };
  // What goes in new comes out of the shop's own stock, all that is due at once.
  const fresh = newAt(sheet, state, op);
  const due = fresh === undefined ? [] : unsourced(sheet, state);
  if (fresh !== undefined && due.includes(fresh))
    return { type: 'say-source', parts: due, from: 'stock', words: figures.stock ?? '' };
  const hand = hands[op.kind] as Hand<OpKind>;
  return hand(op, { sheet, state, context, figures, read, takenSo });
}
