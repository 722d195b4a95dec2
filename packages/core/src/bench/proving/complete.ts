import type { ProveOp } from './ops.ts';
import { accept, refuse } from '../command/refusal.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { openBad } from '../bad/bad-things.ts';
import { acceptedSo } from '../bad/decide.ts';
import { formatQuantity } from '../../quantities/index.ts';
import { noteOf } from '../command/note-of.ts';
import type { Completions } from '../registry/shapes.ts';

/** How these operations are completed. */
export const provingCompletions: Completions<ProveOp> = {
  test: (state, sheet, op, command) => {
    const read = readingsOf(state, op.id).at(-1);
    if (!read) return refuse('not-complete', 'No reading yet', 'Run it, take a reading, or type it');
    const bad = openBad(sheet, state).find((b) => b.op === op.id);
    if (bad && !command.reason?.trim())
      return refuse(
        'not-complete',
        `${bad.title} is outside: ${formatQuantity(read.value)}`,
        'Go back to what could cause it, or say why it is handed over so',
      );
    if (bad) return acceptedSo(sheet, state, bad, command.reason!);
    return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...noteOf(command) } });
  },
};
