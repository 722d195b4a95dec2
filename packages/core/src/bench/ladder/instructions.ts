import type { Op, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { instructions } from '../registry/instructions.ts';
import { opTitle } from './wording.ts';

/** What there is to do at an operation, line by line, its note last; its title where there is nothing more to say. */
export function linesOf(sheet: Sheet, state: BenchState, op: Op): readonly string[] {
  const of = instructions[op.kind] as ((sheet: Sheet, op: Op, state: BenchState) => readonly string[]) | undefined;
  const lines = [...(of?.(sheet, op, state) ?? []), ...(op.note ? [op.note] : [])];
  return lines.length > 0 ? lines : [opTitle(sheet, op)];
}
