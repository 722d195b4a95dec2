import type { Sheet } from '../../sheet/index.ts';
import type { Decision } from '../command/refusal.ts';
import type { EventPayloads } from '../log/events.ts';
import type { BenchState } from '../log/state.ts';
import { decideTakeReading } from '../measuring/decide.ts';

/** The same reading taken once more, with what stood before it; nobody is asked again whether so odd a figure is right. */
export function tellReading(said: EventPayloads['reading-taken'], before: BenchState, sheet: Sheet): Decision {
  const { op, where, subject, id, value, how, instrument, temperature } = said;
  return decideTakeReading(before, sheet, {
    type: 'take-reading',
    op,
    value,
    how,
    sure: true,
    ...(where === null ? {} : { where }),
    ...(subject === 'setting' ? { setting: id } : {}),
    ...(instrument ? { instrument } : {}),
    ...(temperature ? { temperature } : {}),
  });
}
