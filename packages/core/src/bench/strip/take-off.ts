import { lowerFirst } from '../ladder/words.ts';
import type { OpOf, Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { notACount, refuseCount } from '../counting/decide.ts';

type Complete = Extract<Command, { type: 'complete' }>;

/**
 * Parts come off: where they lie, how many, by which way. A count that is not the sheet's needs its reason; one that
 * nobody knows is given, or left for the tray. A way that destroys makes the part renew, and a piece saved goes to the tray.
 */
export function decideTakeOff(state: BenchState, sheet: Sheet, op: OpOf<'off'>, command: Complete): Decision {
  const tray = command.tray?.trim();
  if (!tray) return refuse('not-complete', 'Where does it lie?', 'Name the tray');
  const reason = command.reason?.trim();
  const parts: { part: string; count: number }[] = [];
  const more: NewEvent[] = [];
  for (const { part, count: said } of op.parts) {
    const known = sheet.parts[part]!;
    const given = command.counts?.[part];
    if (given === 'later') {
      if (known.countKnown)
        return refuse('wrong-value', `${known.title}: there are ${said}`, 'Count them now, before they are mixed');
      parts.push({ part, count: 0 });
      more.push({ type: 'count-left', payload: { part } });
      continue;
    }
    if (given !== undefined && notACount(given)) return refuseCount(given);
    if (!known.countKnown) {
      if (given === undefined || given === 0)
        return refuse(
          'not-complete',
          `How many of ${lowerFirst(known.title)} are there?`,
          'Count them, or leave it for the tray',
        );
      parts.push({ part, count: given });
      more.push({
        type: 'counted',
        payload: { op: null, part, count: given, expected: null, agrees: true, moment: 'strip' },
      });
      continue;
    }
    const count = given ?? said;
    if (count !== said && !reason)
      return refuse(
        'count-disagrees',
        `${known.title}: ${count} came off, the sheet says ${said}`,
        'Count again, or say why',
      );
    parts.push({ part, count });
  }
  const unknown = Object.keys(command.counts ?? {}).find((p) => !op.parts.some((o) => o.part === p));
  if (unknown !== undefined) return refuse('wrong-value', `"${unknown}" does not come off here`, 'Count what does');
  const way = op.by[state.ways[op.id] ?? 0];
  if (way?.destroys)
    for (const { part } of op.parts) {
      more.push({
        type: 'part-destroyed',
        payload: { part, op: op.id, way: way.title, ...(way.saves === undefined ? {} : { saved: way.saves }) },
      });
      more.push({
        type: 'finding-made',
        payload: {
          op: op.id,
          part,
          finding: 'renew',
          reason: `Did not survive coming off: ${way.title.toLowerCase()}`,
        },
      });
    }
  const note = command.note?.trim();
  return accept(
    {
      type: 'parts-off',
      payload: {
        op: op.id,
        parts,
        tray,
        ...(note ? { note } : {}),
        ...(way ? { way: way.title } : {}),
        ...(reason ? { reason } : {}),
      },
    },
    ...more,
  );
}
