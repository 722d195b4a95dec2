import { ReckonError } from '../../reckoners/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../commands.ts';
import { comesUndone } from '../proving/leading-back.ts';
import { judgeRun } from '../proving/judge-run.ts';
import { resultOfRun } from '../proving/result.ts';
import { RunError, type RunOutcome } from '../proving/run.ts';
import { suspectsOf } from '../proving/suspects.ts';
import { readingsOf } from '../readings-of.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { reach } from './reach.ts';

/** Keeps a run on a stand: judged here once more, whatever the screen made of it. */
export function decideTakeRun(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'take-run' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['test']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const test = sheet.tests[op.test]!;
  let outcome: RunOutcome;
  try {
    outcome = judgeRun(test, command.run);
  } catch (e) {
    if (e instanceof RunError) return refuse('not-complete', e.says, e.clears);
    if (e instanceof ReckonError) return refuse('wrong-value', e.message, 'Run it again');
    throw e;
  }
  const { value, uncertainty: _own, working: _kept, ...more } = outcome;
  return accept({
    type: 'reading-taken',
    payload: {
      op: op.id,
      subject: 'test',
      id: test.id,
      moment: op.moment,
      where: null,
      value,
      how: 'instrument',
      instrument: command.instrument ?? null,
      result: resultOfRun(test, outcome, command.instrument?.uncertainty),
      proof: { kind: test.stand!.kind, run: command.run, ...more },
    },
  });
}

/** Goes back down the ladder from a test that failed to what could cause it. */
export function decideLeadBack(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'lead-back' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['test']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const test = sheet.tests[op.test]!;
  if (op.moment !== 'now') return refuse('wrong-kind', 'It was read as found', 'Go on: that is what the job is for');
  const read = readingsOf(state, op.id).at(-1);
  if (!read?.result || read.result.verdict === 'within')
    return refuse('wrong-kind', `${test.title} has not failed`, 'Run the test first');
  const suspect = suspectsOf(sheet, state, test).find((s) => s.id === command.suspect);
  if (!suspect)
    return refuse(
      'not-a-choice',
      `"${command.suspect}" is not among what ${test.title.toLowerCase()} fails by`,
      `One of: ${test.failedBy.join(', ')}`,
    );
  const undone = comesUndone(sheet, state, suspect.id, op.id);
  if (!undone)
    return refuse(
      'not-reachable',
      `No step of this job puts in ${suspect.title.toLowerCase()}`,
      'Note what you do about it, and run the test again',
    );
  return accept({
    type: 'led-back',
    payload: { op: op.id, test: test.id, suspect: suspect.id, why: suspect.why, ...undone },
  });
}
