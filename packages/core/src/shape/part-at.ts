import type { DrawnPart, UnitDrawing } from './drawing-types.ts';
import type { Piece, Point } from './outlines/index.ts';

/** A finger in a glove meets a part when it comes this near, px. */
const NEAR = 30;

/**
 * The part of a drawing that a press is meant for: the uppermost that it meets, else the nearest within a finger's breadth.
 * @param at x and y in px of the frame
 */
export function partAt(drawing: UnitDrawing, at: Point): DrawnPart | undefined {
  // Drawn last lies uppermost; of equals the uppermost is meant.
  let nearest: { readonly part: DrawnPart; readonly off: number } | undefined;
  for (const part of drawing.parts) {
    const off = Math.min(...part.pieces.map((p) => distance(p, at)));
    if (off <= NEAR && off <= (nearest?.off ?? Infinity)) nearest = { part, off };
  }
  return nearest?.part;
}

/** From a point to a piece, px; 0 in it. */
function distance(piece: Piece, at: Point): number {
  if (piece.kind === 'round') return Math.max(0, Math.hypot(at[0] - piece.at[0], at[1] - piece.at[1]) - piece.radius);
  if (piece.kind === 'area' && within(piece.points, at)) return 0;
  const closed = piece.kind === 'area' ? [...piece.points, piece.points[0]!] : piece.points;
  return Math.min(...closed.slice(1).map((to, i) => toSegment(closed[i]!, to, at)));
}

/** By the count of edges to the right of a point: odd inside. */
function within(points: readonly Point[], [x, y]: Point): boolean {
  let inside = false;
  points.forEach(([ax, ay], i) => {
    const [bx, by] = points[(i + 1) % points.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  });
  return inside;
}

function toSegment([ax, ay]: Point, [bx, by]: Point, [x, y]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const long = dx * dx + dy * dy;
  const share = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / long));
  return Math.hypot(x - ax - share * dx, y - ay - share * dy);
}
