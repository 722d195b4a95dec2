import type { Deciders } from '../registry/shapes.ts';
import type { CountCommand } from './commands.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { reach } from '../command/reach.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;
/** More than this of one part is a slip of the finger. */
export const MOST_OF_A_PART = 1000;

export function notACount(count: number): boolean {
  return !Number.isInteger(count) || count < 0 || count > MOST_OF_A_PART;
}
export const refuseCount = (count: number): Decision =>
  refuse('wrong-value', `${count} is no count`, `A whole number from 0 to ${MOST_OF_A_PART}`);

/** Counts a part before it goes back: what came off must go back, be renewed, or be scrapped on purpose. */
export function decideCount(state: BenchState, sheet: Sheet, command: Of<'count'>): Decision {
  const reached = reach(sheet, state, command.op, ['count']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const id = op.part ?? op.what;
  const part = sheet.parts[id];
  if (notACount(command.count)) return refuseCount(command.count);
  if (state.uncounted[id] !== undefined && !part?.countKnown) {
    // Nobody counted when it came off: this is the count that there is.
    return accept({
      type: 'counted',
      payload: { op: null, part: id, count: command.count, expected: null, agrees: true, moment: 'tray' },
    });
  }
  const expected = part?.count ?? 1;
  const agrees = command.count === expected;
  const reason = command.reason?.trim();
  if (command.lost !== undefined && command.count >= expected)
    return refuse('wrong-value', `${command.count} of ${expected} found: none is lost`, 'Complete the count');
  if (command.lost !== undefined && !reason)
    return refuse('not-complete', 'Why is one missing?', 'Say where it was looked for');
  const counted: NewEvent = {
    type: 'counted',
    payload: {
      op: op.id,
      part: id,
      count: command.count,
      expected,
      agrees,
      moment: 'build',
      ...(command.lost === undefined ? {} : { lost: command.lost }),
      ...(reason ? { reason } : {}),
    },
  };
  if (command.lost === undefined) return accept(counted);
  return accept(counted, {
    type: 'finding-made',
    payload: { op: op.id, part: id, finding: 'renew', reason: `${command.count} of ${expected} found: ${reason}` },
  });
}

/** Counts what was laid in a tray uncounted. */
export function decideCountTray(state: BenchState, sheet: Sheet, command: Of<'count-tray'>): Decision {
  if (state.uncounted[command.part] === undefined)
    return refuse('wrong-value', `${sheet.parts[command.part]?.title ?? command.part}: counted already`, 'Go on');
  if (notACount(command.count) || command.count === 0) return refuseCount(command.count);
  return accept({
    type: 'counted',
    payload: { op: null, part: command.part, count: command.count, expected: null, agrees: true, moment: 'tray' },
  });
}

/** How each of these commands is decided. */
export const countingDeciders: Deciders<CountCommand['type']> = {
  count: decideCount,
  'count-tray': decideCountTray,
};
