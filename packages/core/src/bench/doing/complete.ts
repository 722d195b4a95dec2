import type { DoingOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const justDone: Completion<Exclude<DoingOp, 'caution' | 'rework' | 'bleed'>> = (_state, _sheet, op, command) =>
  accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } });

/** How these operations are completed. */
export const doingCompletions: Completions<DoingOp> = {
  caution: (_state, _sheet, op) => accept({ type: 'caution-acknowledged', payload: { op: op.id, say: op.say } }),
  do: justDone,
  helper: justDone,
  clean: justDone,
  lubricate: justDone,
  protect: justDone,
  threadlock: justDone,
  fill: justDone,
  confirm: justDone,
  drain: justDone,
  'let-down': justDone,
  lift: justDone,
  lower: justDone,
  'lock-off': justDone,
  'let-run': justDone,
  run: justDone,
  move: justDone,
  rework: (_state, _sheet, op, command) => {
    const wanted = [...(op.check === undefined ? [] : ['check']), ...(op.clear === undefined ? [] : ['clear'])];
    const ticks = command.ticks ?? [];
    const missing = wanted.find((t) => !ticks.includes(t));
    if (missing !== undefined)
      return missing === 'check'
        ? refuse('not-complete', `Not looked at yet: ${op.check}`, 'Look, and tick it')
        : refuse('not-complete', `Not cleared yet: ${op.clear}`, 'Clear it, and tick it');
    return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ticks: wanted, ...noteOf(command) } });
  },
  bleed: (_state, _sheet, op, command) => {
    const strokes = command.strokes ?? 0;
    if (op.strokes !== undefined && strokes < op.strokes)
      return refuse(
        'not-complete',
        `${strokes} clean strokes in a row; ${op.strokes} are wanted`,
        'Go on until no bubble comes: a bubble starts the count again',
      );
    return accept({
      type: 'op-done',
      payload: { op: op.id, kind: op.kind, ...(op.strokes === undefined ? {} : { strokes }), ...noteOf(command) },
    });
  },
};
