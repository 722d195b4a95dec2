import { completes } from '../rehearsal/completes.ts';
import type { StripOp } from './ops.ts';
import { UNTOLD_COUNT } from '../rehearsal/middle.ts';
import type { Hands } from '../registry/shapes.ts';

/** What steady hands give next at these operations. */
export const stripHands: Hands<StripOp> = {
  undo: (op, { sheet }) =>
    sheet.joints[op.joint]?.takes ? { type: 'complete', op: op.id, answer: 'yes' } : completes(op),
  'last-out': completes,
  off: (op, { sheet, figures }) => {
    const unknown = op.parts.filter((p) => !sheet.parts[p.part]!.countKnown);
    const counts = Object.fromEntries(unknown.map((p) => [p.part, figures.counts?.(p.part) ?? UNTOLD_COUNT]));
    const note = figures.note?.(op.parts[0]!.part);
    return {
      type: 'complete',
      op: op.id,
      tray: figures.tray?.(op.parts[0]!.part) ?? 'A1',
      ...(unknown.length > 0 ? { counts } : {}),
      ...(note === undefined ? {} : { note }),
    };
  },
  disconnect: completes,
  reconnect: completes,
  slacken: completes,
  start: completes,
  'swing-aside': completes,
  hang: completes,
  refit: completes,
  scrap: completes,
};
