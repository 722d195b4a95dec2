import { lowerFirst, partTitle } from '../ladder/words.ts';
import type { Instructions } from '../registry/shapes.ts';
import type { StripOp } from './ops.ts';

/** Fasteners of a joint of so many are slackened in turn, crosswise, so that nothing is bent: common practice. */
const CROSSWISE_FROM = 3;

/** What there is to do at these operations, line by line. */
export const stripInstructions: Partial<Instructions<StripOp>> = {
  undo: (sheet, op) => {
    const j = sheet.joints[op.joint];
    if (!j) return [];
    return [
      `${j.count > 0 ? `${j.count} × ` : ''}${j.thread}, ${lowerFirst(partTitle(sheet, j.fastener))}`,
      ...(j.hold ? [`Hold ${j.hold}`] : []),
      j.count >= CROSSWISE_FROM ? 'Slacken each a little in turn, crosswise, then out' : 'Slacken it, then out',
      ...(op.leaveIn ? [`Leave ${op.leaveIn} in by a few turns until it is free`] : []),
      ...(j.fasteners === 'new' ? ['Used once: new ones go in'] : []),
    ];
  },
  'last-out': (_sheet, op) => [
    'See that it is free and held',
    `Then the last ${op.count === 1 ? 'one' : op.count} out`,
  ],
  slacken: () => ['A turn or two, no more: it stays on'],
  start: () => ['By hand, all of them, a few turns', 'They are counted as loose until they are tightened'],
  'swing-aside': () => ['Its lines stay on: nothing pulls on them', 'Tie it where it cannot fall'],
  hang: () => ['Hung by a wire or a hook, never by its lines'],
  refit: () => ['Only for now: it comes off again'],
  scrap: () => ['Thrown away on purpose: it does not go back'],
  disconnect: (sheet, op) => {
    const lead = sheet.leads[op.lead];
    return lead ? [lead.where, 'It is counted until it is on again'] : [];
  },
  reconnect: (sheet, op) => {
    const lead = sheet.leads[op.lead];
    return lead ? [lead.where, 'Pull on it: it holds'] : [];
  },
};
