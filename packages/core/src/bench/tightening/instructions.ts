import { formatQuantity } from '../../quantities/index.ts';
import { takesWords } from './takes.ts';
import type { Instructions } from '../registry/shapes.ts';

/** What is done beside the pulls: a castellated nut goes on to its slot. */
export const tighteningInstructions: Partial<Instructions<'tighten'>> = {
  tighten: (sheet, op) => {
    const joint = sheet.joints[op.joint];
    const where = joint ? takesWords(joint) : [];
    const slot = op.through === undefined ? sheet.joints[op.joint]?.slot : undefined;
    return [
      ...where,
      ...(slot ? [`Then on to the next slot: forward only, at most ${formatQuantity(slot.most)}, never back`] : []),
    ];
  },
};
