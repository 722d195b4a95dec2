export { findReckoner, reckon, reckoners } from './registry.ts';
export {
  accepted,
  type CheckValue,
  type Danger,
  type Dangers,
  ReckonError,
  type Field,
  type Fields,
  type OutputSpec,
  type Reckoner,
  type Reckoning,
  type Results,
  type ResultValue,
  type Subject,
  type WorkingLine,
} from './shape/index.ts';
export { boltTorque } from './fasteners/bolt-torque.ts';
export { propertyClassNames, type PropertyClass } from './fasteners/tables/property-classes.ts';
export { threadMaterialNames, type ThreadMaterial } from './fasteners/tables/thread-materials.ts';
export { threadEngagement } from './fasteners/thread-engagement.ts';
export { threadGeometry, type ThreadGeometry } from './fasteners/thread-geometry.ts';
export { thread } from './fasteners/thread.ts';
export { tighteningOrder } from './fasteners/tightening-order.ts';
export { saneShares, torqueSanity } from './fasteners/torque-sanity.ts';
export { wrenchSetting } from './fasteners/wrench-setting.ts';
export { shimForSetting } from './bearings/shim-for-setting.ts';
export { shimStack } from './bearings/shim-stack.ts';
export { judge, type Verdict } from './metrology/judge.ts';
export { verdict } from './metrology/verdict.ts';
export { COPPER_C } from './electrical/winding-resistance.ts';
export { gaugeRatios } from './metrology/gauge-choice.ts';
export { gaugeChoice } from './metrology/gauge-choice.ts';
export { gravest } from './metrology/judge.ts';
export { boreReadings } from './metrology/bore-readings.ts';
export { rootSumSquares } from './metrology/gum.ts';
export { insulation } from './electrical/insulation.ts';
export { phaseBalance } from './electrical/phase-balance.ts';
export { windingResistance } from './electrical/winding-resistance.ts';
export { platePack } from './packs/plate-pack.ts';
export { springCheck } from './packs/spring-check.ts';
export { rebuildOrReplace } from './money/rebuild-or-replace.ts';
export { whileOpen } from './money/while-open.ts';
export { backlashShim } from './gears/backlash-shim.ts';
export { contactPattern } from './gears/contact-pattern.ts';
export { coneAndLocknut } from './bearings/cone-and-locknut.ts';
export { nutBackOff } from './bearings/nut-back-off.ts';
export { rollingDrag } from './bearings/rolling-drag.ts';
export { thermalShift } from './bearings/thermal-shift.ts';
export { heatToFit } from './fits/heat-to-fit.ts';
export { isoFit } from './fits/iso-fit.ts';
export { pressFit } from './fits/press-fit.ts';
export { lipSeal } from './seals/lip-seal.ts';
export { oringFind } from './seals/oring-find.ts';
export { oringGland } from './seals/oring-gland.ts';
export { pistonReturn } from './seals/piston-return.ts';
export { faceSealSet } from './seals/face-seal-set.ts';
export { torqueAngle } from './fasteners/torque-angle.ts';
export { MOST_FILL, squeezeWindow, STRETCH } from './seals/gland.ts';
export { rectifierRipple } from './electrical/rectifier-ripple.ts';
export { residualUnbalance } from './rotors/residual-unbalance.ts';
export { twoPlaneBalance } from './rotors/two-plane-balance.ts';
export * as complex from './rotors/complex.ts';
export type { Complex } from './rotors/complex.ts';
export { bearingTones } from './bearings/bearing-tones.ts';
export { pressureDecay } from './leaks/pressure-decay.ts';
export { pumpUp } from './leaks/pump-up.ts';
export { vacuumHold } from './leaks/vacuum-hold.ts';
export { fluids as fluidKinds } from './seals/tables/elastomers.ts';
export { sealMaterial } from './seals/seal-material.ts';
export { materialNames, type MaterialName } from './materials/materials.ts';
export { loosened } from './fasteners/loosened.ts';
export { knownThreads, threadFind } from './fasteners/thread-find.ts';
export { boltStretch } from './fasteners/bolt-stretch.ts';
export { tapDrill } from './fasteners/tap-drill.ts';
export { bearingFind } from './bearings/bearing-find.ts';
export { bearingFit } from './bearings/bearing-fit.ts';
export { gripAtTemperature } from './bearings/grip-at-temperature.ts';
export { pinionDepth } from './gears/pinion-depth.ts';
export { shaftAngles } from './gears/shaft-angles.ts';
export { belt } from './packs/belt.ts';
export { springHeight } from './packs/spring-height.ts';
export { cylinderForce } from './leaks/cylinder-force.ts';
export { singlePlaneBalance } from './rotors/single-plane-balance.ts';
export { indicatorAngle } from './metrology/indicator-angle.ts';
