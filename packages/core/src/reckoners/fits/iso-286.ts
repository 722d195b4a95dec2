import { ReckonError } from '../shape/index.ts';
import {
  clearanceDeviations,
  farAbove,
  farBelow,
  farSteps,
  fineDeviations,
  fineSteps,
  interferenceDeviations,
  J8_SHAFT_TO_3,
  jHoles,
  jShafts,
  sizeSteps,
  toleranceGrades,
} from './tables/iso-286.ts';

/** A tolerance zone about the nominal size, µm. */
export interface Zone {
  readonly lower: number;
  readonly upper: number;
  /** Width of the grade. */
  readonly it: number;
  readonly grade: string;
  /** The fundamental deviation, that of the end nearer the nominal size, before Δ. */
  readonly deviation: number;
  /** What holes K to ZC of the finer grades are shifted by: Δ = ITn − IT(n−1). */
  readonly delta: number;
  /** The combination is not in ISO 286-2; it follows from the general rule. */
  readonly unusual: boolean;
}

const LETTERS = 'a, b, c, cd, d, e, ef, f, fg, g, h, j (5 to 8), js, k, m, n, p, r, s, t, u, v, x, y, z, za, zb, zc';
const stepOf = (steps: readonly number[], size: number): number => steps.findIndex((s) => size <= s + 1e-9);

/** Tolerance of a grade ("01", 0 to 18) at a size, µm. */
export function tolerance(grade: number | string, sizeMm: number): number {
  return toleranceGrades[String(grade)]![stepOf(sizeSteps, sizeMm)]!;
}

/**
 * The zone of a hole or shaft code such as "H7" or "k6".
 * @param code letters and grade; upper case for a hole, lower for a shaft
 * @throws ReckonError `unknown-tolerance` naming `field`
 */
export function zoneOf(code: string, sizeMm: number, field: 'hole' | 'shaft'): Zone {
  const read = /^\s*([a-z]{1,2})\s*(01|\d{1,2})\s*$/i.exec(code);
  const letters = read?.[1] ?? '';
  const grade = read?.[2] === '01' ? '01' : String(Number(read?.[2]));
  const right = field === 'hole' ? letters === letters.toUpperCase() : letters === letters.toLowerCase();
  const bad = (why: string): ReckonError =>
    new ReckonError(
      'unknown-tolerance',
      field,
      code,
      field === 'hole'
        ? `a hole such as H7: ${LETTERS.toUpperCase().replace(/ TO /g, ' to ')}, grades 01 to 18`
        : `a shaft such as k6: ${LETTERS}, grades 01 to 18`,
      `${field}: "${code}" ${why}`,
    );
  if (!read) throw bad('is not a letter and a grade');
  if (!right)
    throw bad(
      field === 'hole' ? 'is a shaft: holes are written in capitals' : 'is a hole: shafts are written in small letters',
    );
  if (toleranceGrades[grade] === undefined) throw bad('has a grade outside 01 to 18');
  const zone = field === 'hole' ? holeZone(letters.toLowerCase(), grade, sizeMm) : shaftZone(letters, grade, sizeMm);
  if (!zone) throw bad('is not in the tables at this size');
  return zone;
}

/** The order of a grade: 01 before 0. */
const order = (grade: string): number => (grade === '01' ? -1 : Number(grade));

/** A shaft's fundamental deviation by its letter alone, µm: ei above the line, es below it (negative). */
function deviationOf(letter: string, grade: string, size: number): number | undefined {
  const i = stepOf(sizeSteps, size);
  if (letter in clearanceDeviations) return -clearanceDeviations[letter as keyof typeof clearanceDeviations][i]!;
  const below = farBelow[letter]?.[stepOf(farSteps, size)];
  if (below !== undefined) return -below;
  if (letter === 'k') return order(grade) >= 4 && order(grade) <= 7 ? interferenceDeviations.k[i]! : 0;
  if (letter in interferenceDeviations)
    return interferenceDeviations[letter as keyof typeof interferenceDeviations][i]!;
  if (letter in fineDeviations) return fineDeviations[letter as keyof typeof fineDeviations][stepOf(fineSteps, size)]!;
  return farAbove[letter]?.[stepOf(farSteps, size)];
}
const isBelow = (letter: string): boolean => letter in clearanceDeviations || letter in farBelow;

function shaftZone(letter: string, grade: string, size: number): Zone | undefined {
  const it = tolerance(grade, size);
  const i = stepOf(sizeSteps, size);
  const zone = (lower: number, upper: number, deviation: number): Zone => ({
    lower,
    upper,
    it,
    grade,
    deviation,
    delta: 0,
    unusual: order(grade) < 5 && isFar(letter),
  });
  if (letter === 'js') return zone(-it / 2, it / 2, it / 2);
  if (letter === 'j') {
    const ei = grade === '8' && i === 0 ? J8_SHAFT_TO_3 : jShafts[Number(grade)]?.[i];
    return ei === undefined ? undefined : zone(ei, ei + it, ei);
  }
  const d = deviationOf(letter, grade, size);
  if (d === undefined) return undefined;
  return isBelow(letter) ? zone(d - it, d, d) : zone(d, d + it, d);
}
/** Letters far from the line are tabulated for the coarser grades only. */
const isFar = (letter: string): boolean => letter in farBelow || letter in farAbove;

/** Holes mirror the shaft of the same letter; K to ZC of the finer grades are shifted by Δ = ITn − IT(n−1) above 3 mm. */
function holeZone(letter: string, grade: string, size: number): Zone | undefined {
  const it = tolerance(grade, size);
  const i = stepOf(sizeSteps, size);
  const n = order(grade);
  const zone = (upper: number, deviation: number, delta = 0, unusual = false): Zone => ({
    lower: upper - it,
    upper,
    it,
    grade,
    deviation,
    delta,
    unusual: unusual || (n < 5 && isFar(letter)),
  });
  if (letter === 'js') return { ...zone(it / 2, it / 2), lower: -it / 2 };
  if (letter === 'j') {
    const es = jHoles[n]?.[i];
    return es === undefined ? undefined : zone(es, es);
  }
  if (isBelow(letter)) {
    const d = deviationOf(letter, grade, size);
    return d === undefined ? undefined : { ...zone(it - d, -d), lower: -d };
  }
  // Δ is defined for IT3 to IT8, above 3 mm.
  const delta = i === 0 || n < 3 || n > 8 ? 0 : it - tolerance(n - 1, size);
  if (letter === 'k') {
    if (n > 8) return zone(0, 0, 0, i > 0);
    return zone(-interferenceDeviations.k[i]! + delta, -interferenceDeviations.k[i]!, delta);
  }
  if (letter === 'm') {
    // The standard's own exception: M6 over 250 to 315 mm is −9, not −11.
    if (n === 6 && sizeSteps[i] === 315) return zone(-9, -interferenceDeviations.m[i]!, 11);
    return zone(-interferenceDeviations.m[i]! + delta, -interferenceDeviations.m[i]!, delta);
  }
  if (letter === 'n') {
    if (n > 8) return i === 0 ? zone(-4, -4) : zone(0, 0);
    return zone(-interferenceDeviations.n[i]! + delta, -interferenceDeviations.n[i]!, delta);
  }
  const d = deviationOf(letter, grade, size);
  if (d === undefined) return undefined;
  const shift = n <= 7 ? delta : 0;
  return zone(-d + shift, -d, shift);
}
