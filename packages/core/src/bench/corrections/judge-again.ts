import type { Sheet } from '../../sheet/index.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { BenchState } from '../log/state.ts';
import { comesUndone } from '../proving/return-to-step/steps.ts';
import type { JudgeAgain } from './events.ts';

/** Opens the judgement on a part again: its measures and its finding, and, where it is in already, all that lies over it. */
export function decideJudgeAgain(state: BenchState, sheet: Sheet, command: JudgeAgain): Decision {
  const part = sheet.parts[command.part];
  const { bottom } = ladderOf(sheet, state);
  const judges = bottom.flatMap((s) => s.ops).find((o) => o.kind === 'judge' && o.parts.includes(command.part));
  if (!part || !judges)
    return refuse('unknown-op', `"${command.part}" is not judged on this job`, 'Choose a part that is');
  if (state.findings[part.id] === undefined)
    return refuse('already-done', `${part.title} is not judged yet`, 'Judge it');
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', `${part.title} is judged`, 'Say why it is judged again');
  const undone = comesUndone(sheet, state, part.id, judges.id) ?? onlyJudged(sheet, state, part.id);
  return accept({
    type: 'led-back',
    payload: { op: judges.id, test: part.id, suspect: part.id, why: [reason], ...undone },
  });
}

/** Of a part that no step of this job puts in only the judgement opens. */
function onlyJudged(sheet: Sheet, state: BenchState, part: string): NonNullable<ReturnType<typeof comesUndone>> {
  const steps = ladderOf(sheet, state).bottom.filter((s) =>
    s.ops.some((o) => o.kind === 'judge' && o.parts.includes(part)),
  );
  return {
    ops: steps.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'judge' && o.parts.includes(part) ? [o.id] : []))),
    steps: steps.map((s) => s.id),
    parts: [part],
    settings: [],
    marks: [],
    again: [],
  };
}
