import type { FitOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { noSource } from '../sources/decide.ts';
import { notHere } from '../parts/part-lines.ts';
import { goesBackNew } from './renewal.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { formatQuantity } from '../../quantities/index.ts';
import { noteOf } from '../command/note-of.ts';
import type { BenchState } from '../log/state.ts';
import type { NewEvent } from '../log/events.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Completions, Completion } from '../registry/shapes.ts';

const goesIn: Completion<FitOp> = (state, sheet, op, command) => {
  const part = op.part ?? op.what;
  const missing = notHere(sheet, state, part);
  if (missing) return refuse('not-here', missing, 'Take it in at Parts first, or note what is fitted instead');
  const source = goesBackNew(sheet, state, part) ? noSource(sheet, state, part) : undefined;
  if (source) return source;
  if (op.kind === 'press') {
    const read = readingsOf(state, op.id).at(-1);
    if (read?.result?.verdict === 'outside' && !command.reason?.trim())
      return refuse(
        'not-complete',
        `${formatQuantity(read.value, 1)} is more than its tightest fit takes: it goes in askew, or is the wrong one`,
        'Back it out and start it square, or say why it is right',
      );
  }
  if (op.check !== undefined && !command.ticks?.includes('check'))
    return refuse('not-complete', `What tells that it is home: ${op.check}`, 'Look or listen for it, and tick it');
  // Half way in it is neither off nor on: its neighbour comes first.
  if (op.kind === 'press' && op.to === 'half')
    return accept({ type: 'set-between', payload: { op: op.id, state: 'started', part, ...noteOf(command) } });
  return accept(fitted(op.id, op.kind, part, sheet, state, op.check, command.reason?.trim() || undefined));
};

/** How these operations are completed. */
export const fittingCompletions: Completions<FitOp> = {
  place: goesIn,
  press: goesIn,
  seal: goesIn,
};

function fitted(
  op: string,
  how: 'place' | 'press' | 'seal',
  part: string,
  sheet: Sheet,
  state: BenchState,
  told: string | undefined,
  reason: string | undefined,
): NewEvent {
  const renewed = goesBackNew(sheet, state, part);
  const count = sheet.parts[part]?.count ?? 1;
  return {
    type: 'part-fitted',
    payload: {
      op,
      part,
      count,
      renewed,
      how,
      ...(told === undefined ? {} : { told }),
      ...(reason === undefined ? {} : { reason }),
    },
  };
}
