import type { ShapeKind } from '../sheet/index.ts';
import type { Given } from './given-sizes.ts';

/** How thick a ring of this kind is, as a share of its bore, and how long, as a share of its thickness. */
const SHARES: Readonly<Record<ShapeKind, { readonly wall: number; readonly long: number }>> = {
  ring: { wall: 0.2, long: 1 },
  seal: { wall: 0.4, long: 0.8 },
  'o-ring': { wall: 0.08, long: 1 },
  cone: { wall: 0.45, long: 1.6 },
  cup: { wall: 0.2, long: 2.4 },
  'ball-bearing': { wall: 0.8, long: 0.9 },
  'roller-bearing': { wall: 0.5, long: 1.5 },
  'thrust-bearing': { wall: 0.7, long: 0.45 },
  shaft: { wall: 1, long: 4 },
  sleeve: { wall: 0.12, long: 8 },
  spacer: { wall: 0.2, long: 5 },
  bush: { wall: 0.15, long: 6 },
  shim: { wall: 0.4, long: 0.1 },
  washer: { wall: 0.6, long: 0.22 },
  gasket: { wall: 0.5, long: 0.08 },
  nut: { wall: 0.7, long: 1.1 },
  bolt: { wall: 0.7, long: 3 },
  disc: { wall: 1.6, long: 0.16 },
  plate: { wall: 0.8, long: 0.1 },
  gear: { wall: 0.9, long: 0.7 },
  pulley: { wall: 1.6, long: 0.7 },
  wheel: { wall: 2.2, long: 0.5 },
  impeller: { wall: 2.6, long: 0.7 },
  spring: { wall: 0.35, long: 7 },
  housing: { wall: 0.3, long: 6 },
  cover: { wall: 1, long: 0.8 },
  circlip: { wall: 0.22, long: 0.5 },
  pin: { wall: 0.3, long: 4 },
  key: { wall: 0.3, long: 5 },
  ball: { wall: 0.4, long: 1 },
  plug: { wall: 0.7, long: 1.4 },
  piston: { wall: 1.4, long: 0.9 },
  winding: { wall: 0.4, long: 2.6 },
  boot: { wall: 0.8, long: 2.2 },
  pipe: { wall: 0.4, long: 5 },
  box: { wall: 0.7, long: 1 },
};
/** They lie in a bore, and have its size outside; the others lie on a shaft, and have its size inside. */
const IN_A_BORE: ReadonlySet<ShapeKind> = new Set(['cup', 'piston', 'winding', 'circlip']);
/** No hole along the axis. */
const SOLID: ReadonlySet<ShapeKind> = new Set(['shaft', 'bolt', 'plug', 'pin', 'ball', 'key', 'cover']);
/** Radius of a shaft of which nothing is known, mm. */
const SOME_SHAFT = 15;
/** Of the room between the bore of a taper bearing and its outside, so much belongs to the inner ring and its rollers. */
const CONE_SHARE = 0.62;
const THINNEST = 0.8;

/** A part of a row among its neighbours, which its sizes are guessed from. */
export interface InRow {
  readonly kind: ShapeKind;
  readonly given: Given;
  readonly carried: boolean;
}
export interface Guessed {
  readonly inside: number;
  readonly outside: number;
  readonly length: number;
}

/** The figure of the nearest part of a row that has it. */
function near(row: readonly InRow[], at: number, of: (p: InRow) => number | undefined): number | undefined {
  for (let d = 1; d < row.length; d++)
    for (const p of [row[at - d], row[at + d]]) {
      const value = p && of(p);
      if (value !== undefined) return value;
    }
  return undefined;
}
const ringLike = (p: InRow): boolean => p.given.circle === undefined && !SOLID.has(p.kind);
const bore = (p: InRow): number | undefined => (ringLike(p) && !IN_A_BORE.has(p.kind) ? p.given.inside : undefined);
const over = (p: InRow): number | undefined => (ringLike(p) ? p.given.outside : undefined);

/** Radii and length of a part: what is given, and the rest by its kind and from its neighbours. */
export function guessedSizes(row: readonly InRow[], at: number): Guessed {
  const { kind, given, carried } = row[at]!;
  const share = SHARES[kind];
  const onShaft = near(row, at, bore) ?? SOME_SHAFT;
  const known = given.inside ?? (SOLID.has(kind) ? 0 : IN_A_BORE.has(kind) && carried ? undefined : onShaft);
  const beside = near(row, at, over) ?? (known ?? SOME_SHAFT) * 1.8;
  let outside = given.outside ?? outsideBy(kind, known, share.wall, onShaft, beside, given);
  let inside = known ?? outside / (1 + share.wall);
  if (kind === 'cone' && given.outside === undefined) {
    const cup = near(row, at, (p) => (p.kind === 'cup' ? p.given.outside : undefined));
    if (cup !== undefined && cup > inside) outside = inside + (cup - inside) * CONE_SHARE;
  }
  if (kind === 'cup' && given.inside === undefined) {
    const cone = near(row, at, (p) => (p.kind === 'cone' ? rollersTo(p.given, outside) : undefined));
    if (cone !== undefined && cone < outside) inside = cone;
  }
  if (outside <= inside) outside = inside * (1 + share.wall);
  return { inside, outside, length: given.length ?? lengthBy(kind, outside - inside, outside, beside) };
}

function outsideBy(
  kind: ShapeKind,
  inside: number | undefined,
  wall: number,
  onShaft: number,
  beside: number,
  given: Given,
): number {
  switch (kind) {
    case 'pin':
      return beside * 1.05;
    case 'ball':
      return onShaft * 0.35;
    case 'key':
    case 'bolt':
    case 'plug':
      return onShaft * 0.25;
    case 'cover':
      return given.circle === undefined ? beside * 1.15 : given.circle + 8;
    case 'shaft':
      return onShaft;
    default:
      return inside === undefined ? beside : inside * (1 + wall);
  }
}

function lengthBy(kind: ShapeKind, wall: number, outside: number, beside: number): number {
  if (kind === 'pin') return Math.max(2, outside * 0.1);
  return Math.max(THINNEST, (kind === 'cover' ? beside * 0.25 : wall) * SHARES[kind].long);
}

/** Where the rollers of a taper bearing end, by its inner ring's bore and its outer ring's outside. */
function rollersTo(cone: Given, outside: number): number {
  return (
    cone.outside ?? (cone.inside === undefined ? outside / 1.2 : cone.inside + (outside - cone.inside) * CONE_SHARE)
  );
}
