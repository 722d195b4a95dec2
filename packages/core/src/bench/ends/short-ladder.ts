import type { Op, OpBody, Sheet, Step } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import type { EndKind } from './events.ts';
import { END_STEPS } from './words.ts';

/** A rough guess for the plan and the price, common practice. */
const END_MINUTES = 15;

/**
 * The sheet of a job that ends otherwise than repaired: what was done so far, and one last step that brings the unit to the
 * door. Nothing else of the sheet is asked any more.
 */
export function withEnd(sheet: Sheet, state: BenchState): Sheet {
  const { end } = state;
  if (!end) return sheet;
  const doneBefore = (o: Op): boolean => (state.done[o.id]?.seq ?? Infinity) < end.seq;
  const kept = sheet.steps
    .map((s): Step => ({ ...s, ops: s.ops.filter(doneBefore), after: [], before: [] }))
    .filter((s) => s.ops.length > 0);
  const last: Step = {
    id: 'build end',
    rung: 'end',
    side: 'build',
    title: END_STEPS[end.how],
    when: [],
    minutes: END_MINUTES,
    tools: [],
    ahead: [],
    after: [],
    before: [],
    ops: bodies(sheet, end).map((body, i) => ({ id: `build/end/${i + 1}`, when: [], ...body })),
  };
  // The build side is worked from the end of the sheet: what comes last stands first.
  return { ...sheet, steps: [last, ...kept] };
}

function bodies(sheet: Sheet, end: NonNullable<BenchState['end']>): readonly OpBody[] {
  const off = end.off.map((p) => `${p.count > 1 ? `${p.count} × ` : ''}${sheet.parts[p.part]?.title ?? p.part}`);
  // The last that went in comes out first: what holds the unit stays to the end.
  const aids = [...end.aids].reverse().map((aid): OpBody => ({ kind: 'remove-aid', aid }));
  const leads = end.leads.map((lead): OpBody => ({ kind: 'reconnect', lead }));
  const confirm = (what: string): OpBody => ({ kind: 'confirm', what });
  const list = off.length > 0 ? off.join(', ') : 'nothing is off';
  const built: readonly OpBody[] = [
    ...(off.length > 0
      ? [confirm(`Back in: ${list}. Every fastener by hand, then snug: it is built up to carry`)]
      : []),
    ...aids,
    ...leads,
    confirm('Nothing lies in a tray, and nothing is loose'),
  ];
  const tag = confirm('Tagged: not for use, the number of the job, and what was found');
  const ways: Readonly<Record<EndKind, readonly OpBody[]>> = {
    'returned-built': [...built, tag],
    'returned-boxed': [
      ...aids,
      confirm('Every space is open and drained, every port capped, no spring loaded'),
      confirm(`In the box, counted: ${list}`),
      tag,
    ],
    scrapped: [
      confirm('Pressure and springs let down, fluids drained and put with the waste'),
      ...aids,
      confirm('What was to be kept is put aside, and named in a note'),
      confirm('Marked as scrap, so that nobody fits it'),
    ],
    cancelled: [...aids, ...leads, confirm('It is whole, as it came in')],
    'comeback-refused': [...built, ...(off.length > 0 ? [tag] : [])],
  };
  return ways[end.how];
}
