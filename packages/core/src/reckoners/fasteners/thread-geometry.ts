import { ReckonError } from '../shape/index.ts';
import { metricThreads } from './tables/iso-metric.ts';
import { unifiedThreads } from './tables/unified.ts';

/** A 60° thread's basic profile; lengths in mm, area in mm². */
export interface ThreadGeometry {
  readonly designation: string;
  readonly system: 'metric' | 'unified';
  /** Turned to the left to go in. */
  readonly leftHand: boolean;
  /** As it was written behind the size: "6g", "2A". */
  readonly toleranceClass?: string;
  readonly nominalMm: number;
  readonly pitchMm: number;
  /** d2 */
  readonly pitchDiameterMm: number;
  /** d3, root of the external thread */
  readonly rootMm: number;
  /** d1 = D1, minor diameter of the internal thread */
  readonly minorMm: number;
  readonly stressAreaMm2: number;
  /** Least bearing diameter under a hexagon head; undefined where no standard head is tabulated. */
  readonly headBearingMm?: number;
  /** Clearance hole. */
  readonly holeMm?: number;
  /** The pitch is not one that ISO 261 names for this diameter. */
  readonly unusualPitch: boolean;
}

/** Basic profile of ISO 68-1 and ASME B1.1: H = √3/2 · P. */
export const PITCH_DIAMETER_FACTOR = 0.649519;
export const MINOR_DIAMETER_FACTOR = 1.082532;
export const ROOT_DIAMETER_FACTOR = 1.226869;

const ACCEPTED = 'a thread such as M10, M12x1.25-6g, M10 LH, 1/2-13 UNC, 1-1/8-12 UNF, 1-14 UNS or #10-32';

/** What may stand behind the size: tolerance class of ISO 965-1 (6g, 5H6H), of ASME B1.1 (2A), and LH. */
interface Behind {
  readonly leftHand: boolean;
  readonly toleranceClass?: string;
}
const LEFT = /[\s-]*\bLH$/i;
const METRIC_CLASS = /[\s-]+((?:[3-9][e-hE-H]){1,2})$/;
const UNIFIED_CLASS = /[\s-]+([123][AB])$/i;

function splitBehind(text: string): { size: string; behind: Behind } {
  let size = text;
  const leftHand = LEFT.test(size);
  if (leftHand) size = size.replace(LEFT, '');
  const found = METRIC_CLASS.exec(size) ?? UNIFIED_CLASS.exec(size);
  if (found) size = size.slice(0, found.index);
  const isClass = found?.[1];
  return { size: size.trim(), behind: { leftHand, ...(isClass === undefined ? {} : { toleranceClass: isClass }) } };
}

/**
 * Looks a thread up by its designation, with or without tolerance class and LH.
 * @throws ReckonError `unknown-thread` naming `field`
 */
export function threadGeometry(designation: string, field = 'designation'): ThreadGeometry {
  const text = designation.trim().replace(/[×✕*]/g, 'x').replace(/,/g, '.').replace(/[–−]/g, '-');
  const { size, behind } = splitBehind(text);
  return { ...sizeGeometry(size, designation, field), ...behind };
}

function sizeGeometry(text: string, designation: string, field: string): Sizes {
  const metric = /^M\s*(\d+(?:\.\d+)?)(?:\s*x\s*(\d+(?:\.\d+)?))?$/i.exec(text);
  if (metric)
    return metricGeometry(
      Number(metric[1]),
      metric[2] === undefined ? undefined : Number(metric[2]),
      designation,
      field,
    );
  // "1-1/8-12" is one and an eighth: a whole number, a hyphen and a fraction.
  const unified =
    /^(#?\d+(?:[\s-]+\d+\/\d+|\/\d+)?)\s*(?:"|in)?\s*(?:-\s*(\d+))?\s*-?\s*(UNC|UNF|UNS|UNRC|UNRF|UN)?$/i.exec(text);
  if (unified?.[1])
    return unifiedGeometry(unified[1].replace(/[\s-]+/g, ' '), unified[2], unified[3], designation, field);
  throw unknown(designation, field);
}

type Sizes = Omit<ThreadGeometry, 'leftHand' | 'toleranceClass'>;

const unknown = (designation: string, field: string): ReckonError =>
  new ReckonError('unknown-thread', field, designation, ACCEPTED, `"${designation}" is not a thread that Jubb knows`);

function metricGeometry(d: number, pitchGiven: number | undefined, designation: string, field: string): Sizes {
  const found = metricThreads.find((r) => r.d === d);
  if (!found) throw unknown(designation, field);
  const pitch = pitchGiven ?? found.coarse;
  if (pitch === undefined) {
    throw new ReckonError(
      'unknown-thread',
      field,
      designation,
      `a pitch: M${d}x${found.fine.join(`, M${d}x`)}`,
      `M${d} has no coarse pitch; say which`,
    );
  }
  const usual = pitch === found.coarse || found.fine.includes(pitch);
  const anyMetricPitch = metricThreads.some((r) => r.coarse === pitch || r.fine.includes(pitch));
  if (!usual && (!anyMetricPitch || pitch > (found.coarse ?? d / 5))) throw unknown(designation, field);
  // ISO 898-1: As = π/4 ((d2 + d3)/2)² = π/4 (d − 0.9382 P)²
  const stressAreaMm2 = (Math.PI / 4) * (d - 0.9382 * pitch) ** 2;
  return profile({
    designation: pitch === found.coarse ? `M${d}` : `M${d}x${pitch}`,
    system: 'metric',
    nominalMm: d,
    pitchMm: pitch,
    stressAreaMm2,
    headBearingMm: found.dw,
    holeMm: found.hole,
    unusualPitch: !usual,
  });
}

/** Threads per inch that taps and dies are made for beside the coarse and the fine series (ASME B1.1). */
const COMMON_TPI = [4, 6, 8, 10, 12, 14, 16, 18, 20, 24, 27, 28, 32, 36, 40, 48, 56];

function unifiedGeometry(
  size: string,
  tpiText: string | undefined,
  seriesText: string | undefined,
  designation: string,
  field: string,
): Sizes {
  const found = unifiedThreads.find(
    (r) =>
      r.name === size ||
      (r.name.startsWith('#') && r.name.slice(1) === size && tpiText !== undefined && r.name !== '#1'),
  );
  if (!found) throw unknown(designation, field);
  const series = seriesText?.toUpperCase().replace('UNR', 'UN');
  const tpi =
    tpiText === undefined ? (series === 'UNC' ? found.unc : series === 'UNF' ? found.unf : undefined) : Number(tpiText);
  if (tpi === undefined) throw unknown(designation, field);
  const isCoarse = tpi === found.unc;
  const isFine = tpi === found.unf;
  // UNS and UN name any pitch; without such a word only the standard pitches are meant.
  const special = (series === 'UNS' || series === 'UN') && !isCoarse && !isFine && COMMON_TPI.includes(tpi);
  if (!isCoarse && !isFine && !special) throw unknown(designation, field);
  if ((series === 'UNC' && !isCoarse) || (series === 'UNF' && !isFine)) throw unknown(designation, field);
  const d = found.dIn * 25.4;
  const stressAreaIn2 = 0.7854 * (found.dIn - 0.9743 / tpi) ** 2;
  return profile({
    designation: `${found.name}-${tpi} ${isCoarse ? 'UNC' : isFine ? 'UNF' : series}`,
    system: 'unified',
    nominalMm: d,
    pitchMm: 25.4 / tpi,
    stressAreaMm2: stressAreaIn2 * 25.4 ** 2,
    // Bearing circle about 0.95 of the flats; holes 1/32 in over (1/16 from 7/8 in): common practice, from memory.
    headBearingMm: found.flatsIn === undefined ? undefined : 0.95 * found.flatsIn * 25.4,
    holeMm: found.flatsIn === undefined ? undefined : d + (found.dIn < 0.875 ? 25.4 / 32 : 25.4 / 16),
    unusualPitch: false,
  });
}

function profile(t: Omit<Sizes, 'pitchDiameterMm' | 'rootMm' | 'minorMm'>): Sizes {
  return {
    ...t,
    pitchDiameterMm: t.nominalMm - PITCH_DIAMETER_FACTOR * t.pitchMm,
    rootMm: t.nominalMm - ROOT_DIAMETER_FACTOR * t.pitchMm,
    minorMm: t.nominalMm - MINOR_DIAMETER_FACTOR * t.pitchMm,
  };
}
