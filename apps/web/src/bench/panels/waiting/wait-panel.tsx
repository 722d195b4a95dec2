import { minutesWords, opTitle, timerHasRun, timerOf, type TimerKind } from '@jubb/core/bench';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { clockLeft, useNow } from '../../../frame/use-now.ts';
import { Go, type PanelProps } from '../panel.tsx';
import { Whose } from '../../figure-source.tsx';

/** A cure, soak, rest or heat by the clock. The timer is an event: it runs on whatever happens to this browser. */
export function WaitPanel({ bench, op }: PanelProps<'cure' | 'soak' | 'rest' | 'heat'>): React.JSX.Element {
  const now = useNow();
  const [reason, setReason] = useState('');
  const [short, setShort] = useState(false);
  const timer = timerOf(bench.state, op.id);
  const minutes = op.minutes ?? 0;
  const done = timer && (timer.ended !== undefined || timerHasRun(timer, now.toISOString()));
  const fluid = bench.sheet.fluids[op.what];
  const part = op.part ? bench.sheet.parts[op.part] : undefined;
  return (
    <>
      <div className="op">
        <p className="lines p-0 m-0">
          {fluid ? `${fluid.title}: ${fluid.grade}` : (part?.title ?? op.what)}
          {op.to ? `: ${op.to}` : ''}
          {op.note ? `. ${op.note}` : ''}
        </p>
        <Whose from={fluid?.from ?? bench.sheet.from} documents={bench.documents} />
        {timer ? (
          <>
            <div className="big mt-3" role="timer">
              {timer.ended ? 'ended' : clockLeft(timer.due, now)}
            </div>
            <p className="quiet">
              {minutesWords(minutes)} from {format(new Date(timer.at), 'HH:mm')}, due{' '}
              {format(new Date(timer.due), 'HH:mm')}. It runs on the Floor too: take another job in hand meanwhile.
            </p>
            {!done && !short && (
              <Button variant="line" onClick={() => setShort(true)}>
                Cut it short
              </Button>
            )}
            {!done && short && (
              <>
                <Form.Label htmlFor="why-short">Why is it cut short?</Form.Label>
                <Form.Control
                  id="why-short"
                  value={reason}
                  maxLength={400}
                  onChange={(e) => setReason(e.target.value)}
                />
              </>
            )}
          </>
        ) : (
          <div className="big mt-3">{minutesWords(minutes)}</div>
        )}
      </div>
      {!timer ? (
        <Go
          label={`Start ${minutesWords(minutes)}`}
          act={() =>
            bench.give({
              type: 'start-timer',
              op: op.id,
              title: opTitle(bench.sheet, op),
              minutes,
              kind: op.kind as TimerKind,
            })
          }
        />
      ) : (
        <Go
          label={
            done ? 'Go on' : short ? 'Go on before its time' : `Wait until ${format(new Date(timer.due), 'HH:mm')}`
          }
          act={() => bench.give({ type: 'complete', op: op.id, ...(done || !short ? {} : { reason }) })}
          disabled={!done && (!short || !reason.trim())}
        />
      )}
    </>
  );
}
