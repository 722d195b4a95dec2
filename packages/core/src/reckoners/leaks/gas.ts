/** Kelvin of 0 °C. */
export const KELVIN = 273.15;
/** Reference state of leak rates: 20 °C and 1.01325 bar. */
export const REFERENCE = { barAbs: 1.01325, kelvin: 293.15 } as const;
/** Volume at the reference state of gas at a pressure (bar absolute) and temperature (K), in the unit of `volume`. */
export const atReference = (volume: number, barAbs: number, kelvin: number): number =>
  (volume * barAbs * REFERENCE.kelvin) / (kelvin * REFERENCE.barAbs);
