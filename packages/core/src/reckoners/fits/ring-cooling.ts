/** Density of steel, kg/m³, and its specific heat, J/(kg·K): handbook figures. */
const STEEL_DENSITY = 7850;
export const STEEL_HEAT = 460;
/** Emissivity of bright steel (handbooks 0.2 to 0.4), and the Stefan–Boltzmann constant, W/(m²·K⁴). */
const EMISSIVITY = 0.3;
const STEFAN_BOLTZMANN = 5.670374419e-8;
const KELVIN = 273.15;

/** Mass, kg, and bare surface, mm², of a plain steel ring of these diameters and this width, mm. */
export function ringBody(insideMm: number, outsideMm: number, widthMm: number): { massKg: number; surfaceMm2: number } {
  const face = (Math.PI / 4) * (outsideMm ** 2 - insideMm ** 2);
  return {
    massKg: face * widthMm * 1e-9 * STEEL_DENSITY,
    surfaceMm2: 2 * face + Math.PI * widthMm * (outsideMm + insideMm),
  };
}

/**
 * Film coefficient of a warm ring in still air, W/(m²·K): free convection of a horizontal cylinder, 1.32 (ΔT/D)^¼, and
 * radiation of bright steel. Simplified free convection in air after heat-transfer handbooks.
 * @param outsideMm diameter that the air rises along
 */
export function filmOf(outsideMm: number, ringC: number, airC: number): number {
  const rise = Math.max(1, ringC - airC);
  const convection = 1.32 * (rise / (outsideMm / 1000)) ** 0.25;
  const [hot, cold] = [ringC + KELVIN, airC + KELVIN];
  const radiation = EMISSIVITY * STEFAN_BOLTZMANN * (hot ** 2 + cold ** 2) * (hot + cold);
  return convection + radiation;
}
