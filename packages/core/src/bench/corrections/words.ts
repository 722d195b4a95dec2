import { formatQuantity } from '../../quantities/index.ts';
import type { LadderStep, Sheet } from '../../sheet/index.ts';
import type { JobEvent } from '../log/events.ts';
import { eventsOf, type BenchState } from '../log/state.ts';
import { asItStands } from './as-it-stands.ts';
import type { Correctable } from './events.ts';

/** What an event said that can be put right: what it is about, and what was said, in words. */
export interface Said {
  readonly what: Correctable;
  readonly title: string;
  readonly words: string;
}

/** What an event said, as it stands; undefined for one that cannot be put right this way. */
export function saidBy(sheet: Sheet, event: JobEvent): Said | undefined {
  const part = (id: string): string => sheet.parts[id]?.title ?? id;
  switch (event.type) {
    case 'reading-taken': {
      const { subject, id, where, value } = event.payload;
      const title =
        subject === 'process'
          ? part(id)
          : ((subject === 'measure' ? sheet.measures : subject === 'setting' ? sheet.settings : sheet.tests)[id]
              ?.title ?? id);
      return { what: 'reading', title: where === null ? title : `${title}, ${where}`, words: formatQuantity(value) };
    }
    case 'looked':
      return {
        what: 'look',
        title: sheet.looks[event.payload.look]?.title ?? event.payload.look,
        words: event.payload.title,
      };
    case 'sense-answered':
      return { what: 'answer', title: event.payload.ask, words: event.payload.answer };
    case 'identified':
      return { what: 'answer', title: event.payload.ask, words: event.payload.answer };
    case 'counted':
      return { what: 'count', title: part(event.payload.part), words: String(event.payload.count) };
    case 'parts-off':
      return {
        what: 'count',
        title: event.payload.parts.map((p) => part(p.part)).join(', '),
        words: event.payload.parts.map((p) => p.count).join(', '),
      };
    case 'finding-made':
      return {
        what: 'finding',
        title: part(event.payload.part),
        words: `${event.payload.finding}: ${event.payload.reason}`,
      };
    case 'noted':
      return { what: 'note', title: 'Note', words: event.payload.text };
    case 'job-booked':
      return {
        what: 'booking',
        title: 'Booking',
        words: `${event.payload.unit.serial}, ${event.payload.customer.name}`,
      };
    default:
      return undefined;
  }
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
