import type { StripOp } from './ops.ts';
import { lowerFirst, countWords, partTitle } from '../ladder/words.ts';
import type { Titles } from '../registry/shapes.ts';

/** These operations in a few words, as the next move. */
export const stripTitles: Titles<StripOp> = {
  undo: (sheet, op) => {
    const j = sheet.joints[op.joint];
    if (!j) return 'Undo';
    const left = op.leaveIn === undefined ? '' : `, leave ${op.leaveIn} in`;
    return `Undo the ${lowerFirst(j.title)}, ${countWords(j.count)} × ${j.thread}${left}`;
  },
  'last-out': (_sheet, op) => `Free it, then the last ${op.count === 1 ? 'one' : op.count} out`,
  off: (sheet, op) =>
    `${op.parts.map((p) => (p.count > 1 ? `${p.count} × ${lowerFirst(partTitle(sheet, p.part))}` : p.count === 0 ? `All the ${lowerFirst(partTitle(sheet, p.part))}` : partTitle(sheet, p.part))).join(', ')} off`,
  disconnect: (sheet, op) => `Part the ${lowerFirst(sheet.leads[op.lead]?.title ?? op.lead)}`,
  reconnect: (sheet, op) => `Reconnect the ${lowerFirst(sheet.leads[op.lead]?.title ?? op.lead)}`,
  slacken: (sheet, op) => `Slacken the ${lowerFirst(sheet.joints[op.joint]?.title ?? op.joint)}, do not undo it`,
  start: (sheet, op) => `Start the ${lowerFirst(sheet.joints[op.joint]?.title ?? op.joint)} by hand, do not tighten`,
  'swing-aside': (sheet, op) => `Swing the ${lowerFirst(partTitle(sheet, op.part))} aside, lines on`,
  hang: (sheet, op) => `Hang the ${lowerFirst(partTitle(sheet, op.part))}`,
  refit: (sheet, op) => `Refit the ${lowerFirst(partTitle(sheet, op.part))} for the time being`,
  scrap: (sheet, op) => `Throw the ${lowerFirst(partTitle(sheet, op.part))} away`,
};
