import { doingInstructions } from '../doing/instructions.ts';
import { fittingInstructions } from '../fitting/instructions.ts';
import { marksInstructions } from '../marks/instructions.ts';
import { stripInstructions } from '../strip/instructions.ts';
import { tighteningInstructions } from '../tightening/instructions.ts';
import type { OpKind } from '../../sheet/index.ts';
import { merged } from '../../records.ts';
import type { Instructions } from './shapes.ts';

/** What there is to do at an operation, line by line; left out where its title says it. */
export const instructions: Partial<Instructions<OpKind>> = merged({
  doing: doingInstructions,
  fitting: fittingInstructions,
  marks: marksInstructions,
  strip: stripInstructions,
  tightening: tighteningInstructions,
});
