import type { Lain, ShapeKind } from '../sheet/index.ts';
import type { Standing } from './assemble.ts';
import type { Sized } from './figures.ts';
import { housingRound, shaftUnder, type Piece, type Seat } from './outlines/index.ts';

/** Carried on the outside of something: they lie on a shaft. */
const ON_A_SHAFT: ReadonlySet<ShapeKind> = new Set([
  'cone', 'ball-bearing', 'roller-bearing', 'thrust-bearing', 'spacer', 'sleeve', 'bush', 'shim', 'washer', 'nut', 'gear', 'pulley', 'impeller', 'seal', 'disc', 'plate', 'piston', 'ring', 'spring', 'wheel', 'circlip',
]); // prettier-ignore
const IN_A_HOUSING: ReadonlySet<ShapeKind> = new Set([
  'cup', 'ball-bearing', 'roller-bearing', 'seal', 'bush', 'circlip', 'piston', 'winding', 'ring', 'plate', 'housing', 'sleeve', 'gear', 'spring', 'washer', 'cone', 'thrust-bearing',
]); // prettier-ignore
const INNER: ReadonlySet<ShapeKind> = new Set([
  'shaft',
  'bolt',
  'sleeve',
  'spacer',
  'pin',
  'bush',
  'impeller',
  'piston',
]);
/** So much thicker is a housing than the widest of its bores, where nobody said. */
const WALL = 1.22;

/** Does it carry on its outside, like a shaft; or inside, like a housing? */
export const liesInside = (kind: ShapeKind): boolean => INNER.has(kind);

/** Does a part have its seat on a shaft, or in a housing? */
export const seatsIn = (carrier: ShapeKind, { sized, inGroove }: Standing): boolean =>
  !inGroove && sized.circle === undefined && (liesInside(carrier) ? ON_A_SHAFT : IN_A_HOUSING).has(sized.kind);

/** They may lie in the grooves of a piston. */
export const IN_A_GROOVE: ReadonlySet<ShapeKind> = new Set(['ring', 'bush', 'seal', 'o-ring']);

/** What is in one piece with a shaft and wider than its seats, mm. */
export interface Head {
  readonly outside: number;
  readonly length: number;
}

interface Body {
  readonly x: number;
  readonly length: number;
  readonly inside: number;
  readonly outside: number;
  /** Out to here nothing can be slid over it. */
  readonly clear: number;
  readonly pieces: readonly Piece[];
}

/** The body of what carries others: as long as they need, with its steps where they sit. */
export function carrierBody(of: {
  readonly sized: Sized;
  readonly start: number;
  readonly stub: number;
  readonly kids: readonly Standing[];
  /** Those of them that have a seat on it. */
  readonly held: readonly Standing[];
  readonly head?: Head & { readonly from: number };
}): Body {
  const { sized, start, stub, kids, head } = of;
  const inner = liesInside(sized.kind);
  const holding = of.held.length > 0 ? of.held : kids;
  const ends = [
    ...holding.map((k) => ({ from: k.x, to: k.x + k.length })),
    ...(head ? [{ from: head.from, to: head.from + head.length }] : []),
  ];
  if (ends.length === 0) ends.push({ from: start + stub, to: start + stub });
  const from = Math.min(...ends.map((e) => e.from)) - stub;
  const to = Math.max(from + 1, ...ends.map((e) => e.to)) + stub * 0.8;
  // The length that a shaft has beyond what it carries is at its hidden end.
  const length = Math.max(to - from, sized.lengthGiven && !head ? sized.length : 0);
  const x = to - length;
  const seats: readonly Seat[] =
    inner && of.held.length === 0
      ? [{ from: 0, to: length, radius: sized.outside }]
      : holding.map((k) => ({
          from: k.x - x,
          to: k.x + k.length - x,
          radius: inner ? k.sized.inside : k.sized.outside,
        }));
  const radii = seats.map((s) => s.radius);
  const reach = Math.max(...radii, 1);
  if (inner)
    return {
      x,
      length,
      inside: 0,
      outside: Math.max(reach, head?.outside ?? 0),
      clear: Math.min(...radii),
      pieces: shaftUnder(seats, length, head && { ...head, from: head.from - x }),
    };
  const outside = Math.max(sized.outsideGiven ? sized.outside : 0, reach * WALL);
  return {
    x,
    length,
    inside: Math.min(...radii) * 0.9,
    outside,
    clear: outside,
    pieces: housingRound(seats, length, outside, sized.points ?? 'right'),
  };
}

/** The head of a shaft: a flange, wheel or rotor in one piece with it, where its outside is more than its seats are. */
export function headOf(sized: Sized, lain: Lain, sizes: ReadonlyMap<string, Sized>): Head | undefined {
  const kinds = lain.carries.map((c) => sizes.get(c.part)?.kind);
  const bores = lain.carries.flatMap((c) => {
    const s = sizes.get(c.part);
    // Beside a piston such rings lie in its grooves, and not on the rod.
    return s && ON_A_SHAFT.has(s.kind) && !(kinds.includes('piston') && IN_A_GROOVE.has(s.kind)) ? [s.inside] : [];
  });
  if (!sized.outsideGiven || bores.length === 0 || sized.outside <= Math.max(...bores) * 1.1) return undefined;
  return { outside: sized.outside, length: sized.lengthGiven ? sized.length : sized.outside * 0.4 };
}
