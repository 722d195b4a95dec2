/** A point of a half-section: along the axis from the left end of the part, and out from the axis; mm. */
export type Point = readonly [x: number, r: number];

/** What a shape is drawn of, in its own coordinates: the half above the axis, unless it says otherwise. */
export type Piece =
  | {
      readonly kind: 'area';
      readonly points: readonly Point[];
      /** Cut metal is hatched; rubber is filled; what is seen whole is left open. */
      readonly fill: 'metal' | 'metal-back' | 'rubber' | 'open';
    }
  | { readonly kind: 'line'; readonly points: readonly Point[] }
  | { readonly kind: 'round'; readonly at: Point; readonly radius: number; readonly fill: 'metal' | 'rubber' | 'open' };

/** The sizes that an outline is made from, mm. */
export interface Sizes {
  readonly inside: number;
  readonly outside: number;
  readonly length: number;
  /** Which way its lip, wide end, hollow or head points. */
  readonly points: 'left' | 'right';
  /** Only its inner part is drawn, cut off at its outside. */
  readonly cut?: boolean;
  /** Radius of the circle on which several stand. */
  readonly circle?: number;
}

/** A rectangle of a half-section. */
export const box = (
  x: readonly [number, number],
  r: readonly [number, number],
  fill: Extract<Piece, { kind: 'area' }>['fill'] = 'metal',
): Piece => ({
  kind: 'area',
  points: [
    [x[0], r[0]],
    [x[1], r[0]],
    [x[1], r[1]],
    [x[0], r[1]],
  ],
  fill,
});

/** The other way round: what pointed right points left. */
export function turned(pieces: readonly Piece[], length: number): readonly Piece[] {
  const flip = ([x, r]: Point): Point => [length - x, r];
  return pieces.map((p) => (p.kind === 'round' ? { ...p, at: flip(p.at) } : { ...p, points: p.points.map(flip) }));
}
