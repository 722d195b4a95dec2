import type { Deciders } from '../registry/shapes.ts';
import type { StripCommand } from './commands.ts';
import { type Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { reach } from '../command/reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;

/** A way of taking it off did not work: the next one, while there is one. */
export function decideWayFailed(state: BenchState, sheet: Sheet, command: Of<'way-failed'>): Decision {
  const reached = reach(sheet, state, command.op, ['off']);
  if ('refused' in reached) return reached.refused;
  const now = state.ways[reached.op.id] ?? 0;
  const way = reached.op.by[now];
  if (!way || now + 1 >= reached.op.by.length)
    return refuse('not-a-choice', 'The sheet has no other way', 'Say what is in the way: a surprise');
  return accept({
    type: 'way-failed',
    payload: { op: reached.op.id, way: way.title, next: now + 1, ...(command.note ? { note: command.note } : {}) },
  });
}

/** How each of these commands is decided. */
export const stripDeciders: Deciders<StripCommand['type']> = {
  'way-failed': decideWayFailed,
};
