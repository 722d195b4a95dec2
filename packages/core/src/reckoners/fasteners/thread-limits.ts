import { pitchAllowance, preferred } from './tables/thread-tolerances.ts';
import type { ThreadGeometry } from './thread-geometry.ts';

/** The sizes of a bolt and a nut that leave the least material to shear, mm. */
export interface LeastMaterial {
  /** Least major diameter of the bolt. */
  readonly boltMajorMm: number;
  /** Least pitch diameter of the bolt. */
  readonly boltPitchMm: number;
  /** Largest pitch diameter of the nut. */
  readonly nutPitchMm: number;
  /** Largest minor diameter of the nut. */
  readonly nutMinorMm: number;
  /** The classes whose limits these are. */
  readonly classes: string;
}

/**
 * Limits of a bolt and a nut where least metal is left: classes 6g and 6H of ISO 965-1 for metric threads, 2A and 2B of
 * ASME B1.1 for Unified ones (their generating formulas, metric ones rounded to the preferred numbers of the tables).
 */
export function leastMaterial(t: ThreadGeometry): LeastMaterial {
  return t.system === 'metric' ? metricLeast(t) : unifiedLeast(t);
}

/** Steps of nominal diameter within which ISO 965-1 keeps a tolerance of the pitch diameter, mm. */
const DIAMETER_STEPS = [0.99, 1.4, 2.8, 5.6, 11.2, 22.4, 45, 90, 180];

function metricLeast(t: ThreadGeometry): LeastMaterial {
  const p = t.pitchMm;
  const upper = DIAMETER_STEPS.findIndex((s) => t.nominalMm <= s);
  const meanD = Math.sqrt(DIAMETER_STEPS[upper - 1]! * DIAMETER_STEPS[upper]!);
  const es = pitchAllowance(p);
  const major = preferred(180 * p ** (2 / 3) - 3.15 / Math.sqrt(p));
  const pitchRaw = 90 * p ** 0.4 * meanD ** 0.1;
  const minor = preferred(p < 1 ? 433 * p - 190 * p ** 1.22 : 230 * p ** 0.7);
  return {
    boltMajorMm: t.nominalMm - (es + major) / 1000,
    boltPitchMm: t.pitchDiameterMm - (es + preferred(pitchRaw)) / 1000,
    nutPitchMm: t.pitchDiameterMm + preferred(1.32 * pitchRaw) / 1000,
    nutMinorMm: t.minorMm + minor / 1000,
    classes: '6H/6g',
  };
}

function unifiedLeast(t: ThreadGeometry): LeastMaterial {
  const d = t.nominalMm / 25.4;
  const p = t.pitchMm / 25.4;
  // Length of engagement as the standard takes it for its tables: one diameter.
  const pitch2A = 0.0015 * Math.cbrt(d) + 0.0015 * Math.sqrt(d) + 0.015 * p ** (2 / 3);
  const allowance = 0.3 * pitch2A;
  const minor2B = d >= 0.25 ? 0.25 * p - 0.4 * p * p : Math.max(0.05 * p ** (2 / 3) + (0.03 * p) / d - 0.002, 0.1 * p);
  return {
    boltMajorMm: t.nominalMm - (allowance + 0.06 * p ** (2 / 3)) * 25.4,
    boltPitchMm: t.pitchDiameterMm - (allowance + pitch2A) * 25.4,
    nutPitchMm: t.pitchDiameterMm + 1.3 * pitch2A * 25.4,
    nutMinorMm: t.minorMm + minor2B * 25.4,
    classes: '2B/2A',
  };
}
