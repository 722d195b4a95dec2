import { partTitle } from '../ladder/words.ts';
import type { Instruction, Instructions } from '../registry/shapes.ts';
import type { MarkOp } from './ops.ts';

const lines: Instruction<'mark' | 'align'> = (sheet, op) => {
  const m = sheet.marks[op.mark];
  if (!m) return [];
  const how = op.kind === 'mark' ? `${m.with} across both` : 'marks in one line';
  return [`${m.between.map((p) => partTitle(sheet, p)).join(' and ')}: ${how}, ${m.where}`];
};

/** What there is to do at these operations, line by line. */
export const marksInstructions: Instructions<MarkOp> = {
  mark: lines,
  align: lines,
  'fit-aid': (sheet, op) => {
    const a = sheet.aids[op.aid];
    return a ? [`${a.title}, ${a.where}`, 'It is counted until it is out again'] : [];
  },
  'remove-aid': (sheet, op) => {
    const a = sheet.aids[op.aid];
    return a ? [`${a.title}, ${a.where}`, 'Look that it is really out'] : [];
  },
};
