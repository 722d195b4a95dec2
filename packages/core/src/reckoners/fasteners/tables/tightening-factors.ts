/**
 * Tightening factor αA = largest over smallest clamp force reached by a method, VDI 2230-1 table A8, from memory.
 */
export const tighteningFactors = Object.freeze({
  'torque-wrench-measured-friction': { from: 1.4, to: 1.6 },
  'torque-wrench': { from: 1.6, to: 2.5 },
  'angle-to-yield': { from: 1.2, to: 1.4 },
  impact: { from: 2.5, to: 4 },
} as const);
export type TighteningMethod = keyof typeof tighteningFactors;
export const tighteningMethods = Object.keys(tighteningFactors) as readonly TighteningMethod[];
