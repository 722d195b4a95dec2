import type { Deciders } from '../registry/shapes.ts';
import type { ProveCommand } from './commands.ts';
import { ReckonError } from '../../reckoners/index.ts';
import { unreachable } from '../../records.ts';
import type { OpOf, Sheet } from '../../sheet/index.ts';
import { openBad } from '../bad/bad-things.ts';
import type { Command } from '../command/commands.ts';
import { comesUndone } from './return-to-step/steps.ts';
import { judgeRun } from './judge-run.ts';
import { resultOfRun } from './result.ts';
import { RunError, type RunOutcome } from './run.ts';
import { suspectsOf, type Failed } from './return-to-step/suspects.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { lowerFirst } from '../ladder/words.ts';
import { reach } from '../command/reach.ts';

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

/** The test, look or setting of an operation, with what it fails by. */
export function failedAt(sheet: Sheet, op: OpOf<'test' | 'look' | 'set'>): Failed & { readonly title: string } {
  switch (op.kind) {
    case 'test':
      return sheet.tests[op.test]!;
    case 'look':
      return sheet.looks[op.look]!;
    case 'set': {
      const { id, title } = sheet.settings[op.setting]!;
      return { id, title, failedBy: [] };
    }
    default:
      return unreachable('an operation that cannot fail', op);
  }
}

/** Goes back down the ladder from a test or look that failed, or a setting that cannot be met, to what could cause it. */
export function decideReturnToStep(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'return-to-step' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['test', 'look', 'set']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const failed = failedAt(sheet, op);
  if (op.kind !== 'set' && op.moment === 'as-found')
    return refuse('wrong-kind', 'It was read as found', 'Go on: that is what the job is for');
  if (!openBad(sheet, state).some((b) => b.op === op.id))
    return refuse('wrong-kind', `${failed.title} has not failed`, 'Run it, read it or look first');
  const suspects = suspectsOf(sheet, state, failed);
  const suspect = suspects.find((s) => s.id === command.suspect);
  if (!suspect)
    return refuse(
      'not-a-choice',
      `"${command.suspect}" is not among what ${lowerFirst(failed.title)} fails by`,
      `One of: ${suspects.map((s) => s.id).join(', ')}`,
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
    payload: { op: op.id, test: failed.id, suspect: suspect.id, why: suspect.why, ...undone },
  });
}

/** How each of these commands is decided. */
export const provingDeciders: Deciders<ProveCommand['type']> = {
  'take-run': decideTakeRun,
  'return-to-step': decideReturnToStep,
};
