import { saidAt, type JobEvent } from '@jubb/core/bench';
import type { LadderStep } from '@jubb/core/sheet';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
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
  const said = saidAt(sheet, state, step);
  return (
    <>
      <ul className="said" aria-label="Said here">
        {said.map(({ event, title, words, righted: right }) => (
          <li key={event.seq}>
            <span>
              {title}: <b>{words}</b>{' '}
              <small>
                {event.who.initials}, {format(new Date(event.at), 'HH:mm')}
                {right && ` · put right by ${right.by.initials}: it said ${right.before}; ${right.reason}`}
              </small>
            </span>
            {!state.signed && (
              <Button variant="line" aria-label={`Correct ${title}: ${words}`} onClick={() => setWrong(event)}>
                Correct
              </Button>
            )}
          </li>
        ))}
      </ul>
      {wrong && <CorrectDialog bench={bench} event={wrong} close={() => setWrong(undefined)} />}
    </>
  );
}
