import type { Placed } from './arrange.ts';
import type { Asked, DrawnPart, UnitDrawing } from './drawing-types.ts';
import { placeLabels, type Label } from './labels.ts';

/** Text sizes, px: none is under 14. */
export const NAME_SIZE = 14;
/** A small drawing has room for a name from this height on, and for what is said below from that, px. */
const SMALL_NAMED = 110;
const SMALL_SPANNED = 150;
/** Baselines of the rows of names above a drawing, px, from the top: one in a small one, none where it is very low. */
export function nameRows({ small, height }: Asked): readonly number[] {
  if (!small) return [20, 40, 60];
  return height < SMALL_NAMED ? [] : [18];
}

const left = (list: readonly DrawnPart[]): number => Math.min(...list.map((p) => p.box.x));
const right = (list: readonly DrawnPart[]): number => Math.max(...list.map((p) => p.box.x + p.box.width));

/** What is said with lines beside the parts: the way of the part at hand, what is on and off, and where a gauge stands. */
export function marksOf(
  parts: readonly DrawnPart[],
  placed: readonly Placed[],
  asked: Asked,
  y: number,
): Pick<UnitDrawing, 'arrow' | 'support' | 'spans' | 'indicator'> {
  const hand = parts.filter((p) => p.look === 'hand');
  const arrow = asked.hand?.goes && hand.length > 0 ? arrowOf(hand, placed, asked.hand.goes, y) : undefined;
  // Apart in a row nothing stands on anything.
  const support = asked.hand?.pressed && asked.view === 'section' ? supportOf(parts, hand, placed) : undefined;
  return {
    ...(arrow ? { arrow } : {}),
    ...(support ? { support } : {}),
    spans: tellsSpans(asked) ? spansOf(parts) : [],
    ...(asked.indicator && hand.length > 0 ? { indicator: [right(hand), y - 8] as const } : {}),
  };
}

/** What a part is pressed into stands on something at its far side, so that nothing between them bears the force. */
function supportOf(
  parts: readonly DrawnPart[],
  hand: readonly DrawnPart[],
  placed: readonly Placed[],
): UnitDrawing['support'] {
  const standing = placed.find((p) => p.standing.key === hand[0]?.key)?.standing;
  const under = parts.filter((p) => p.look === 'on' && (standing?.carrier === undefined || p.key === standing.carrier));
  if (!standing || under.length === 0) return undefined;
  const top = Math.min(...under.map((p) => p.box.y));
  const bottom = Math.max(...under.map((p) => p.box.y + p.box.height));
  const side = standing.end === 'right' ? 'left' : 'right';
  return { x: side === 'left' ? left(under) : right(under), from: top, to: bottom, side };
}

/** Is it said below what is on the unit and what lies beside it? Where all is on, or all apart, it is not. */
export const tellsSpans = (asked: Asked): boolean =>
  !(asked.small && asked.height < SMALL_SPANNED) &&
  asked.view === 'section' &&
  (asked.off.size > 0 || asked.hand?.goes !== undefined);

function spansOf(parts: readonly DrawnPart[]): UnitDrawing['spans'] {
  const on = parts.filter((p) => p.look === 'on');
  const edge = on.length === 0 ? -Infinity : right(on) - 1;
  const beyond = parts.filter((p) => p.look === 'off' && p.box.x >= edge);
  const span = (list: readonly DrawnPart[], says: 'on' | 'off'): UnitDrawing['spans'] =>
    list.length === 0 ? [] : [{ from: left(list), to: right(list), says }];
  return [...span(on, 'on'), ...span(beyond, 'off')];
}

/** The row in words, left to right. */
export function wordsOf(
  parts: readonly DrawnPart[],
  asked: Asked,
  inMesh: (key: string) => readonly string[],
): readonly string[] {
  const said = { on: 'on the unit', off: 'off', hand: handWords(asked) };
  const mesh = (key: string): string =>
    inMesh(key)
      .map((title) => `, in mesh with ${title}`)
      .join('');
  return [...parts].sort((a, b) => a.box.x - b.box.x).map((p) => `${p.title}: ${said[p.look]}${mesh(p.key)}`);
}
function handWords(asked: Asked): string {
  if (asked.hand?.pressed) return 'is pressed on now, what it goes into supported at its far side';
  return asked.hand?.goes === 'off' ? 'comes off now' : asked.hand?.goes === 'on' ? 'goes on now' : 'it is about this';
}

function arrowOf(
  hand: readonly DrawnPart[],
  placed: readonly Placed[],
  goes: 'off' | 'on',
  y: number,
): NonNullable<UnitDrawing['arrow']> | undefined {
  const first = hand[0]!;
  const end = placed.find((p) => p.standing.key === first.key)!.standing.end;
  const outer =
    end === 'right' ? Math.min(...hand.map((h) => h.box.x)) : Math.max(...hand.map((h) => h.box.x + h.box.width));
  const outward = end === 'right' ? 1 : -1;
  const level = y - Math.max(14, first.box.height / 2 > 60 ? first.box.height / 2 - 24 : first.box.height / 4);
  const [near, far] = [outer - outward * 8, outer - outward * 38];
  return goes === 'off' ? { from: [far, level], to: [near, level] } : { from: [near, level], to: [far, level] };
}

/** "Cap bolt M8 × 20" is "cap bolt" on a drawing, "6 cap bolts" would need its plural: "cap bolt, 6". */
export function nameOf(title: string, count: number): string {
  const short = title.replace(/,? (?:M\d|[\d.]+ ?×).*$/, '').replace(/, self-locking$/, '');
  return count > 1 ? `${short}, ${count}` : short;
}

/** Names above the parts, or their numbers: each part once. */
export function labelsOf(parts: readonly DrawnPart[], asked: Asked): readonly Label[] {
  const seen = new Set<string>();
  const wanted = parts.flatMap((p) => {
    if (seen.has(p.part) || (asked.small && p.look !== 'hand')) return [];
    seen.add(p.part);
    const middle = p.box.x + p.box.width / 2;
    const title = asked.numbered ? String(p.number) : nameOf(p.title, 1);
    return [
      {
        key: p.key,
        text: title,
        x: middle,
        top: surfaceAt(p, middle),
        first: p.look === 'hand' || p.worn || p.new,
      },
    ];
  });
  return placeLabels(wanted, {
    left: 4,
    right: asked.width - 4,
    rows: [...nameRows(asked)].reverse(),
    size: NAME_SIZE,
  });
}

/** The upper edge of a part at a place along the axis, px: where the line of its name ends. */
function surfaceAt(part: DrawnPart, x: number): number {
  const edges = part.pieces.flatMap((p): readonly number[] => {
    if (p.kind === 'round') return Math.abs(p.at[0] - x) <= p.radius ? [p.at[1] - p.radius] : [];
    return p.points.flatMap((a, i) => {
      const b = p.points[(i + 1) % p.points.length]!;
      const [from, to] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
      if (x < from || x > to) return [];
      return [from === to ? Math.min(a[1], b[1]) : a[1] + ((x - a[0]) / (b[0] - a[0])) * (b[1] - a[1])];
    });
  });
  return edges.length === 0 ? part.box.y : Math.min(...edges);
}
