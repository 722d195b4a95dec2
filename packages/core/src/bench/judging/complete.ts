import type { JudgeOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const judgingCompletions: Completions<JudgeOp> = {
  judge: (state, sheet, op, command) => {
    const due = op.parts.filter((p) => state.findings[p] === undefined);
    if (due.length > 0)
      return refuse(
        'not-complete',
        `Not judged yet: ${due.map((p) => sheet.parts[p]?.title ?? p).join(', ')}`,
        'Judge each',
      );
    return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } });
  },
  cause: (_state, sheet, op) =>
    refuse(
      'not-complete',
      sheet.causes[op.cause]?.ask ?? 'Why did it fail?',
      'Choose the cause, or say that it is not known',
    ),
  choose: (_state, sheet, op) =>
    refuse('not-complete', sheet.methods[op.method]?.ask ?? 'A choice is due', 'Choose one'),
};
