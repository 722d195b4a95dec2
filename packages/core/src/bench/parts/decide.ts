import type { Deciders } from '../registry/shapes.ts';
import type { PartsCommand } from './commands.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { allHere, coverOf, type Cover, type LineNow } from './cover.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState, PartLineState } from '../log/state.ts';

type OrderLine = Of<'order-parts'>['lines'][number];
type Of<T extends Command['type']> = Extract<Command, { type: T }>;
const MOST_LINES = 200;
/** What a hold for parts says; it is cleared when all that it waits for has come. */
const waitsFor = (titles: readonly string[]): string =>
  titles.length > 3 ? `${titles.slice(0, 3).join(', ')} and ${titles.length - 3} more` : titles.join(', ');

/** Orders what the job needs. A part that is on order already is not ordered twice. */
export function decideOrder(state: BenchState, sheet: Sheet, command: Of<'order-parts'>, commandId: string): Decision {
  const { lines } = command;
  if (lines.length === 0 || lines.length > MOST_LINES)
    return refuse('wrong-value', `${lines.length} lines are no order`, `From 1 to ${MOST_LINES}`);
  const onOrder = coverOf(state);
  const twice = new Set<string>();
  for (const line of lines) {
    if (!Number.isInteger(line.count) || line.count < 1)
      return refuse('wrong-value', `${line.title}: ${line.count} is no count`, 'A whole number from 1');
    if (line.needed !== undefined && (line.parts.length !== 1 || !(line.needed > line.count)))
      return refuse(
        'wrong-value',
        `${line.title}: ${line.count} is not a part of ${line.needed}`,
        'Fewer than are needed',
      );
    for (const part of line.parts) {
      if (!sheet.parts[part]) return refuse('wrong-value', `There is no part "${part}"`, 'Make the list again');
      const already = orderedAlready(sheet.parts[part].title, line, onOrder.get(part));
      if (already) return already;
      if (twice.has(part))
        return refuse('wrong-value', `${sheet.parts[part].title} is in it twice`, 'Make the list again');
      twice.add(part);
    }
  }
  const ordered = lines.map((l, i) => ({ ...l, line: `${commandId}-${i + 1}` }));
  const coming = ordered.filter((l) => l.from === 'supplier');
  const events: NewEvent[] = [{ type: 'parts-ordered', payload: { order: commandId, lines: ordered } }];
  for (const l of ordered)
    if (l.from === 'drawer')
      events.push({ type: 'part-arrived', payload: { line: l.line, number: l.number, title: l.title, missing: [] } });
  const after = Object.fromEntries(
    ordered.map((l): [string, LineNow] => [
      l.line,
      { ...l, status: l.from === 'drawer' ? 'arrived' : 'ordered', missing: [] },
    ]),
  );
  // Out of the drawer comes the last that the job still waited for.
  if (!allHere(state) && allHere({ partLines: { ...state.partLines, ...after } })) events.push(...clearedWaits(state));
  if (coming.length > 0 && !state.holds.some((h) => !h.cleared && h.why === 'parts'))
    events.push({
      type: 'held',
      payload: { hold: commandId, why: 'parts', note: waitsFor(coming.map((l) => l.title)) },
    });
  return accept(...events);
}

/** A part that is covered is not ordered twice; of one that is covered in part only the rest is. A kit brings what it brings. */
function orderedAlready(title: string, line: OrderLine, cover: Cover | undefined): Decision | undefined {
  if (!cover) return undefined;
  const numbers = [...new Set(cover.lines.map((l) => l.number))].join(', ');
  if (cover.whole) return refuse('already-done', `${title}: ordered already, ${numbers}`, 'Make the list again');
  const { count, needed } = cover.share!;
  if (line.kit || (line.needed !== undefined && count + line.count <= line.needed)) return undefined;
  return refuse('already-done', `${title}: ${count} of ${needed} are ordered already, ${numbers}`, 'Order the rest');
}

/** A part has come. With the last one the hold for parts is cleared. */
export function decideArrive(state: BenchState, command: Of<'arrive-part'>): Decision {
  const found = lineIn(state, command.line);
  if ('refused' in found) return found.refused;
  const { line } = found;
  if (line.status === 'arrived') return refuse('already-done', `${line.title} is here already`, 'Go on');
  const wrong = command.missing.find((p) => !line.parts.includes(p));
  if (wrong !== undefined) return refuse('wrong-value', `"${wrong}" is not in ${line.title}`, 'Check what came');
  const events: NewEvent[] = [
    {
      type: 'part-arrived',
      payload: { line: line.line, number: line.number, title: line.title, missing: command.missing },
    },
  ];
  const here: LineNow = { ...line, status: 'arrived', missing: command.missing };
  if (allHere({ partLines: { ...state.partLines, [line.line]: here } })) events.push(...clearedWaits(state));
  return accept(...events);
}

/** The waits for parts are over. */
const clearedWaits = (state: BenchState): readonly NewEvent[] =>
  state.holds.flatMap((h) =>
    !h.cleared && h.why === 'parts'
      ? [{ type: 'hold-cleared', payload: { hold: h.id, note: 'all parts are here' } } as const]
      : [],
  );

/** The wrong part came: it goes back, the right one is on its way, and the job waits again. */
export function decideSendBack(state: BenchState, command: Of<'send-part-back'>, commandId: string): Decision {
  const found = lineIn(state, command.line);
  if ('refused' in found) return found.refused;
  const { line } = found;
  const why = command.why.trim();
  if (why === '') return refuse('not-complete', 'What is wrong with it?', 'Say what came');
  if (line.from === 'drawer')
    return refuse('wrong-kind', `${line.title} came from the drawer`, 'Put it back, and order one');
  const events: NewEvent[] = [
    { type: 'part-sent-back', payload: { line: line.line, number: line.number, title: line.title, why } },
  ];
  if (!state.holds.some((h) => !h.cleared && h.why === 'parts'))
    events.push({ type: 'held', payload: { hold: commandId, why: 'parts', note: `${line.title} again` } });
  return accept(...events);
}

/** A line is not wanted any more, or cannot be had. */
export function decideCancelLine(state: BenchState, command: Of<'cancel-line'>): Decision {
  const found = lineIn(state, command.line);
  if ('refused' in found) return found.refused;
  const { line } = found;
  if (line.status === 'arrived') return refuse('wrong-kind', `${line.title} is here already`, 'Send it back');
  const why = command.why.trim();
  if (why === '') return refuse('not-complete', 'Why is it not wanted?', 'Say why');
  return accept({ type: 'line-cancelled', payload: { line: line.line, number: line.number, title: line.title, why } });
}

function lineIn(state: BenchState, id: string): { line: PartLineState } | { refused: Decision } {
  const line = state.partLines[id];
  if (!line) return { refused: refuse('unknown-op', 'There is no such order line', 'Reload the list') };
  if (line.status === 'cancelled')
    return { refused: refuse('already-done', `${line.title}: cancelled already`, 'Order it anew') };
  return { line };
}

/** How each of these commands is decided. */
export const partsDeciders: Deciders<PartsCommand['type']> = {
  'order-parts': (state, sheet, command, { id }) => decideOrder(state, sheet, command, id),
  'arrive-part': (state, _sheet, command) => decideArrive(state, command),
  'send-part-back': (state, _sheet, command, { id }) => decideSendBack(state, command, id),
  'cancel-line': (state, _sheet, command) => decideCancelLine(state, command),
};
