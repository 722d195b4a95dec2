export { findReckoner, reckon, reckoners } from './registry.ts';
export {
  accepted,
  type CheckValue,
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
