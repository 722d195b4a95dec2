export { asItComes, type JointState, type PartState, type UnitState } from './state.ts';
export { change, faultsOf, needsAndChanges, type Fault } from './needs-and-changes.ts';
export { ladders, simulate, workThrough, type Found } from './simulate.ts';
export { heldBy, inTheWay } from './in-the-way.ts';
