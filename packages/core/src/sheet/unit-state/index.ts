export { asItComes, type JointState, type PartState, type UnitState } from './state.ts';
export type { Fault } from './faults.ts';
export { needsAndChanges } from './needs-and-changes.ts';
export { change, faultsOf } from './operation.ts';
export { ladders, simulate, workThrough, type Found } from './simulate.ts';
export { heldBy, inTheWay } from './in-the-way.ts';
