import { dimensionsOfUnit, inCanonical, type Dimension, type Quantity } from '../../quantities/index.ts';
import { gaugeChoice } from '../../reckoners/index.ts';
import type { Measure } from '../../sheet/index.ts';
import type { ReadingResult } from '../log/facts.ts';

/** What a kind of gauge can read: which dimension, and of a length whether from outside, inside, or both. */
export const gaugeKinds = {
  caliper: { dimension: 'length', reads: 'both' },
  micrometer: { dimension: 'length', reads: 'outside' },
  'bore-gauge': { dimension: 'length', reads: 'inside' },
  'pull-scale': { dimension: 'force', reads: 'both' },
  'ohm-meter': { dimension: 'resistance', reads: 'both' },
  'insulation-tester': { dimension: 'resistance', reads: 'both' },
  'diode-meter': { dimension: 'voltage', reads: 'both' },
} as const satisfies Record<string, { dimension: Dimension; reads: 'inside' | 'outside' | 'both' }>;
export type GaugeKind = keyof typeof gaugeKinds;
export const gaugeKindNames = Object.keys(gaugeKinds) as readonly GaugeKind[] as readonly [GaugeKind, ...GaugeKind[]];

/** What each kind of instrument gives, whatever it is used for. */
const GIVES: Readonly<Record<string, Dimension>> = {
  ...Object.fromEntries(Object.entries(gaugeKinds).map(([kind, g]) => [kind, g.dimension])),
  indicator: 'length',
  thermometer: 'temperature',
  press: 'force',
  'torque-wrench': 'torque',
};

/** Could this kind of instrument have given a figure in such a unit? One of a kind that is not listed could. */
export function couldGive(kind: string | undefined, reading: Quantity): boolean {
  const gives = kind === undefined ? undefined : GIVES[kind];
  return gives === undefined || dimensionsOfUnit(reading.unit).includes(gives);
}

/** An instrument of the shop, as far as choosing among them goes. */
export interface Gauge {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** Expanded, k = 2; unknown for one that was never calibrated. */
  readonly uncertainty: Quantity | null;
}
export interface GaugeAdvice<G extends Gauge> {
  readonly gauge: G;
  /** Tolerance over 2U; undefined when the gauge's uncertainty or the nominal of a one-sided limit is not known. */
  readonly ratio?: number;
  readonly verdict: 'good' | 'usable' | 'too coarse' | 'unknown';
  /** It is the one that the sheet asks for. */
  readonly asked: boolean;
}

const known = (kind: string): kind is GaugeKind => Object.hasOwn(gaugeKinds, kind);
/** "Bore gauge" of a sheet to the kind of instrument that is meant. */
export const kindOfGauge = (words: string): string => words.trim().toLowerCase().replaceAll(' ', '-');

/**
 * Gauges of the shop that can read a measure, the best to take first: the one that the sheet asks for unless it is too
 * coarse, then by how fine they are. Fine enough is reckoned before the first reading (`gauge-choice`).
 */
export function gaugesFor<G extends Gauge>(measure: Measure, gauges: readonly G[]): readonly GaugeAdvice<G>[] {
  const asked = kindOfGauge(measure.gauge);
  const rank = { good: 0, usable: 1, unknown: 2, 'too coarse': 3 } as const;
  return gauges
    .filter((g) => {
      if (!known(g.kind)) return false;
      const kind = gaugeKinds[g.kind];
      const side = measure.inside ? 'inside' : 'outside';
      // A megohm is read by a tester of insulation, a milliohm never is.
      const tester = (measure.shape === 'insulation') === (g.kind === 'insulation-tester');
      return (
        kind.dimension === measure.dimension &&
        (kind.reads === 'both' || kind.reads === side) &&
        (kind.dimension !== 'resistance' || tester)
      );
    })
    .map((gauge) => ({ gauge, ...fineness(measure, gauge.uncertainty), asked: gauge.kind === asked }))
    .sort(
      (a, b) =>
        rank[a.verdict] - rank[b.verdict] || Number(b.asked) - Number(a.asked) || (b.ratio ?? 0) - (a.ratio ?? 0),
    );
}

function fineness(measure: Measure, uncertainty: Quantity | null): Pick<GaugeAdvice<Gauge>, 'ratio' | 'verdict'> {
  const { min, max, newSize } = measure;
  const oneSided = min === undefined || max === undefined;
  if (!uncertainty || uncertainty.value <= 0 || (min === undefined && max === undefined) || (oneSided && !newSize))
    return { verdict: 'unknown' };
  const nominal = oneSided ? inCanonical(newSize!, measure.dimension) : 0;
  const limit = inCanonical((min ?? max)!, measure.dimension);
  // New and worn out at the same size: the sheet leaves no wear, and no gauge is fine enough for that.
  if (oneSided && (min === undefined ? limit <= nominal : limit >= nominal)) return { verdict: 'unknown' };
  const { results } = gaugeChoice.reckon({
    uncertainty,
    lower: min,
    upper: max,
    ...(oneSided ? { nominal: newSize } : {}),
  });
  return { ratio: results.ratio.value, verdict: results.verdict as GaugeAdvice<Gauge>['verdict'] };
}

/** What would turn an undecided reading into an answer. */
export type WouldDecide<G extends Gauge> =
  | { readonly how: 'gauge'; readonly gauge: G }
  /** So many readings with the gauge at hand, while their scatter and not the gauge is what is unsure. */
  | { readonly how: 'repeats'; readonly more: number }
  /** Nothing in the shop: it is judged as if it were outside. */
  | { readonly how: 'nothing' };

/** More repeats than this nobody takes. */
const MOST_REPEATS = 10;

/**
 * What would decide a reading that lies too near its limit: finer gauges whose guard is smaller than the distance to the
 * limit, or more readings if the mean's scatter is what makes it unsure. As it is read now: a new reading may differ.
 */
export function wouldDecide<G extends Gauge>(
  measure: Measure,
  result: ReadingResult,
  repeats: number,
  gaugeAtHand: string | undefined,
  gauges: readonly G[],
): readonly WouldDecide<G>[] {
  if (result.verdict !== 'undecided') return [];
  const canonicalOf = (q: Quantity): number => inCanonical(q, measure.dimension);
  const zero = canonicalOf({ value: 0, unit: result.mean.unit });
  const x = canonicalOf(result.mean);
  const away = Math.min(...[measure.min, measure.max].flatMap((l) => (l ? [Math.abs(x - canonicalOf(l))] : [])));
  const spreadOf = (q: Quantity): number => canonicalOf(q) - canonicalOf({ value: 0, unit: q.unit });
  const out: WouldDecide<G>[] = gaugesFor(measure, gauges)
    .filter((a) => a.gauge.id !== gaugeAtHand && a.gauge.uncertainty && spreadOf(a.gauge.uncertainty) <= away)
    .map((a) => ({ how: 'gauge', gauge: a.gauge }));
  const hand = gauges.find((g) => g.id === gaugeAtHand)?.uncertainty;
  const u = canonicalOf(result.uncertainty) - zero;
  const ug = hand ? spreadOf(hand) : u;
  const scatter = Math.sqrt(Math.max(0, u * u - ug * ug));
  if (repeats > 1 && scatter > 0 && ug < away) {
    // The scatter of the mean falls with √n: n' = n · scatter² / (away² − ug²).
    const needed = Math.ceil((repeats * scatter * scatter) / (away * away - ug * ug));
    if (needed > repeats && needed <= MOST_REPEATS) out.push({ how: 'repeats', more: needed - repeats });
  }
  return out.length > 0 ? out : [{ how: 'nothing' }];
}

/** The kind of instrument that a sheet's words for a gauge mean: "pull scale on the flange". */
export function settingGauge(words: string): 'indicator' | 'pull-scale' | 'micrometer' | 'caliper' | undefined {
  const said = words.toLowerCase();
  if (said.includes('indicator')) return 'indicator';
  if (said.includes('pull scale')) return 'pull-scale';
  if (said.includes('micrometer')) return 'micrometer';
  return said.includes('caliper') || said.includes('depth') ? 'caliper' : undefined;
}
