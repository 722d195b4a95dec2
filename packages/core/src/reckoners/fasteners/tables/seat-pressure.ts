/**
 * Pressure under a head that the seat takes without creeping, MPa: VDI 2230-1 table A9, from memory, careful figures.
 */
export const seatLimits = Object.freeze({
  steel: 490,
  'hardened-steel': 1000,
  'cast-iron': 850,
  'ductile-iron': 600,
  aluminium: 220,
  magnesium: 180,
  plastic: 90,
} as const);
export const seatNames = Object.keys(seatLimits) as readonly (keyof typeof seatLimits)[];
