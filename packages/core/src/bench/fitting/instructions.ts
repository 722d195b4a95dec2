import { formatQuantity } from '../../quantities/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import { slotOf } from '../tightening/slot.ts';
import { partTitle } from '../ladder/words.ts';
import type { Instruction, Instructions } from '../registry/shapes.ts';
import type { FitOp } from './ops.ts';
import { goesBackNew } from './renewal.ts';

/** What a pin that goes through a castellated nut waits for. */
const slotLines = (sheet: Sheet, pin: string): readonly string[] => {
  const slot = slotOf(sheet, pin)?.slot;
  return slot ? [`Nut on to the next slot: forward only, at most ${formatQuantity(slot.most)}, never back`] : [];
};

const goesIn: Instruction<'place' | 'press'> = (sheet, op, state) => {
  const part = op.part === undefined ? undefined : sheet.parts[op.part];
  if (!part) return [];
  const lying = state.off[part.id];
  const isNew = goesBackNew(sheet, state, part.id);
  const from = isNew ? `: a new one${part.order ? `, ${part.order}` : ''}` : lying ? `, from tray ${lying.tray}` : '';
  return [
    `${part.count > 1 ? `${part.count} × ` : ''}${part.title}${from}`,
    ...(op.to ? [op.to === 'half' ? 'Half way, no further for now' : op.to] : []),
    ...(op.with ? [`With ${op.with}`] : []),
    ...(op.on ? [`Stands on ${op.on}`] : []),
    ...(part.goes ? [`Goes ${part.goes}`] : []),
    ...(part.fits === 'several ways' ? ['It fits several wrong ways: look twice'] : []),
    ...(part.fits === 'one way' ? ['It goes on one way only'] : []),
    ...(part.where ? [`To ${part.where}`] : []),
    ...(part.lip ? [`Lip faces the ${part.lip.faces}`] : []),
    ...(part.mayNotTouch ? [`Nothing touches ${part.mayNotTouch}`] : []),
    ...slotLines(sheet, part.id),
    ...(lying?.note ? [`Noted as it came off: ${lying.note}`] : []),
  ];
};

/** What there is to do at these operations, line by line. */
export const fittingInstructions: Instructions<FitOp> = {
  place: goesIn,
  press: goesIn,
  seal: (sheet, op) => [
    op.part ? partTitle(sheet, op.part) : op.what,
    ...(op.with ? [`With ${op.with}`] : []),
    ...(op.to ? [op.to] : []),
  ],
};
