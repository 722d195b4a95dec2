import type { DoingOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { dimensionsOfUnit, formatQuantity, inCanonical } from '../../quantities/index.ts';
import { lowerFirst } from '../ladder/words.ts';
import { wrongDimension } from '../measuring/judged.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const justDone: Completion<Exclude<DoingOp, 'caution' | 'rework' | 'bleed' | 'drain' | 'fill'>> = (
  _state,
  _sheet,
  op,
  command,
) => accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } });

/** More than this many times what the sheet gives is a slip of the finger or of the unit. */
const FACTOR = 3;
/** A drain or a fill, with how much it was where somebody measured it. */
const measured: Completion<'drain' | 'fill'> = (_state, sheet, op, command) => {
  const { amount } = command;
  const fluid = sheet.fluids[op.kind === 'fill' ? op.what : (sheet.spaces[op.what]?.holds ?? op.what)];
  if (amount && fluid) {
    const dimension = dimensionsOfUnit(fluid.amount.unit)[0]!;
    const wrong = wrongDimension(amount, dimension);
    if (wrong) return wrong;
    const [given, whole] = [inCanonical(amount, dimension), inCanonical(fluid.amount, dimension)];
    if (given < 0 || given > FACTOR * whole)
      return refuse(
        'absurd',
        `${formatQuantity(amount)} of ${lowerFirst(fluid.title)}, where there are ${formatQuantity(fluid.amount)}`,
        'Measure again, or leave it out',
      );
  }
  return accept({
    type: 'op-done',
    payload: { op: op.id, kind: op.kind, ...(amount ? { amount } : {}), ...noteOf(command) },
  });
};

/** How these operations are completed. */
export const doingCompletions: Completions<DoingOp> = {
  caution: (_state, _sheet, op) => accept({ type: 'caution-acknowledged', payload: { op: op.id, say: op.say } }),
  do: justDone,
  helper: justDone,
  clean: justDone,
  lubricate: justDone,
  protect: justDone,
  threadlock: justDone,
  fill: measured,
  confirm: justDone,
  drain: measured,
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
