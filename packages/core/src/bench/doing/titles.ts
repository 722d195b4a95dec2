import { lowerFirst, partTitle, verbTitle } from '../ladder/words.ts';
import type { DoingOp } from './ops.ts';
import { formatQuantity } from '../../quantities/index.ts';
import type { Titles } from '../registry/shapes.ts';
import type { Sheet } from '../../sheet/index.ts';

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
  drain: (sheet, op) => `Drain the ${spaceTitle(sheet, op.what)}`,
  'let-down': (sheet, op) => {
    const load = sheet.loads[op.what];
    return load
      ? `Let the load down: ${lowerFirst(load.title)}`
      : `Let the pressure down: ${spaceTitle(sheet, op.what)}`;
  },
  lift: (_sheet, op) => `Lift ${op.what}`,
  lower: (_sheet, op) => `Lower ${op.what}`,
  'lock-off': (_sheet, op) => `Lock off ${op.what}`,
  'let-run': (_sheet, op) => `Take the locks off: ${op.what}`,
  run: (_sheet, op) => `Run it: ${op.what}`,
  move: (_sheet, op) =>
    ({ machine: 'Onto the machine', bench: 'Onto the bench', stand: 'Onto the stand' })[op.what] ?? op.what,
};

/** A room of the unit, or what it holds, as it stands in a sentence. */
const spaceTitle = (sheet: Sheet, name: string): string =>
  lowerFirst(sheet.spaces[name]?.title ?? sheet.fluids[name]?.title ?? name);
