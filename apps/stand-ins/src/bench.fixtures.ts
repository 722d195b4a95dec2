import { decide, emptyBench, type BenchState, type Command, type DecideContext } from '@jubb/core/bench';
import { canonical } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';

export { libraryNames as sheetNames, librarySheet as sheetOf } from '@jubb/core/sheet/fixtures';

const sixOfEach = (sizes: readonly number[]) => sizes.map((n) => ({ thickness: canonical(n, 'length'), count: 6 }));
const USUAL_STEPS = [2.4, 2.2, 2, 1.8, 1.6, 1.5, 1.4, 1.2, 1, 0.5, 0.3, 0.25, 0.2, 0.12, 0.1, 0.07, 0.05];
/** Drawers with the usual steps, six of each, and one of rings in hundredths: common practice. */
export const drawers: DecideContext['drawers'] = {
  ...Object.fromEntries(
    ['hub-shims', 'gear-shims', 'clutch-shims', 'clutch-plates'].map((d) => [d, sixOfEach(USUAL_STEPS)]),
  ),
  'screw-rings': sixOfEach(Array.from({ length: 21 }, (_, i) => 2.9 + i / 100)),
};

const hands = { id: 'p', name: 'P', initials: 'P' };
const second = { id: 'q', name: 'Q', initials: 'Q' };
let given = 0;
/** Gives a command a minute after the last one. @throws Error with the refusal's words */
export function give(sheet: Sheet, state: BenchState, command: Command): BenchState {
  given += 1;
  const at = new Date(Date.UTC(2026, 10, 25, 8, given)).toISOString();
  const who = command.type === 'check-over' ? second : hands;
  const envelope = { id: `c${given}`, job: 'j', who, at, device: 'd', command };
  const outcome = decide(state, sheet, envelope, { drawers });
  if (!outcome.ok)
    throw new Error(`${JSON.stringify(command).slice(0, 200)}: ${outcome.refusal.says} (${outcome.refusal.clears})`);
  return outcome.state;
}

/** A job that is booked on a sheet's first variant. */
export const bookedOn = (sheet: Sheet): BenchState =>
  give(sheet, emptyBench('j'), {
    type: 'book',
    number: 1,
    customer: { id: 'c', name: 'C' },
    unit: { id: 'u', serial: 's', model: 'm' },
    sheet: { id: sheet.id, revision: 1, title: sheet.title, hash: '' },
    complaint: 'x',
    deliveryDate: null,
    spendLimitMinor: null,
    variant: sheet.variants[0]!.id,
    identified: [],
    earlierVisits: 0,
  });
