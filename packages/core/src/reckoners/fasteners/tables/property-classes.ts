/**
 * Strength of fasteners. Rp: least 0.2 % proof stress (or lower yield), MPa; Sp: proof stress, MPa.
 * ISO 898-1:2013 tables 3 and 5; ISO 3506-1 (Rp0.2, no proof stress is given there, so Sp = Rp); SAE J429 in ksi.
 * Rows from memory.
 */
export interface StrengthRow {
  /** Applies to this nominal diameter and below, mm. */
  readonly toMm: number;
  readonly rpMPa: number;
  readonly spMPa: number;
}
const KSI = (4.4482216152605 / 25.4 ** 2) * 1000;
const s = (toMm: number, rpMPa: number, spMPa: number): StrengthRow => Object.freeze({ toMm, rpMPa, spMPa });
const ksi = (toIn: number, rp: number, sp: number): StrengthRow => s(toIn * 25.4, rp * KSI, sp * KSI);

export const propertyClasses = Object.freeze({
  '4.6': [s(39, 240, 225)],
  '4.8': [s(39, 340, 310)],
  '5.6': [s(39, 300, 280)],
  '5.8': [s(39, 420, 380)],
  '6.8': [s(39, 480, 440)],
  '8.8': [s(16, 640, 580), s(39, 660, 600)],
  '9.8': [s(16, 720, 650)],
  '10.9': [s(39, 940, 830)],
  '12.9': [s(39, 1100, 970)],
  'A2-70': [s(24, 450, 450)],
  'A4-80': [s(24, 600, 600)],
  'SAE 2': [ksi(0.75, 57, 55), ksi(1.5, 36, 33)],
  'SAE 5': [ksi(1, 92, 85), ksi(1.5, 81, 74)],
  'SAE 8': [ksi(1.5, 130, 120)],
} as const satisfies Record<string, readonly StrengthRow[]>);

export type PropertyClass = keyof typeof propertyClasses;
export const propertyClassNames = Object.keys(propertyClasses) as readonly PropertyClass[];
