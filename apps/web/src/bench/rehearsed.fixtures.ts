import {
  decide,
  emptyBench,
  jobSheet,
  nextMove,
  rehearse,
  type BenchState,
  type Command,
  type NextMove,
  type RehearsalFigures,
} from '@jubb/core/bench';
import type { LadderStep, Op, OpKind, Sheet } from '@jubb/core/sheet';
import { libraryNames, librarySheet } from '@jubb/core/sheet/fixtures';
import { una } from '../server.fixtures.tsx';
import type { Bench } from './use-bench.ts';

/** The shipped sheets. */
export const sheets: readonly Sheet[] = libraryNames.map(librarySheet);
export { librarySheet as shipped } from '@jubb/core/sheet/fixtures';
export const drawers = {
  'hub-shims': [
    { thickness: { value: 1.2, unit: 'mm' }, count: 3 },
    { thickness: { value: 0.12, unit: 'mm' }, count: 3 },
  ],
  'gear-shims': [{ thickness: { value: 1.2, unit: 'mm' }, count: 3 }],
};
const MOST_COMMANDS = 600;

/** A job that is worked by rehearsal. */
export interface Rehearsed {
  readonly sheet: Sheet;
  readonly state: BenchState;
}

/** A command that the bench did not take. */
class Refused extends Error {}

/** A booked job on a sheet, and what gives it commands; a refusal is thrown. */
export function bookedJob(sheet: Sheet): { readonly job: () => Rehearsed; readonly give: (command: Command) => void } {
  let state = emptyBench('j');
  let n = 0;
  const give = (command: Command): void => {
    n += 1;
    const at = new Date(Date.UTC(2026, 10, 24, 8, n)).toISOString();
    const envelope = { id: `c${n}`, job: 'j', who: una.person, at, device: 'd', command };
    const outcome = decide(state, sheet, envelope, { drawers });
    if (!outcome.ok) throw new Refused(outcome.refusal.says);
    ({ state } = outcome);
  };
  give({
    type: 'book',
    number: 1,
    customer: { id: 'c', name: 'Council Depot' },
    unit: { id: 'u', serial: 's', model: 'm' },
    sheet: { id: sheet.id, revision: 1, title: sheet.title, hash: '' },
    complaint: 'x',
    deliveryDate: null,
    spendLimitMinor: null,
    variant: sheet.variants[0]!.id,
    identified: [],
    earlierVisits: 0,
  });
  return { job: () => ({ sheet, state }), give };
}

/** Works a job on a sheet by rehearsal until it is where it is wanted; undefined when it never comes there. */
export function workedUntil(
  sheet: Sheet,
  wanted: (state: BenchState, move: NextMove, next: Command | undefined) => boolean,
  figures: RehearsalFigures = {},
): Rehearsed | undefined {
  const { job, give } = bookedJob(sheet);
  for (let i = 0; i < MOST_COMMANDS; i += 1) {
    const { state } = job();
    const next = rehearse(sheet, state, { drawers }, { impatience: 'rehearsed', ...figures });
    if (wanted(state, nextMove(sheet, state), next)) return job();
    if (!next) return undefined;
    try {
      give(next);
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      // What this drawer or this hand cannot do ends the rehearsal: another sheet is looked for.
      return undefined;
    }
  }
  return undefined;
}

/** A job that stands at an operation. */
export interface At extends Rehearsed {
  readonly op: Op;
  readonly step: LadderStep;
}

/** A job on a shipped sheet that has such an operation, rehearsed up to it; throws where no sheet comes to one. */
export function upTo(
  kind: OpKind,
  wanted: (op: Op, sheet: Sheet, state: BenchState) => boolean = () => true,
  figures: RehearsalFigures = {},
): At {
  let at: At | undefined;
  for (const sheet of sheets) {
    workedUntil(
      sheet,
      (state, move) => {
        if (move.kind !== 'op' || move.op.kind !== kind || !wanted(move.op, sheet, state)) return false;
        at = { sheet, state, op: move.op, step: move.step };
        return true;
      },
      figures,
    );
    if (at) return at;
  }
  throw new Error(`no shipped sheet comes to such a ${kind}`);
}

/** A sheet, worked up to its first operation of a kind. @throws Error where it comes to none */
export function firstOf(sheet: Sheet, kind: OpKind): At {
  let at: At | undefined;
  workedUntil(sheet, (state, move) => {
    if (move.kind !== 'op' || move.op.kind !== kind) return false;
    at = { sheet, state, op: move.op, step: move.step };
    return true;
  });
  if (!at) throw new Error(`${sheet.id} comes to no ${kind}`);
  return at;
}

/** A bench that takes whatever is given, and keeps it. */
export function benchOf({ sheet, state }: Rehearsed): { readonly bench: Bench; readonly given: Command[] } {
  const given: Command[] = [];
  const take = (command: Command): boolean => given.push(command) > 0;
  const bench: Bench = {
    job: 'j',
    sheet: jobSheet(sheet, state),
    state,
    documents: [],
    context: { drawers },
    refusal: undefined,
    give: take,
    giveAll: (commands) => commands.every(take),
    giveAndGoOn: take,
    clearRefusal: () => undefined,
    last: undefined,
    fresh: true,
  };
  return { bench, given };
}
