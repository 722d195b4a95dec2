import type { DocumentView, JobView, MeView } from '@jubb/contract';
import {
  decide,
  fold,
  jobSheet,
  type BenchState,
  type Command,
  type CommandEnvelope,
  type DecideContext,
  type Refusal,
} from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { queries } from '../api/queries.ts';
import { outbox, useWaiting } from '../outbox/use-outbox.ts';
import { newWaiting, type Waiting } from '../outbox/waiting.ts';

export interface Bench {
  readonly job: string;
  /** The sheet as this job has it: the pinned revision with what the bench put in. */
  readonly sheet: Sheet;
  /** What the log says, with what waits to be sent folded in already. */
  readonly state: BenchState;
  readonly context: DecideContext;
  /** What is shown is what the server has now, not only what this device has kept of it; without a line it is all there is. */
  readonly fresh: boolean;
  readonly refusal: Refusal | undefined;
  /** Gives a command: decided here at once, shown, and put on its way. False when it is refused. */
  readonly give: (command: Command) => boolean;
  /** Gives several that are done with one press, each in turn, up to the first that is refused; false when one is. */
  readonly giveAll: (commands: readonly Command[]) => boolean;
  /**
   * Gives a command, and with it completes its move when nothing more is to be said there: one press less, and no other word.
   * @param settled whether all is said, from the state that the command leaves
   * @returns false when the command is refused; the move then stays
   */
  readonly giveAndGoOn: (command: Command, op: string, settled: (state: BenchState) => boolean) => boolean;
  readonly clearRefusal: () => void;
  readonly documents: readonly DocumentView[];
  /** The newest command that could be taken back. */
  readonly last: { readonly command: string; readonly at: string } | undefined;
}

/** The bench of a job: folded here, answering at once, also without a network. */
export function useBench(
  id: string,
  me: MeView,
): { readonly bench?: Bench; readonly error: Error | null; readonly visits: readonly { readonly number: number }[] } {
  const query = useQuery(queries.job(id));
  const waiting = useWaiting();
  const [refusal, setRefusal] = useState<Refusal>();
  const view = query.data;
  const folded = useMemo(() => {
    if (!view) return undefined;
    let state = fold(id, view.events);
    const sent = new Set(view.events.map((e) => e.command));
    for (const w of waiting) {
      // What others gave on this device waits for them: it is theirs to send, and may never come.
      if (w.job !== id || w.refused || w.giver.id !== me.person.id || sent.has(w.id)) continue;
      const outcome = decide(state, view.sheet, envelopeOf(w), contextOf(view, me));
      if (outcome.ok) state = outcome.state;
    }
    return state;
  }, [view, waiting, id, me]);
  if (!view || !folded) return { error: query.error, visits: [] };
  const context = contextOf(view, me);
  const newest = folded.history?.event;
  const device = navigator.userAgent.includes('Headless') ? 'test browser' : 'bench browser';
  const waitingFor = (command: Command): Waiting => newWaiting(me.person, id, device, command);
  /** Decides a command from a state and puts it on its way; undefined when it is refused, which is shown. */
  const giveOn = (state: BenchState, command: Command): { readonly state: BenchState } | undefined => {
    const waitingNow = waitingFor(command);
    const outcome = decide(state, view.sheet, envelopeOf(waitingNow), context);
    setRefusal(outcome.ok ? undefined : outcome.refusal);
    if (!outcome.ok) return undefined;
    void outbox.add(waitingNow);
    return outcome;
  };
  const giveAll = (commands: readonly Command[]): boolean => {
    let state = folded;
    for (const command of commands) {
      const given = giveOn(state, command);
      if (!given) return false;
      state = given.state;
    }
    return true;
  };
  const bench: Bench = {
    job: id,
    sheet: jobSheet(view.sheet, folded),
    documents: view.documents,
    state: folded,
    context,
    fresh: query.isFetchedAfterMount || !query.isFetching,
    refusal,
    clearRefusal: () => setRefusal(undefined),
    last:
      newest && newest.type !== 'taken-back' && newest.type !== 'job-booked'
        ? { command: newest.command, at: newest.at }
        : undefined,
    give: (command) => giveAll([command]),
    giveAll,
    giveAndGoOn: (command, op, settled) => {
      const given = giveOn(folded, command);
      if (!given) return false;
      const over = given.state.done[op] !== undefined || !settled(given.state);
      const on = over ? undefined : waitingFor({ type: 'complete', op });
      if (on && decide(given.state, view.sheet, envelopeOf(on), context).ok) void outbox.add(on);
      return true;
    },
  };
  return { bench, error: null, visits: view.history };
}

/** What commands of a job are decided with here: as the server does. */
const contextOf = (view: JobView, me: MeView): DecideContext => ({
  drawers: view.drawers,
  money: { ...me.workshop, pricing: view.pricing },
});

/** Takes the newest command back. */
export function takeBack(bench: Bench | undefined): void {
  if (bench?.last) bench.give({ type: 'take-back', command: bench.last.command, reason: 'pressed by mistake' });
}

/** Decided here as the server will decide it: by the server's clock, in the name of whoever gave it. */
function envelopeOf({ id, job, atServer, at, device, giver, command }: Waiting): CommandEnvelope {
  return { id, job, at: atServer, deviceAt: at, device, who: giver, command };
}
