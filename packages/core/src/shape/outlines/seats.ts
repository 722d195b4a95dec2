import type { Point } from './piece.ts';

/** What lies on a shaft or in a housing, along it: from, to, and the radius at which it is carried. */
export interface Seat {
  readonly from: number;
  readonly to: number;
  readonly radius: number;
}

/** Radius all along: as the seats ask, and between two seats as the smaller (or for a bore, the larger) of them needs. */
export function profile(seats: readonly Seat[], from: number, to: number, narrow: boolean): readonly Point[] {
  const cuts = [...new Set([from, to, ...seats.flatMap((s) => [s.from, s.to])])]
    .filter((x) => x >= from - 1e-9 && x <= to + 1e-9)
    .sort((a, b) => a - b);
  const pick = narrow ? Math.min : Math.max;
  const pieces = cuts.slice(1).map((x, i) => {
    const mid = (cuts[i]! + x) / 2;
    const here = seats.filter((s) => s.from <= mid && s.to >= mid).map((s) => s.radius);
    return { from: cuts[i]!, to: x, radius: here.length > 0 ? pick(...here) : undefined };
  });
  const known = pieces.filter((p) => p.radius !== undefined);
  return pieces.flatMap((p): Point[] => {
    const before = [...known].reverse().find((k) => k.to <= p.from + 1e-9)?.radius;
    const after = known.find((k) => k.from >= p.to - 1e-9)?.radius;
    // On a shaft the shoulder between two seats stands up to the larger; in a bore it stands in to the smaller.
    const sides = [before, after].filter((v): v is number => v !== undefined);
    const between = sides.length === 2 ? (narrow ? Math.max(...sides) : Math.min(...sides) * 0.9) : (sides[0] ?? 10);
    const radius = p.radius ?? between;
    return [
      [p.from, radius],
      [p.to, radius],
    ];
  });
}
