import { verbTitle } from '../ladder/words.ts';
import type { DoingOp } from './ops.ts';
import { formatQuantity } from '../../quantities/index.ts';
import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const doingTitles: Titles<DoingOp> = {
  caution: () => 'Read this first',
  do: (_sheet, op) => op.lines[0] ?? 'Do',
  helper: (_sheet, op) => `Get a helper: ${op.say}`,
  clean: () => 'Clean',
  lubricate: (sheet, op) =>
    `Lubricate the ${lowerFirst(op.part ? partTitle(sheet, op.part) : op.what)}${op.with ? ` with ${lowerFirst(sheet.fluids[op.with]?.title ?? op.with)}` : ''}`,
  protect: verbTitle,
  threadlock: verbTitle,
  fill: (sheet, op) => {
    const f = sheet.fluids[op.what];
    return f ? `Fill: ${formatQuantity(f.amount)} of ${lowerFirst(f.title)}` : `Fill ${op.what}`;
  },
  confirm: (_sheet, op) => op.what,
  rework: verbTitle,
  bleed: verbTitle,
};
