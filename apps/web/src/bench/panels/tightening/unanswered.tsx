import { signWords, type Pull, type PullAnswer } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import type { Joint } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../../use-bench.ts';

/** A pull that came out too high, or that turned oddly: what it means, what to do, and what was done. */
export function Unanswered({
  bench,
  op,
  joint,
  pull,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly joint: Joint;
  readonly pull: Pull;
}): React.JSX.Element {
  const [note, setNote] = useState('');
  const answer = (how: PullAnswer): void => {
    bench.give({
      type: 'answer-pull',
      op,
      bolt: pull.bolt,
      answer: how,
      ...(note.trim() ? { note } : {}),
    });
  };
  const { low, high } = pull.window;
  const signs = pull.signs ?? [];
  const mayBeSlackened = pull.advice !== 'renew' && joint.fasteners !== 'new';
  const mayStand = pull.verdict === 'within' && pull.advice !== 'renew';
  return (
    <div className="refused" role="alert">
      <b style={{ fontSize: 20 }}>
        Fastener {pull.bolt}: {formatQuantity(pull.torque, 1)}
        {pull.verdict === 'high'
          ? ', too high'
          : pull.turnedDeg === null
            ? ''
            : ` after ${Math.round(pull.turnedDeg)}°`}
      </b>
      {pull.verdict === 'high' && (
        <p className="m-0">
          The window is {low.value.toFixed(1)} to {high.value.toFixed(1)} {high.unit === 'deg' ? '°' : high.unit}.
          {pull.percentOfYield !== null && ` It saw ${Math.round(pull.percentOfYield)} % of yield.`}
        </p>
      )}
      {signs.map((s) => (
        <p key={s} className="m-0">
          <b>{signWords[s].says}.</b> {signWords[s].then}.
        </p>
      ))}
      {signs.length === 0 && (
        <p className="m-0">
          {pull.advice === 'renew'
            ? 'It may have stretched. Take it out, fit a new one, look at the thread it went into, and pull the new one.'
            : 'Slacken it fully, look at its thread and seat, and pull it again to this stage.'}
        </p>
      )}
      {joint.fasteners === 'new' && <p className="m-0">One-time fastener: it is not pulled twice.</p>}
      <div className="answers mt-2">
        {mayBeSlackened && (
          <Button variant="ink" onClick={() => answer('slackened')}>
            Slackened and looked at
          </Button>
        )}
        <Button variant="line" onClick={() => answer('renewed')}>
          New fastener in
        </Button>
      </div>
      {mayStand && (
        <div className="mt-2">
          <Form.Label htmlFor="stands">It stands: what was looked at and found</Form.Label>
          <div className="d-flex gap-2">
            <Form.Control id="stands" value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
            <Button variant="line" disabled={!note.trim()} onClick={() => answer('accepted')}>
              Stands
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
