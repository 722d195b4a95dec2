import { formatQuantity } from '../../quantities/index.ts';
import { partTitle } from '../ladder/words.ts';
import type { Instruction, Instructions } from '../registry/shapes.ts';
import type { DoingOp } from './ops.ts';

const appliedTo: Instruction<'threadlock' | 'protect'> = (sheet, op) => [
  op.part ? partTitle(sheet, op.part) : op.what,
  ...(op.with ? [`With ${op.with}`] : []),
  ...(op.to ? [op.to] : []),
];

/** What there is to do at these operations, line by line. */
export const doingInstructions: Partial<Instructions<DoingOp>> = {
  do: (_sheet, op) => op.lines,
  helper: () => ['Do not go on alone'],
  lubricate: (sheet, op) => (op.with ? [`${sheet.fluids[op.with]?.title}: ${sheet.fluids[op.with]?.grade}`] : []),
  fill: (sheet, op) => {
    const f = sheet.fluids[op.what];
    return f ? [`${f.grade}, ${formatQuantity(f.amount)}`] : [];
  },
  clean: (sheet, op) => [
    op.what,
    ...(op.except ? [`Leave alone: ${op.except.map((p) => partTitle(sheet, p)).join(', ')}`] : []),
  ],
  threadlock: appliedTo,
  protect: appliedTo,
};
