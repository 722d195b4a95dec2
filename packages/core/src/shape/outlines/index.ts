import type { ShapeKind } from '../../sheet/index.ts';
import { ball } from './ball.ts';
import { bolt } from './bolt.ts';
import { boot } from './boot.ts';
import { circlip } from './circlip.ts';
import { cone } from './cone.ts';
import { cover } from './cover.ts';
import { cup } from './cup.ts';
import { dished } from './dished-washer.ts';
import { gasket } from './gasket.ts';
import { gear } from './gear.ts';
import { impeller } from './impeller.ts';
import { key } from './key.ts';
import { seal } from './lip-seal.ts';
import { nut } from './nut.ts';
import { oRing } from './o-ring.ts';
import { pin } from './pin.ts';
import { piston } from './piston.ts';
import { plainBox } from './plain-box.ts';
import { plainRing } from './plain-ring.ts';
import { plug } from './plug.ts';
import { pulley } from './pulley.ts';
import { ballBearing, rollerBearing } from './rolling-bearing.ts';
import { spring } from './spring.ts';
import { thrustBearing } from './thrust-bearing.ts';
import { wheel } from './wheel.ts';
import { winding } from './winding.ts';
import { turned, type Piece, type Sizes } from './piece.ts';

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
export { PLUG_SHANK } from './plug.ts';
export { turned, type Piece, type Point, type Sizes } from './piece.ts';
export { coverSizes } from './cover.ts';
export { wheelSizes } from './wheel.ts';
export { toothDepth } from './gear.ts';
export { housingRound } from './housing.ts';
export { shaftUnder } from './shaft.ts';
export type { Seat } from './seats.ts';
