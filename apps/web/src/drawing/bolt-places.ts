import type { Joint } from '@jubb/core/sheet';

export interface Place {
  readonly x: number;
  readonly y: number;
}
export interface BoltPlaces {
  /** By number, from 1. */
  readonly places: readonly Place[];
  /** Half the width of a drawn fastener, so that neighbours do not touch. */
  readonly size: number;
  readonly round: boolean;
}

const LARGEST = 24;
const SMALLEST = 12;

/**
 * Where the fasteners of a joint sit in a square of side `side`, as seen from outside. A circle counts clockwise from
 * twelve; a rectangle row by row from the top left; points keep their own proportions (their y goes up, as on a
 * drawing). A joint whose places the sheet does not give is laid in rows.
 */
export function boltPlaces(joint: Pick<Joint, 'pattern' | 'count'>, side: number): BoltPlaces {
  const { pattern, count } = joint;
  const c = side / 2;
  const r = side * 0.34;
  if (count <= 1) return { places: [{ x: c, y: c }], size: LARGEST, round: true };
  if (pattern.kind === 'circle') {
    const places = Array.from({ length: count }, (_, i) => {
      const a = -Math.PI / 2 + (i * 2 * Math.PI) / count;
      return { x: c + r * Math.cos(a), y: c + r * Math.sin(a) };
    });
    return { places, size: sized(places), round: true };
  }
  const raw: readonly (readonly [number, number])[] =
    pattern.kind === 'points'
      ? pattern.points.map(([x, y]) => [x, -y] as const)
      : grid(count, pattern.kind === 'rectangle' ? pattern.columns : Math.ceil(Math.sqrt(count * 1.3)));
  const xs = raw.map(([x]) => x);
  const ys = raw.map(([, y]) => y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = (2 * r) / Math.max(x1 - x0, y1 - y0, 1e-9);
  const places = raw.map(([x, y]) => ({ x: c + (x - (x0 + x1) / 2) * scale, y: c + (y - (y0 + y1) / 2) * scale }));
  return { places, size: sized(places), round: false };
}

function grid(count: number, columns: number): readonly (readonly [number, number])[] {
  return Array.from({ length: count }, (_, i) => [i % columns, Math.floor(i / columns)] as const);
}

function sized(places: readonly Place[]): number {
  let nearest = Infinity;
  places.forEach((a, i) =>
    places.slice(i + 1).forEach((b) => (nearest = Math.min(nearest, Math.hypot(a.x - b.x, a.y - b.y)))),
  );
  return Math.max(SMALLEST, Math.min(LARGEST, nearest / 2 - 3));
}
