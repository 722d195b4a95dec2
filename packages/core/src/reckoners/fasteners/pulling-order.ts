/** A place on the face, any one unit of length. */
export type Point = readonly [number, number];

/**
 * Star order for `count` fasteners on a circle, numbered 1.. clockwise.
 * An even circle is pulled in opposite pairs, the pairs themselves in the star order of the half circle:
 * this gives the legacy star of ASME PCC-1 for 4, 8, 12, 16 and 20. An odd circle steps by just under half
 * way round, which visits every fastener since that step and the count share no divisor. From 5 up, no two neighbours
 * come in a row.
 */
export function circleOrder(count: number): number[] {
  if (count <= 2) return Array.from({ length: count }, (_, i) => i + 1);
  if (count % 2 === 0) {
    const half = count / 2;
    return circleOrder(half).flatMap((start) => [start, start + half]);
  }
  const step = (count - 1) / 2;
  return Array.from({ length: count }, (_, i) => ((i * step) % count) + 1);
}

/** Within this share of the spread, two fasteners count as equally far from the middle. */
const SAME_RING = 0.08;

/**
 * Order for free points (a cover): from the middle outward, and among those about equally far out, always the one
 * farthest from the last pulled, so that sides alternate. Common practice for gasketed covers.
 */
export function coverOrder(points: readonly Point[]): number[] {
  const n = points.length;
  const cx = points.reduce((s, p) => s + p[0], 0) / n;
  const cy = points.reduce((s, p) => s + p[1], 0) / n;
  const out = points.map(([x, y]) => Math.hypot(x - cx, y - cy));
  const tolerance = SAME_RING * Math.max(...out);
  const left = new Set(points.keys());
  const order: number[] = [];
  let last: number | undefined;
  while (left.size > 0) {
    const nearest = Math.min(...[...left].map((i) => out[i]!));
    const ring = [...left].filter((i) => out[i]! <= nearest + tolerance);
    const from = last;
    const next = from === undefined ? ring[0]! : farthest(points, from, ring);
    order.push(next + 1);
    left.delete(next);
    last = next;
  }
  return order;
}

function farthest(points: readonly Point[], from: number, among: readonly number[]): number {
  const [x, y] = points[from]!;
  const distance = (i: number): number => Math.hypot(points[i]![0] - x, points[i]![1] - y);
  return among.reduce((best, i) => (distance(i) > distance(best) + 1e-9 ? i : best));
}

/** Points of a grid, row by row from the top left. */
export function gridPoints(rows: number, columns: number): Point[] {
  return Array.from({ length: rows * columns }, (_, i) => [i % columns, Math.floor(i / columns)] as const);
}

/** Are two places of a circle of `count` next to each other? */
export function areNeighbours(a: number, b: number, count: number): boolean {
  const apart = Math.abs(a - b);
  return apart === 1 || apart === count - 1;
}
