import { asItStands, eventsOf, saidBy, type JobEvent } from '@jubb/core/bench';
import type { LadderStep } from '@jubb/core/sheet';
import { format } from 'date-fns';
import { useState } from 'react';
import type { Bench } from '../use-bench.ts';
import { CorrectDialog } from './correct-dialog.tsx';

/** What was read, seen, counted and noted at a step, by whom and when, each to be put right from where it stands. */
export function SaidHere({
  bench,
  step,
}: {
  readonly bench: Bench;
  readonly step: LadderStep;
}): React.JSX.Element | null {
  const [wrong, setWrong] = useState<JobEvent>();
  const { sheet, state } = bench;
  const ops = new Set(step.ops.map((o) => o.id));
  const events = eventsOf(state);
  const standing = asItStands(events);
  const said = events.flatMap((e) => {
    const stands = standing(e);
    const at = stands && 'op' in stands.payload ? stands.payload.op : undefined;
    const own =
      (typeof at === 'string' && ops.has(at)) || (stands?.type === 'noted' && stands.payload.step === step.id);
    const words = stands && own ? saidBy(sheet, stands) : undefined;
    return stands && words ? [{ event: stands, ...words }] : [];
  });
  if (said.length === 0) return null;
  const righted = new Map(state.corrections.map((c) => [c.of, c]));
  return (
    <>
      <ul className="said" aria-label="Said here">
        {said.map(({ event, title, words }) => {
          const right = righted.get(event.seq);
          return (
            <li key={event.seq}>
              <span>
                {title}: <b>{words}</b>{' '}
                <small>
                  {event.who.initials}, {format(new Date(event.at), 'HH:mm')}
                  {right && ` · put right by ${right.by.initials}: it said ${right.before}; ${right.reason}`}
                </small>
              </span>
              {!state.signed && (
                <button
                  type="button"
                  className="btn-line"
                  aria-label={`Correct ${title}: ${words}`}
                  onClick={() => setWrong(event)}
                >
                  Correct
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {wrong && <CorrectDialog bench={bench} event={wrong} close={() => setWrong(undefined)} />}
    </>
  );
}
