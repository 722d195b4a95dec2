import { findings as allFindings, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../commands.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { reach } from './reach.ts';

/** Records the judgement on a part, with its reason. */
export function decideJudge(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'judge' }>): Decision {
  const reached = reach(sheet, state, command.op, ['judge']);
  if ('refused' in reached) return reached.refused;
  if (!reached.op.parts.includes(command.part))
    return refuse('wrong-value', `"${command.part}" is not judged here`, `One of: ${reached.op.parts.join(', ')}`);
  if (!allFindings.some((f) => f === command.finding))
    return refuse('not-a-choice', `"${command.finding}" is not a finding`, `One of: ${allFindings.join(', ')}`);
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', 'A finding needs its reason', 'Say what was seen or measured');
  return accept({
    type: 'finding-made',
    payload: { op: reached.op.id, part: command.part, finding: command.finding, reason },
  });
}

/** Records the method chosen, with the sheet's reason for it. */
export function decideChoose(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'choose' }>): Decision {
  const reached = reach(sheet, state, command.op, ['choose']);
  if ('refused' in reached) return reached.refused;
  const method = sheet.methods[reached.op.method];
  const choice = method?.choices.find((c) => c.id === command.choice);
  if (!method || !choice)
    return refuse(
      'not-a-choice',
      `"${command.choice}" is not offered`,
      `One of: ${(method?.choices ?? []).map((c) => c.id).join(', ')}`,
    );
  return accept({
    type: 'method-chosen',
    payload: { op: reached.op.id, method: method.id, choice: choice.id, why: choice.why },
  });
}
