import type { Lain, Sheet } from '../sheet/index.ts';
import type { Standing } from './assemble.ts';
import { offRank } from './axes.ts';
import type { Asked, Look } from './drawing-types.ts';

/** A part where it is drawn. */
export interface Placed {
  readonly standing: Standing;
  /** Its left end, mm. */
  readonly x: number;
}

/** Parts that do not lie in each other are drawn in a row; what is taken apart on the bench is drawn by itself: the shaft that was drawn out, with what is still on it. */
export function onTheBench(wanted: Asked): Asked {
  const asked: Asked = wanted.axis.apart ? { ...wanted, view: 'row' } : wanted;
  const hand = asked.hand?.parts;
  if (!hand) return asked;
  const off = ancestorsOff(asked.axis.row, hand, asked.off, []);
  const apart = off?.at(-1);
  if (!apart) return asked;
  const inIt = new Set(off!.map((l) => l.part));
  return {
    ...asked,
    axis: { id: asked.axis.id, title: asked.axis.title, row: [apart], body: apart.part },
    off: new Set([...asked.off].filter((p) => !inIt.has(p))),
  };
}

/** What carries a part at hand and is off itself, the outermost first; none while all that carries it is on. */
function ancestorsOff(
  row: readonly Lain[],
  hand: ReadonlySet<string>,
  off: ReadonlySet<string>,
  above: readonly Lain[],
): readonly Lain[] | undefined {
  for (const lain of row) {
    if (hand.has(lain.part) && above.length > 0) return above;
    const found = ancestorsOff(lain.carries, hand, off, off.has(lain.part) ? [...above, lain] : above);
    if (found) return found;
  }
  return undefined;
}

/** How far out a part reaches from the axis, mm. */
export const reachOf = (s: Standing): number =>
  Math.max(
    s.sized.outside,
    ...s.pieces.flatMap((p) => (p.kind === 'round' ? [p.at[1] + p.radius] : p.points.map(([, r]) => r))),
  );

/** How each part stands: what rides with something that is off is off with it. */
export function looksOf(standing: readonly Standing[], asked: Asked): ReadonlyMap<string, Look> {
  const byKey = new Map(standing.map((s) => [s.key, s]));
  const look = (s: Standing): Look => {
    if (asked.hand?.parts.has(s.sized.part)) return 'hand';
    if (asked.off.has(s.sized.part)) return 'off';
    const carrier = s.carrier === undefined ? undefined : byKey.get(s.carrier);
    return carrier && look(carrier) === 'off' && rides(s, carrier) ? 'off' : 'on';
  };
  return new Map(standing.map((s) => [s.key, look(s)]));
}

/** It goes with what carries it; only what is itself round the shaft stays when that is drawn out. */
const rides = (s: Standing, carrier: Standing): boolean =>
  carrier.sized.kind !== 'shaft' || !['housing', 'winding', 'cover'].includes(s.sized.kind);

/** Which standing part another is drawn with: the nearest carrier that is apart from the unit, while it is not itself. */
function groupOf(
  s: Standing,
  byKey: ReadonlyMap<string, Standing>,
  apart: (s: Standing) => boolean,
): Standing | undefined {
  if (apart(s)) return s;
  const carrier = s.carrier === undefined ? undefined : byKey.get(s.carrier);
  if (!carrier || !rides(s, carrier)) return undefined;
  return groupOf(carrier, byKey, apart);
}

/** What is on where it stands; the rest beside it, the next to go on nearest. */
export function section(
  standing: readonly Standing[],
  looks: ReadonlyMap<string, Look>,
  asked: Asked,
  sheet: Sheet,
): readonly Placed[] {
  const byKey = new Map(standing.map((s) => [s.key, s]));
  const moves = asked.hand?.goes !== undefined;
  const isApart = (s: Standing): boolean =>
    asked.off.has(s.sized.part) || (moves && (asked.hand?.parts.has(s.sized.part) ?? false));
  const group = new Map(standing.map((s) => [s.key, groupOf(s, byKey, isApart)]));
  const together = standing.filter((s) => group.get(s.key) === undefined);
  const reach = Math.max(1, ...standing.map(reachOf));
  const gap = reach * 0.14;
  const rank = offRank(sheet);
  const leaders = [...new Set(standing.map((s) => group.get(s.key)).filter((g): g is Standing => g !== undefined))];
  const isHand = (s: Standing): boolean => looks.get(s.key) === 'hand' && moves;
  // What came off last, or goes on next, lies nearest.
  const order = [...leaders].sort(
    (a, b) =>
      Number(isHand(b)) - Number(isHand(a)) || (rank.get(b.sized.part) ?? 1e9) - (rank.get(a.sized.part) ?? 1e9),
  );
  const placed = new Map<string, number>();
  let rightAt = together.length === 0 ? 0 : Math.max(...together.map((s) => s.x + s.length));
  let leftAt = together.length === 0 ? 0 : Math.min(...together.map((s) => s.x));
  for (const leader of order) {
    const members = standing.filter((s) => group.get(s.key) === leader);
    const from = Math.min(...members.map((m) => m.x));
    const to = Math.max(...members.map((m) => m.x + m.length));
    const space = isHand(leader) ? gap * 2.6 : gap;
    let shift: number;
    if (leader.end === 'right') {
      shift = rightAt + space - from;
      rightAt += space + (to - from) + (isHand(leader) ? gap : 0);
    } else {
      shift = leftAt - space - to;
      leftAt -= space + (to - from) + (isHand(leader) ? gap : 0);
    }
    for (const m of members) placed.set(m.key, m.x + shift);
  }
  return standing.map((s) => ({ standing: s, x: placed.get(s.key) ?? s.x }));
}

/** Room of the thinnest part in a row, as a share of what a part has there on average. */
const LEAST_SLOT = 0.7;

/** Every part apart, in the order in which they come off: the body first, what comes off first last. */
export function inARow(standing: readonly Standing[], sheet: Sheet): readonly Placed[] {
  const rank = offRank(sheet);
  const deep = (s: Standing): number => rank.get(s.sized.part) ?? 1e9;
  const reach = Math.max(1, ...standing.map(reachOf));
  const gap = reach * 0.1;
  const lefts = standing.filter((s) => s.end === 'left').sort((a, b) => deep(a) - deep(b));
  const rights = standing.filter((s) => s.end === 'right').sort((a, b) => deep(b) - deep(a));
  const row = [...lefts, ...rights];
  // A thin part has room for its name all the same.
  const least = (row.reduce((sum, s) => sum + s.length + gap, 0) / row.length) * LEAST_SLOT;
  let x = 0;
  return row.map((s) => {
    const slot = Math.max(s.length + gap, least);
    const at = x + (slot - s.length) / 2;
    x += slot;
    return { standing: s, x: at };
  });
}
