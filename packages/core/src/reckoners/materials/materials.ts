/**
 * Workshop materials: linear expansion about 20 to 100 °C in 1/K, Young's modulus in GPa, Poisson's ratio, and a careful
 * lower figure for the stress at which it yields (a brittle iron: breaks in tension), MPa.
 * Common handbook figures, from memory; an alloy's own figure is better when it is known.
 */
export interface Material {
  readonly expansionPerK: number;
  readonly stiffnessGPa: number;
  readonly poisson: number;
  readonly yieldMPa: number;
}
const m = (expansion: number, stiffnessGPa: number, poisson: number, yieldMPa: number): Material =>
  Object.freeze({ expansionPerK: expansion * 1e-6, stiffnessGPa, poisson, yieldMPa });

export const materials = Object.freeze({
  steel: m(11.5, 207, 0.3, 300),
  'stainless-steel': m(16.5, 193, 0.3, 210),
  'cast-iron': m(10.5, 110, 0.26, 150),
  'ductile-iron': m(11.2, 169, 0.28, 310),
  aluminium: m(23.1, 70, 0.33, 200),
  /** Casting alloys expand less than wrought aluminium: 21 to 22. */
  'cast-aluminium': m(21.5, 72, 0.33, 140),
  magnesium: m(26, 45, 0.29, 120),
  zinc: m(27, 96, 0.25, 200),
  brass: m(19, 100, 0.34, 150),
  bronze: m(18, 110, 0.34, 140),
  copper: m(16.8, 120, 0.34, 70),
  titanium: m(8.6, 114, 0.34, 800),
} as const);
export type MaterialName = keyof typeof materials;
export const materialNames = Object.keys(materials) as readonly MaterialName[];
