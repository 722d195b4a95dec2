import type { Piece, Point } from './piece.ts';

/** What lies on a shaft or in a housing, along it: from, to, and the radius at which it is carried. */
export interface Seat {
  readonly from: number;
  readonly to: number;
  readonly radius: number;
}

/** Radius all along: as the seats ask, and between two seats as the smaller (or for a bore, the larger) of them needs. */
function profile(seats: readonly Seat[], from: number, to: number, narrow: boolean): readonly Point[] {
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

/** A shaft under what it carries: solid to the axis, its steps where its seats are. */
export function shaftUnder(
  seats: readonly Seat[],
  length: number,
  head?: { readonly from: number; readonly length: number; readonly outside: number },
): readonly Piece[] {
  if (head === undefined)
    return [{ kind: 'area', points: [[0, 0], ...profile(seats, 0, length, true), [length, 0]], fill: 'metal' }];
  const to = head.from + head.length;
  const left = profile(seats, 0, Math.max(0.01, head.from), true);
  const right = profile(seats, Math.min(to, length - 0.01), length, true);
  return [
    {
      kind: 'area',
      points: [[0, 0], ...left, [head.from, head.outside], [to, head.outside], ...right, [length, 0]],
      fill: 'metal',
    },
  ];
}

/** A housing round what lies in it: its bore as its seats are, its outside plain, thicker in the middle. */
export function housingRound(
  seats: readonly Seat[],
  length: number,
  outside: number,
  flange: 'left' | 'right' = 'right',
): readonly Piece[] {
  const bore = profile(seats, 0, length, false);
  const reach = Math.max(...seats.map((s) => s.radius), 1);
  const body = reach * 1.2;
  // What is much wider than its bores has a flange at one end.
  const wide = outside > body * 1.12;
  const [from, to] = [length * 0.68, length * 0.94];
  const outer: readonly Point[] = wide
    ? [
        [length, body],
        [to, body],
        [to, outside],
        [from, outside],
        [from, body * 1.06],
        [0, body * 0.98],
      ]
    : [
        [length, outside],
        [0, outside],
      ];
  const turnedOuter = flange === 'right' ? outer : outer.map(([x, r]): Point => [length - x, r]).reverse();
  return [{ kind: 'area', points: [...bore, ...turnedOuter], fill: 'metal-back' }];
}
