import { partsOfRow, type Axis, type Lain, type Sheet } from '../sheet/index.ts';
import { kindOf } from './kinds.ts';

const OTHERS = 'others';

/**
 * The axes on which a unit is drawn: those of its sheet; and for the parts that lie on none of them, or in a sheet that
 * gives none, a row in the order in which they come off: the last of them nearest the body.
 * @param absent parts that are not on this unit
 */
export function axesOf(sheet: Sheet, absent: ReadonlySet<string> = new Set()): readonly Axis[] {
  return allAxes(sheet).flatMap((axis) => {
    const row = without(axis.row, absent);
    return row.length === 0 ? [] : [{ ...axis, row }];
  });
}

/** A row without some of its parts; what lay in one of them lies in its place. */
function without(row: readonly Lain[], absent: ReadonlySet<string>): readonly Lain[] {
  return row.flatMap(({ part, carries }) => {
    const inner = without(carries, absent);
    return absent.has(part) ? inner : [{ part, carries: inner }];
  });
}

function allAxes(sheet: Sheet): readonly Axis[] {
  const given = sheet.axes ?? [];
  const lain = new Set(given.flatMap((a) => partsOfRow(a.row)));
  const rank = offRank(sheet);
  const rest = Object.values(sheet.parts).filter((p) => !lain.has(p.id));
  if (rest.length === 0) return given;
  const row = [...rest].sort((a, b) => (rank.get(b.id) ?? BODY) - (rank.get(a.id) ?? BODY));
  const bodies = row.filter((p) => !rank.has(p.id));
  const others: Axis = {
    id: OTHERS,
    title: given.length === 0 ? 'The unit' : 'Beside it',
    ...(given.length === 0 ? {} : { apart: true }),
    row:
      given.length > 0
        ? row.map((p) => ({ part: p.id, carries: [] }))
        : inTheBody(
            bodies.map((p) => p.id),
            row.map((p) => p.id),
            sheet,
          ),
  };
  return [...given, others];
}
/** What never comes off stands innermost. */
const BODY = 1e9;

/** In a sheet that gives no axes: what is no fastener or lid lies in or on the first body that it has. */
function inTheBody(bodies: readonly string[], row: readonly string[], sheet: Sheet): readonly Lain[] {
  const body = bodies.find((b) => ['shaft', 'housing'].includes(kindOf(sheet.parts[b]!)));
  const plain = (part: string): Lain => ({ part, carries: [] });
  if (body === undefined) return row.map(plain);
  const outside = new Set(['cover', 'bolt', 'gasket', 'o-ring', 'plug', 'wheel', 'pulley']);
  const others = row.filter((p) => p !== body);
  const held = others.filter((p) => !outside.has(kindOf(sheet.parts[p]!)));
  return [{ part: body, carries: held.map(plain) }, ...others.filter((p) => !held.includes(p)).map(plain)];
}

/** Of what comes off in one go the fasteners are out before what they held. */
function fastenersFirst<T extends { readonly part: string }>(sheet: Sheet, parts: readonly T[]): readonly T[] {
  const holds = new Set(Object.values(sheet.joints).map((j) => j.fastener));
  return [...parts].sort((a, b) => Number(holds.has(b.part)) - Number(holds.has(a.part)));
}

/** Where each part stands in the order of taking off, from 0; none for what never comes off. */
export function offRank(sheet: Sheet): ReadonlyMap<string, number> {
  const rank = new Map<string, number>();
  const sides = ['strip', 'bottom', 'build'];
  for (const step of [...sheet.steps].sort((a, b) => sides.indexOf(a.side) - sides.indexOf(b.side)))
    for (const op of step.ops)
      if (op.kind === 'off')
        for (const { part } of fastenersFirst(sheet, op.parts)) if (!rank.has(part)) rank.set(part, rank.size);
  return rank;
}

/** The axis on which a part is drawn: the first that has it. */
export function axisWith(axes: readonly Axis[], part: string): Axis | undefined {
  return axes.find((a) => partsOfRow(a.row).includes(part));
}

/** The axes on which any of these parts is drawn. */
export const axesWith = (axes: readonly Axis[], parts: ReadonlySet<string>): readonly Axis[] =>
  axes.filter((a) => partsOfRow(a.row).some((p) => parts.has(p)));
