import type { Deciders } from '../registry/shapes.ts';
import type { JudgeCommand } from './commands.ts';
import { findings as allFindings, type Finding, type Part, type Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import type { NewEvent } from '../log/events.ts';
import { adviseFinding } from './advice.ts';
import { causeEvidence } from './evidence.ts';
import { reach } from '../command/reach.ts';

/**
 * Records the judgement on a part. It may differ from what the sheet and the readings advise, with a reason. A watched
 * part becomes a deferral; a scrapped body holds the job for the question of an exchange unit.
 */
export function decideJudge(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'judge' }>,
  commandId: string,
): Decision {
  const reached = reach(sheet, state, command.op, ['judge']);
  if ('refused' in reached) return reached.refused;
  const { part, finding } = command;
  const known = sheet.parts[part];
  const judgedHere = reached.op.parts.includes(part) || sheet.whileOpen.some((w) => w.part === part);
  if (!known || !judgedHere)
    return refuse('wrong-value', `"${part}" is not judged here`, `One of: ${reached.op.parts.join(', ')}`);
  if (!allFindings.some((f) => f === finding))
    return refuse('not-a-choice', `"${finding}" is not a finding`, `One of: ${allFindings.join(', ')}`);
  const advice = adviseFinding(sheet, state, part);
  const agrees = advice.finding === finding;
  const reason = command.reason?.trim() || (agrees ? advice.says[0] : undefined);
  if (!reason)
    return advice.finding === undefined
      ? refuse('not-complete', 'A finding needs its reason', 'Say what was seen or measured')
      : refuse(
          'not-complete',
          `The sheet and the readings say ${advice.finding}: another finding needs its reason`,
          'Say what was seen or measured',
        );
  const events: NewEvent[] = [
    {
      type: 'finding-made',
      payload: { op: reached.op.id, part, finding, reason, advised: advice.finding ?? null, says: advice.says },
    },
  ];
  return accept(...events, ...followsFinding(sheet, known, finding, reason, commandId));
}

/** What follows from a finding: a deferral of what is watched, the question of an exchange unit where a body is scrap. */
export function followsFinding(
  sheet: Sheet,
  part: Part,
  finding: Finding,
  reason: string,
  commandId: string,
): readonly NewEvent[] {
  if (finding === 'watch') {
    const again = part.lookAgain === undefined ? {} : { again: part.lookAgain };
    return [{ type: 'deferral-made', payload: { part: part.id, title: part.title, words: reason, ...again } }];
  }
  if (finding !== 'scrap' || !part.body) return [];
  const exchange = sheet.exchange ? `${sheet.exchange.title}, ${sheet.exchange.order}?` : 'An exchange unit?';
  return [{ type: 'held', payload: { hold: commandId, why: 'decision', note: `${part.title} is scrap. ${exchange}` } }];
}

/** Records why the unit failed, with what was read and seen that speaks for it; or that it is not known. */
export function decideCause(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'find-cause' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['cause']);
  if ('refused' in reached) return reached.refused;
  const cause = sheet.causes[reached.op.cause]!;
  const note = command.note?.trim();
  const base = { op: reached.op.id, cause: cause.id, ask: cause.ask, ...(note ? { note } : {}) };
  if (command.choice === null)
    return accept({ type: 'cause-found', payload: { ...base, choice: null, title: 'Not known', evidence: [] } });
  const choice = cause.choices.find((c) => c.id === command.choice);
  if (!choice)
    return refuse(
      'not-a-choice',
      `"${command.choice}" is not offered`,
      `One of: ${cause.choices.map((c) => c.id).join(', ')}, or none of them`,
    );
  const evidence = causeEvidence(sheet, state, cause)
    [choice.id]!.filter((e) => e.speaks === 'for')
    .map((e) => e.says);
  const then = choice.then === undefined ? {} : { then: choice.then };
  return accept({
    type: 'cause-found',
    payload: { ...base, choice: choice.id, title: choice.title, evidence, ...then },
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

/** How each of these commands is decided. */
export const judgingDeciders: Deciders<JudgeCommand['type']> = {
  judge: (state, sheet, command, { id }) => decideJudge(state, sheet, command, id),
  'find-cause': decideCause,
  choose: decideChoose,
};
