import { findOp, ladderOf, openOps, stepReachable } from '../ladder/moves.ts';
import { opTitle } from '../ladder/wording.ts';
import { refuse, type Decision } from './refusal.ts';
import type { BenchState } from '../log/state.ts';
import type { LadderStep, Op, OpKind, OpOf, Sheet } from '../../sheet/index.ts';

type Reached<K extends OpKind> = { readonly step: LadderStep; readonly op: OpOf<K> };

/**
 * Finds the operation that a command is about, when its turn has come and it is of a kind the command fits (any, when none is named);
 * otherwise the refusal that says what comes first.
 */
export function reach<K extends OpKind = OpKind>(
  sheet: Sheet,
  state: BenchState,
  opId: string,
  kinds?: readonly K[],
): Reached<K> | { readonly refused: Decision } {
  const found = findOp(sheet, state, opId);
  if (!found)
    return {
      refused: refuse(
        'unknown-op',
        `This job has no operation "${opId}"`,
        'Reload the bench: a finding may have changed the ladder',
      ),
    };
  const { step, op } = found;
  if (state.done[op.id])
    return {
      refused: refuse('already-done', `${opTitle(sheet, op)}: already done`, 'Take it back first if it was not'),
    };
  const now = ladderOf(sheet, state);
  if (!stepReachable(step, now, state) || !openOps(step, state).some((o) => o.id === op.id)) {
    const first = firstInTheWay(step, op, sheet, state);
    return { refused: refuse('not-reachable', `${opTitle(sheet, op)}: not yet`, first) };
  }
  if (kinds && !(kinds as readonly string[]).includes(op.kind)) {
    return { refused: refuse('wrong-kind', `${opTitle(sheet, op)} is not settled this way`, `It wants: ${op.kind}`) };
  }
  return { step, op: op as OpOf<K> };
}

function firstInTheWay(step: LadderStep, op: Op, sheet: Sheet, state: BenchState): string {
  const now = ladderOf(sheet, state);
  for (const s of now.all) {
    if (!stepReachable(s, now, state)) continue;
    const next = openOps(s, state)[0];
    if (next && next.id !== op.id) return `${s.title}: ${opTitle(sheet, next)} comes first`;
  }
  return `${step.title} waits for another step`;
}
