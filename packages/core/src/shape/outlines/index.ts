import type { ShapeKind } from '../../sheet/index.ts';
import { ball, ballBearing, cone, cup, rollerBearing, thrustBearing } from './bearings.ts';
import { cover, gear, impeller, piston, plainBox, pulley, wheel } from './bodies.ts';
import { bolt, key, nut, pin, plug } from './fasteners.ts';
import { turned, type Piece, type Sizes } from './piece.ts';
import { circlip, dished, plainRing, spring, winding } from './rings.ts';
import { boot, gasket, oRing, seal } from './seals.ts';

/** Every kind of shape, as it looks when it points to the right. */
const OUTLINES: Readonly<Record<ShapeKind, (sizes: Sizes) => readonly Piece[]>> = {
  ring: plainRing,
  seal,
  'o-ring': oRing,
  cone,
  cup,
  'ball-bearing': ballBearing,
  'roller-bearing': rollerBearing,
  'thrust-bearing': thrustBearing,
  shaft: plainRing,
  sleeve: plainRing,
  spacer: plainRing,
  bush: plainRing,
  shim: plainRing,
  washer: plainRing,
  gasket,
  nut,
  bolt,
  disc: plainRing,
  plate: plainRing,
  gear,
  pulley,
  wheel,
  impeller,
  spring,
  housing: plainRing,
  cover,
  circlip,
  pin,
  key,
  ball,
  plug,
  piston,
  winding,
  boot,
  pipe: plainBox,
  box: plainBox,
};

/** A part by itself, in its own coordinates, pointing the way that it should. */
export function outline(kind: ShapeKind, sizes: Sizes, isDished = false): readonly Piece[] {
  const drawn = isDished ? dished(sizes) : OUTLINES[kind](sizes);
  return sizes.points === 'right' ? drawn : turned(drawn, lengthOf(kind, sizes));
}

/** How long it is from end to end: a bolt's head comes on top of its length, a round section is as long as it is thick. */
export function lengthOf(kind: ShapeKind, sizes: Pick<Sizes, 'length' | 'inside' | 'outside'>): number {
  if (kind === 'bolt') return sizes.length + sizes.outside * 0.75;
  if (kind === 'o-ring' || kind === 'ball') return Math.max(1, sizes.outside - sizes.inside);
  return sizes.length;
}
export { PLUG_SHANK } from './fasteners.ts';
export { turned, type Piece, type Point, type Sizes } from './piece.ts';
export { housingRound, shaftUnder, type Seat } from './carriers.ts';
