import { ballComplement } from './bearings/ball-complement.ts';
import { bearingCode } from './bearings/bearing-code.ts';
import { bearingFind } from './bearings/bearing-find.ts';
import { bearingFit } from './bearings/bearing-fit.ts';
import { bearingTones } from './bearings/bearing-tones.ts';
import { coneAndLocknut } from './bearings/cone-and-locknut.ts';
import { gripAtTemperature } from './bearings/grip-at-temperature.ts';
import { nutBackOff } from './bearings/nut-back-off.ts';
import { rollingDrag } from './bearings/rolling-drag.ts';
import { shimForSetting } from './bearings/shim-for-setting.ts';
import { shimStack } from './bearings/shim-stack.ts';
import { thermalShift } from './bearings/thermal-shift.ts';
import { chargingOutput } from './electrical/charging-output.ts';
import { insulation } from './electrical/insulation.ts';
import { phaseBalance } from './electrical/phase-balance.ts';
import { rectifierRipple } from './electrical/rectifier-ripple.ts';
import { windingResistance } from './electrical/winding-resistance.ts';
import { boltStretch } from './fasteners/bolt-stretch.ts';
import { boltTorque } from './fasteners/bolt-torque.ts';
import { loosened } from './fasteners/loosened.ts';
import { tapDrill } from './fasteners/tap-drill.ts';
import { threadEngagement } from './fasteners/thread-engagement.ts';
import { threadFind } from './fasteners/thread-find.ts';
import { thread } from './fasteners/thread.ts';
import { tighteningOrder } from './fasteners/tightening-order.ts';
import { torqueAngle } from './fasteners/torque-angle.ts';
import { torqueSanity } from './fasteners/torque-sanity.ts';
import { wrenchSetting } from './fasteners/wrench-setting.ts';
import { heatToFit } from './fits/heat-to-fit.ts';
import { isoFit } from './fits/iso-fit.ts';
import { pressFit } from './fits/press-fit.ts';
import { backlashShim } from './gears/backlash-shim.ts';
import { contactPattern } from './gears/contact-pattern.ts';
import { gearRatio } from './gears/gear-ratio.ts';
import { pinionDepth } from './gears/pinion-depth.ts';
import { shaftAngles } from './gears/shaft-angles.ts';
import { cylinderForce } from './leaks/cylinder-force.ts';
import { pressureDecay } from './leaks/pressure-decay.ts';
import { pumpUp } from './leaks/pump-up.ts';
import { vacuumHold } from './leaks/vacuum-hold.ts';
import { boreReadings } from './metrology/bore-readings.ts';
import { gaugeChoice } from './metrology/gauge-choice.ts';
import { gaugeUncertainty } from './metrology/gauge-uncertainty.ts';
import { indicatorAngle } from './metrology/indicator-angle.ts';
import { sizeAt20 } from './metrology/size-at-20.ts';
import { verdict } from './metrology/verdict.ts';
import { rebuildOrReplace } from './money/rebuild-or-replace.ts';
import { whileOpen } from './money/while-open.ts';
import { belt } from './packs/belt.ts';
import { platePack } from './packs/plate-pack.ts';
import { springCheck } from './packs/spring-check.ts';
import { springHeight } from './packs/spring-height.ts';
import { residualUnbalance } from './rotors/residual-unbalance.ts';
import { shaftPlay } from './rotors/shaft-play.ts';
import { singlePlaneBalance } from './rotors/single-plane-balance.ts';
import { twoPlaneBalance } from './rotors/two-plane-balance.ts';
import { faceSealSet } from './seals/face-seal-set.ts';
import { lipSeal } from './seals/lip-seal.ts';
import { oringFind } from './seals/oring-find.ts';
import { oringGland } from './seals/oring-gland.ts';
import { pistonReturn } from './seals/piston-return.ts';
import { sealCode } from './seals/seal-code.ts';
import { sealMaterial } from './seals/seal-material.ts';
import { ReckonError, type Reckoner, type Reckoning } from './shape/index.ts';

/** All reckoners, in the order of the catalogue. */
export const reckoners: readonly Reckoner[] = [
  thread,
  threadFind,
  boltTorque,
  torqueSanity,
  threadEngagement,
  wrenchSetting,
  tighteningOrder,
  torqueAngle,
  loosened,
  boltStretch,
  tapDrill,
  shimForSetting,
  shimStack,
  nutBackOff,
  coneAndLocknut,
  rollingDrag,
  thermalShift,
  bearingCode,
  bearingFind,
  bearingFit,
  gripAtTemperature,
  ballComplement,
  bearingTones,
  isoFit,
  pressFit,
  heatToFit,
  gearRatio,
  backlashShim,
  contactPattern,
  pinionDepth,
  shaftAngles,
  oringGland,
  oringFind,
  pistonReturn,
  lipSeal,
  sealCode,
  sealMaterial,
  faceSealSet,
  platePack,
  springCheck,
  springHeight,
  belt,
  windingResistance,
  phaseBalance,
  insulation,
  rectifierRipple,
  chargingOutput,
  residualUnbalance,
  singlePlaneBalance,
  twoPlaneBalance,
  shaftPlay,
  pressureDecay,
  pumpUp,
  vacuumHold,
  cylinderForce,
  verdict,
  gaugeChoice,
  boreReadings,
  gaugeUncertainty,
  sizeAt20,
  indicatorAngle,
  rebuildOrReplace,
  whileOpen,
] as readonly Reckoner[];

const byId = new Map(reckoners.map((r) => [r.id, r]));

/** The reckoner of an id. @throws ReckonError `unknown-reckoner` */
export function findReckoner(id: string): Reckoner {
  const found = byId.get(id);
  if (!found)
    throw new ReckonError(
      'unknown-reckoner',
      'id',
      id,
      `one of: ${[...byId.keys()].join(', ')}`,
      `there is no reckoner "${id}"`,
    );
  return found;
}

/** Reckons by id; for the command line, the API and the screen. @throws ReckonError */
export function reckon(id: string, inputs: unknown): Reckoning {
  return findReckoner(id).reckon(inputs);
}
