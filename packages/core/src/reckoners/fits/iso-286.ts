import { ReckonError } from '../shape/index.ts';
import {
  clearanceDeviations,
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
  /** The combination is not in ISO 286-2; it follows from the general rule. */
  readonly unusual: boolean;
}

const LETTERS = 'd, e, f, g, h, j (5 to 8), js, k, m, n, p, r, s';
const stepOf = (steps: readonly number[], size: number): number => steps.findIndex((s) => size <= s + 1e-9);

/** Tolerance of a grade at a size, µm. */
export function tolerance(grade: number, sizeMm: number): number {
  return toleranceGrades[grade]![stepOf(sizeSteps, sizeMm)]!;
}

/**
 * The zone of a hole or shaft code such as "H7" or "k6".
 * @param code letters and grade; upper case for a hole, lower for a shaft
 * @throws ReckonError `unknown-tolerance` naming `field`
 */
export function zoneOf(code: string, sizeMm: number, field: 'hole' | 'shaft'): Zone {
  const read = /^\s*([a-z]{1,2})\s*(\d{1,2})\s*$/i.exec(code);
  const letters = read?.[1] ?? '';
  const grade = Number(read?.[2]);
  const right = field === 'hole' ? letters === letters.toUpperCase() : letters === letters.toLowerCase();
  const bad = (why: string): ReckonError =>
    new ReckonError(
      'unknown-tolerance',
      field,
      code,
      field === 'hole'
        ? `a hole such as H7: ${LETTERS.toUpperCase().replace(/ TO /g, ' to ')}, grades 5 to 11`
        : `a shaft such as k6: ${LETTERS}, grades 5 to 11`,
      `${field}: "${code}" ${why}`,
    );
  if (!read) throw bad('is not a letter and a grade');
  if (!right)
    throw bad(
      field === 'hole' ? 'is a shaft: holes are written in capitals' : 'is a hole: shafts are written in small letters',
    );
  if (!(grade >= 5 && grade <= 11)) throw bad('has a grade outside 5 to 11');
  const zone = field === 'hole' ? holeZone(letters.toLowerCase(), grade, sizeMm) : shaftZone(letters, grade, sizeMm);
  if (!zone) throw bad('is not in the tables');
  return zone;
}

function shaftZone(letter: string, grade: number, size: number): Zone | undefined {
  const it = tolerance(grade, size);
  const i = stepOf(sizeSteps, size);
  const up = (ei: number, unusual = false): Zone => ({ lower: ei, upper: ei + it, unusual });
  if (letter === 'js') return { lower: -it / 2, upper: it / 2, unusual: false };
  if (letter === 'j') {
    const ei = grade === 8 && i === 0 ? J8_SHAFT_TO_3 : jShafts[grade]?.[i];
    return ei === undefined ? undefined : up(ei);
  }
  if (letter in clearanceDeviations) {
    const es = -clearanceDeviations[letter as keyof typeof clearanceDeviations][i]!;
    return { lower: es - it, upper: es, unusual: false };
  }
  if (letter === 'k') return up(grade <= 7 ? interferenceDeviations.k[i]! : 0);
  if (letter in interferenceDeviations)
    return up(interferenceDeviations[letter as keyof typeof interferenceDeviations][i]!);
  if (letter in fineDeviations)
    return up(fineDeviations[letter as keyof typeof fineDeviations][stepOf(fineSteps, size)]!);
  return undefined;
}

/** Holes mirror the shaft of the same letter; K to S of the finer grades are shifted by Δ = ITn − IT(n−1) above 3 mm. */
function holeZone(letter: string, grade: number, size: number): Zone | undefined {
  const it = tolerance(grade, size);
  const i = stepOf(sizeSteps, size);
  const down = (es: number, unusual = false): Zone => ({ lower: es - it, upper: es, unusual });
  if (letter === 'js') return { lower: -it / 2, upper: it / 2, unusual: false };
  if (letter === 'j') {
    const es = jHoles[grade]?.[i];
    return es === undefined ? undefined : down(es);
  }
  if (letter in clearanceDeviations) {
    const ei = clearanceDeviations[letter as keyof typeof clearanceDeviations][i]!;
    return { lower: ei, upper: ei + it, unusual: false };
  }
  const delta = i === 0 ? 0 : it - tolerance(grade - 1, size);
  if (letter === 'k') return grade <= 8 ? down(-interferenceDeviations.k[i]! + delta) : down(0, i > 0);
  if (letter === 'm') {
    // The standard's own exception: M6 over 250 to 315 mm is −9, not −11.
    if (grade === 6 && sizeSteps[i] === 315) return down(-9);
    return down(-interferenceDeviations.m[i]! + (grade <= 8 ? delta : 0));
  }
  if (letter === 'n') return grade <= 8 ? down(-interferenceDeviations.n[i]! + delta) : down(i === 0 ? -4 : 0);
  if (letter === 'p') return down(-interferenceDeviations.p[i]! + (grade <= 7 ? delta : 0));
  if (letter in fineDeviations)
    return down(
      -fineDeviations[letter as keyof typeof fineDeviations][stepOf(fineSteps, size)]! + (grade <= 7 ? delta : 0),
    );
  return undefined;
}
