import { ReckonError } from '../shape/index.ts';
import { propertyClasses, type PropertyClass, type StrengthRow } from './tables/property-classes.ts';
import type { ThreadGeometry } from './thread-geometry.ts';
import { leastMaterial } from './thread-limits.ts';

/** Torque over clamp force, mm: 0.16 P + 0.58 d2 μG + ½ DKm μK (VDI 2230-1; ISO 16047). */
export function torquePerForceMm(
  t: ThreadGeometry,
  bearingMeanMm: number,
  frictionThread: number,
  frictionHead: number,
): number {
  return 0.16 * t.pitchMm + 0.58 * t.pitchDiameterMm * frictionThread + (bearingMeanMm / 2) * frictionHead;
}

/**
 * Clamp force, N, at which tension and torsion together use `utilisation` of the yield stress:
 * F = A0 ν Rp / √(1 + 3 [3/2 · d2/d0 · (P/(π d2) + 1.155 μG)]²), d0 = (d2 + d3)/2, A0 = π d0²/4 (VDI 2230-1).
 */
export function assemblyForceN(t: ThreadGeometry, rpMPa: number, frictionThread: number, utilisation: number): number {
  const d0 = stressDiameterMm(t);
  const torsion = 1.5 * (t.pitchDiameterMm / d0) * (t.pitchMm / (Math.PI * t.pitchDiameterMm) + 1.155 * frictionThread);
  return (((Math.PI * d0 ** 2) / 4) * utilisation * rpMPa) / Math.sqrt(1 + 3 * torsion ** 2);
}

/** d0, mm: the mean of pitch and root diameter. */
export function stressDiameterMm(t: ThreadGeometry): number {
  return (t.pitchDiameterMm + t.rootMm) / 2;
}

/**
 * Strength of a class at a size.
 * @throws ReckonError `out-of-range` where the standard gives none for so large a thread
 */
export function strengthOf(propertyClass: PropertyClass, t: ThreadGeometry, field = 'propertyClass'): StrengthRow {
  const rows: readonly StrengthRow[] = propertyClasses[propertyClass];
  const found = rows.find((r) => t.nominalMm <= r.toMm + 1e-9);
  if (!found) {
    const most = rows.at(-1)!.toMm;
    throw new ReckonError(
      'out-of-range',
      field,
      propertyClass,
      `a class that is defined for ${t.designation}`,
      `class ${propertyClass} is defined to ${most} mm only`,
    );
  }
  return found;
}

/**
 * Mean diameter of the face that rubs under head or nut, mm, and how it was come by.
 * Where no standard head is tabulated, 1.45 d over a hole of 1.1 d stands in (common practice).
 */
export function bearingMean(
  t: ThreadGeometry,
  bearingMm?: number,
  holeMm?: number,
): { meanMm: number; outerMm: number; innerMm: number; assumed: boolean } {
  const outerMm = bearingMm ?? t.headBearingMm ?? 1.45 * t.nominalMm;
  const innerMm = holeMm ?? t.holeMm ?? 1.1 * t.nominalMm;
  return {
    meanMm: (outerMm + innerMm) / 2,
    outerMm,
    innerMm,
    assumed: bearingMm === undefined && t.headBearingMm === undefined,
  };
}

/**
 * Length of full thread, mm: the chamfered ends, 0.8 of a pitch together, do not carry (VDI 2230-1).
 * Never less than nothing.
 */
export function fullThreadMm(t: ThreadGeometry, engagementMm: number): number {
  return Math.max(0, engagementMm - INCOMPLETE_ENDS * t.pitchMm);
}
/** Pitches that the two incomplete ends of an engaged thread take off. */
export const INCOMPLETE_ENDS = 0.8;

/**
 * Force, N, at which the internal thread shears off, with the least material that its tolerance leaves:
 * τ · π d(min) (m − 0.8 P)/P [P/2 + (d(min) − D2(max))/√3] (FED-STD-H28/2B, VDI 2230-1; limits of 6H/6g or 2B/2A).
 * @param engagementMm from face to face, incomplete ends included
 */
export function nutStripForceN(t: ThreadGeometry, engagementMm: number, shearMPa: number): number {
  const { boltMajorMm, nutPitchMm } = leastMaterial(t);
  const perTurn = t.pitchMm / 2 + (boltMajorMm - nutPitchMm) / Math.sqrt(3);
  return shearMPa * Math.PI * boltMajorMm * (fullThreadMm(t, engagementMm) / t.pitchMm) * perTurn;
}

/**
 * Force, N, at which the external thread shears off in the nut, with the least material that its tolerance leaves:
 * τ · π D1(max) (m − 0.8 P)/P [P/2 + (d2(min) − D1(max))/√3], τ = 0.6 Rm (FED-STD-H28/2B; ratio from memory).
 */
export function boltStripForceN(t: ThreadGeometry, engagementMm: number, rmMPa: number): number {
  const { nutMinorMm, boltPitchMm } = leastMaterial(t);
  const perTurn = t.pitchMm / 2 + (boltPitchMm - nutMinorMm) / Math.sqrt(3);
  return BOLT_SHEAR_RATIO * rmMPa * Math.PI * nutMinorMm * (fullThreadMm(t, engagementMm) / t.pitchMm) * perTurn;
}
/** Shear strength over tensile strength of a steel bolt. */
export const BOLT_SHEAR_RATIO = 0.6;
