import type { LookOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const lookingCompletions: Completions<LookOp> = {
  look: (_state, sheet, op) =>
    refuse('not-complete', sheet.looks[op.look]?.ask ?? 'A look is due', 'Choose what it is'),
  inspect: (state, sheet, op, command) => {
    if (op.ask !== undefined && command.answer === undefined) return refuse('not-complete', op.ask, 'Answer yes or no');
    if (op.ask !== undefined && command.answer === 'yes' && op.part !== undefined && goesBackNew(sheet, state, op.part))
      return accept({ type: 'part-binned', payload: { op: op.id, part: op.part, why: op.ask } });
    if (op.ask !== undefined && command.answer === 'yes')
      return refuse('not-complete', op.yes ?? 'Not good', 'Look at the next one, then answer no');
    return accept({
      type: 'op-done',
      payload: { op: op.id, kind: op.kind, answer: command.answer, ...noteOf(command) },
    });
  },
};
