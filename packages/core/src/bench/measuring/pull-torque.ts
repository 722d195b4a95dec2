import { canonical, inCanonical, type Quantity } from '../../quantities/index.ts';

/** Figures of a torque that was read as a force at a radius. */
const FIGURES = 4;

/** The torque of a pull square to the arm: force times radius, to four figures, N·m. */
export function pullTorque(force: Quantity, radius: Quantity): Quantity {
  const nm = inCanonical(force, 'force') * (inCanonical(radius, 'length') / 1000);
  return canonical(Number(nm.toPrecision(FIGURES)), 'torque');
}
