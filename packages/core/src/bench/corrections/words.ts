import { sayings } from '../registry/sayings.ts';
import type { Said } from './said.ts';
import type { LadderStep, Sheet } from '../../sheet/index.ts';
import type { JobEvent } from '../log/events.ts';
import { eventsOf, type BenchState } from '../log/state.ts';
import { asItStands } from './as-it-stands.ts';

/** What an event said, as it stands; undefined for one that cannot be put right this way. */
export function saidBy(sheet: Sheet, event: JobEvent): Said | undefined {
  const saying = sayings[event.type] as ((sheet: Sheet, payload: object) => Said) | undefined;
  return saying?.(sheet, event.payload);
}

/** What was said at a step and can be put right, as it stands, the oldest first. */
export function saidAt(
  sheet: Sheet,
  state: BenchState,
  step: LadderStep,
): readonly (Said & { readonly event: JobEvent; readonly righted?: BenchState['corrections'][number] })[] {
  const ops = new Set(step.ops.map((o) => o.id));
  const events = eventsOf(state);
  const standing = asItStands(events);
  return events.flatMap((e) => {
    const event = standing(e);
    if (!event) return [];
    const op = 'op' in event.payload ? event.payload.op : undefined;
    const here = op ? ops.has(op) : event.type === 'noted' && event.payload.step === step.id;
    const said = here ? saidBy(sheet, event) : undefined;
    const righted = state.corrections.findLast((c) => c.of === event.seq);
    return said ? [{ ...said, event, ...(righted ? { righted } : {}) }] : [];
  });
}
