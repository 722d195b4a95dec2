/**
 * Strength of fasteners. Rp: least 0.2 % proof stress (or lower yield), MPa; Sp: proof stress, Rm: least tensile strength, MPa.
 * ISO 898-1:2013 tables 3 and 5; ISO 3506-1 (Rp0.2, no proof stress is given there, so Sp = Rp); SAE J429 in ksi.
 * Rows from memory.
 */
export interface StrengthRow {
  /** Applies to this nominal diameter and below, mm. */
  readonly toMm: number;
  readonly rpMPa: number;
  readonly spMPa: number;
  /** Least tensile strength. */
  readonly rmMPa: number;
}
const KSI = (4.4482216152605 / 25.4 ** 2) * 1000;
const s = (toMm: number, rpMPa: number, spMPa: number, rmMPa: number): StrengthRow =>
  Object.freeze({ toMm, rpMPa, spMPa, rmMPa });
const ksi = (toIn: number, rp: number, sp: number, rm: number): StrengthRow =>
  s(toIn * 25.4, rp * KSI, sp * KSI, rm * KSI);

export const propertyClasses = Object.freeze({
  '4.6': [s(39, 240, 225, 400)],
  '4.8': [s(39, 340, 310, 420)],
  '5.6': [s(39, 300, 280, 500)],
  '5.8': [s(39, 420, 380, 520)],
  '6.8': [s(39, 480, 440, 600)],
  '8.8': [s(16, 640, 580, 800), s(39, 660, 600, 830)],
  '9.8': [s(16, 720, 650, 900)],
  '10.9': [s(39, 940, 830, 1040)],
  '12.9': [s(39, 1100, 970, 1220)],
  'A2-70': [s(24, 450, 450, 700)],
  'A4-80': [s(24, 600, 600, 800)],
  'SAE 2': [ksi(0.75, 57, 55, 74), ksi(1.5, 36, 33, 60)],
  'SAE 5': [ksi(1, 92, 85, 120), ksi(1.5, 81, 74, 105)],
  'SAE 8': [ksi(1.5, 130, 120, 150)],
} as const satisfies Record<string, readonly StrengthRow[]>);

export type PropertyClass = keyof typeof propertyClasses;
export const propertyClassNames = Object.keys(propertyClasses) as readonly PropertyClass[];
