import { saidAt } from '@jubb/core/bench';
import type { LadderStep } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { CorrectBooking } from '../corrections/correct-booking.tsx';
import { SaidHere } from '../corrections/said-here.tsx';
import type { Bench } from '../use-bench.ts';

/** What was said at the step at hand, or at the one that is looked at, and at booking: each to be put right. */
export function CorrectForm({
  bench,
  step,
  close,
}: {
  readonly bench: Bench;
  readonly step: LadderStep | undefined;
  readonly close: () => void;
}): React.JSX.Element {
  const [booking, setBooking] = useState(false);
  const any = step !== undefined && saidAt(bench.sheet, bench.state, step).length > 0;
  return (
    <>
      <b>{step ? `Said at: ${step.title.toLowerCase()}` : 'Said at booking'}</b>
      {step && any && <SaidHere bench={bench} step={step} />}
      {step && !any && (
        <p className="m-0">Nothing was read, seen, counted or noted here yet. Other steps: press them on the ladder.</p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button variant="line" onClick={() => setBooking(true)}>
          Correct the booking
        </Button>
        <Button variant="line" className="ms-auto" onClick={close}>
          Close
        </Button>
      </div>
      {booking && <CorrectBooking bench={bench} close={() => setBooking(false)} />}
    </>
  );
}
