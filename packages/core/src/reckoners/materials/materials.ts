/**
 * Workshop materials: linear expansion about 20 to 100 °C in 1/K, Young's modulus in GPa, Poisson's ratio.
 * Common handbook figures, from memory; an alloy's own figure is better when it is known.
 */
export interface Material {
  readonly expansionPerK: number;
  readonly stiffnessGPa: number;
  readonly poisson: number;
}
const m = (expansion: number, stiffnessGPa: number, poisson: number): Material =>
  Object.freeze({ expansionPerK: expansion * 1e-6, stiffnessGPa, poisson });

export const materials = Object.freeze({
  steel: m(11.5, 207, 0.3),
  'stainless-steel': m(16.5, 193, 0.3),
  'cast-iron': m(10.5, 110, 0.26),
  'ductile-iron': m(11.2, 169, 0.28),
  aluminium: m(23.1, 70, 0.33),
  magnesium: m(26, 45, 0.29),
  zinc: m(27, 96, 0.25),
  brass: m(19, 100, 0.34),
  bronze: m(18, 105, 0.34),
  copper: m(16.8, 120, 0.34),
  titanium: m(8.6, 114, 0.34),
} as const);
export type MaterialName = keyof typeof materials;
export const materialNames = Object.keys(materials) as readonly MaterialName[];
