import { lowerFirst } from '../ladder/words.ts';
import { formatQuantity, formatReading } from '../../quantities/index.ts';
import type { Finding, Measure, Sheet } from '../../sheet/index.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import type { BenchState } from '../log/state.ts';
import { measureOutcome } from '../measuring/figures.ts';
import { placesRead, standsAt } from '../measuring/places.ts';

/** What the sheet and the readings say of a part, before the mechanic's word. */
export interface FindingAdvice {
  /** Undefined while nothing speaks for one finding: the hand decides. */
  readonly finding?: Finding;
  /** Why, each in a few words, what counts most first. */
  readonly says: readonly string[];
  /** Measures that are too near their limit to tell. */
  readonly undecided: readonly string[];
}

const GRAVE: Readonly<Record<Finding, number>> = { reuse: 0, watch: 1, dress: 2, renew: 3, scrap: 4 };

/**
 * What is advised for a part: always new by the sheet; outside by a reading or a look; renewed with the set that it
 * belongs to; else used again when every reading is within. Undecided readings advise nothing and are named.
 */
export function adviseFinding(sheet: Sheet, state: BenchState, part: string): FindingAdvice {
  const known = sheet.parts[part];
  if (!known) return { says: [], undecided: [] };
  const speaks: { finding: Finding; says: string }[] = [];
  const undecided: string[] = [];
  if (known.renew === 'always') speaks.push({ finding: 'renew', says: 'Always new' });
  for (const measure of Object.values(sheet.measures)) {
    if (measure.part !== part) continue;
    const outcome = measureOutcome(sheet, state, measure.id);
    if (!outcome) continue;
    const says = readingWords(measure, state);
    if (outcome.verdict === 'outside') speaks.push({ finding: offered(measure.outsideOffers), says });
    else if (outcome.verdict === 'undecided') undecided.push(measure.id);
    else speaks.push({ finding: 'reuse', says });
    const figures = outcome.figures.filter((f) => f.verdict === 'outside');
    for (const f of figures) speaks.push({ finding: 'renew', says: `${f.name} ${formatQuantity(f.value)}, outside` });
    const op = placesRead(measure, state)[0]?.newest.op;
    const answer = op === undefined ? undefined : state.answers[op];
    if (measure.groove && answer?.answer === 'yes')
      speaks.push({ finding: known.stays ? 'watch' : 'reuse', says: measure.groove.yes });
  }
  for (const look of Object.values(sheet.looks)) {
    if (look.part !== part) continue;
    const seen = state.looks.findLast((l) => l.look === look.id);
    if (seen?.verdict === 'bad') speaks.push({ finding: 'renew', says: `${look.title}: ${lowerFirst(seen.title)}` });
    if (seen?.verdict === 'good') speaks.push({ finding: 'reuse', says: `${look.title}: ${lowerFirst(seen.title)}` });
    if (seen?.verdict === 'unsure') speaks.push({ finding: 'watch', says: `${look.title}: ${lowerFirst(seen.title)}` });
  }
  for (const set of sheet.sets) {
    if (!set.parts.includes(part)) continue;
    const other = set.parts.find((p) => p !== part && goesBackNew(sheet, state, p));
    if (other !== undefined)
      speaks.push({
        finding: 'renew',
        says: `${set.title}: renewed as a set, with the ${lowerFirst(sheet.parts[other]?.title ?? other)}`,
      });
  }
  speaks.sort((a, b) => GRAVE[b.finding] - GRAVE[a.finding]);
  const finding =
    undecided.length > 0 && (speaks[0] === undefined || GRAVE[speaks[0].finding] < GRAVE.renew)
      ? undefined
      : speaks[0]?.finding;
  return { ...(finding === undefined ? {} : { finding }), says: speaks.map((s) => s.says), undecided };
}

/** The reading nearest to being worn out, in words: "59.86 mm at 60°, at least 59.90 mm". */
export function readingWords(measure: Measure, state: BenchState): string {
  const places = placesRead(measure, state);
  const worst =
    places.find((p) => p.newest.result?.verdict === 'outside') ??
    places.find((p) => p.newest.result?.verdict === 'undecided') ??
    extreme(measure, places);
  if (!worst) return measure.title;
  const limit = [
    measure.min ? `at least ${formatQuantity(measure.min)}` : '',
    measure.max ? `at most ${formatQuantity(measure.max)}` : '',
  ].filter(Boolean);
  const where = measure.at.length > 1 ? ` at ${worst.where}` : '';
  return [`${measure.title}: ${formatReading(standsAt(worst).mean)}${where}`, ...limit].join(', ');
}

function extreme(
  measure: Measure,
  places: ReturnType<typeof placesRead>,
): ReturnType<typeof placesRead>[number] | undefined {
  const sign = measure.max === undefined ? 1 : -1;
  return [...places].sort((a, b) => sign * (standsAt(a).mean.value - standsAt(b).mean.value))[0];
}

/** The first of what the sheet offers that is a finding; renewing, when it offers only ways of its own. */
const offered = (offers: readonly string[]): Finding =>
  offers.includes('dress') && !offers.includes('renew') ? 'dress' : offers[0] === 'dress' ? 'dress' : 'renew';
