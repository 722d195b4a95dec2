import { asItStands, eventsOf } from '@jubb/core/bench';
import type { Bench } from '../use-bench.ts';
import { CorrectDialog } from './correct-dialog.tsx';

/** Puts right what was told at booking, as it stands by now. */
export function CorrectBooking({
  bench,
  close,
}: {
  readonly bench: Bench;
  readonly close: () => void;
}): React.JSX.Element | null {
  const events = eventsOf(bench.state);
  const booked = events[0] && asItStands(events)(events[0]);
  return booked ? <CorrectDialog bench={bench} event={booked} close={close} /> : null;
}
