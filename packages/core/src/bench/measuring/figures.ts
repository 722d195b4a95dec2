import { canonical, canonicalUnit, inCanonical, type Quantity } from '../../quantities/index.ts';
import {
  boreReadings,
  gravest,
  insulation,
  judge,
  phaseBalance,
  platePack,
  springCheck,
  type Verdict,
  type WorkingLine,
} from '../../reckoners/index.ts';
import type { Measure, Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { placesLeft, placesRead, standsAt } from './places.ts';

/** A figure derived from all the readings of a measure together. */
export interface MeasureFigure {
  readonly name: string;
  readonly value: Quantity;
  readonly uncertainty?: Quantity;
  /** What it is held against. */
  readonly low?: Quantity;
  readonly high?: Quantity;
  readonly verdict: Verdict | null;
  readonly working: readonly WorkingLine[];
  /** The calculation it comes from, and what went into it. */
  readonly reckoner?: { readonly id: string; readonly inputs: Readonly<Record<string, unknown>> };
}
/** What a measure says once every place is read: its figures, and the gravest of all verdicts. */
export interface MeasureOutcome {
  readonly verdict: Verdict;
  readonly figures: readonly MeasureFigure[];
}

type Held = Pick<MeasureFigure, 'name' | 'value' | 'low' | 'high'> & { readonly u: number };

/** Two readings of one gauge: their difference is less sure than either (GUM 5.1.2, independent). */
const OF_A_DIFFERENCE = Math.SQRT2;

/**
 * The figures of a measure and its verdict; undefined while a place is still to be read. Each figure is held against its
 * limit with the guard that its own uncertainty makes (ISO 14253-1); a figure of two readings is less sure than one.
 */
export function measureOutcome(sheet: Sheet, state: BenchState, id: string): MeasureOutcome | undefined {
  const measure = sheet.measures[id];
  if (!measure || placesLeft(measure, state).length > 0) return undefined;
  const figures = figuresOf(sheet, measure, state);
  const each = placesRead(measure, state).flatMap((p) => p.newest.result?.verdict ?? []);
  return { verdict: gravest([...each, ...figures.flatMap((f) => f.verdict ?? [])]), figures };
}

/** Readings that stand, in the canonical unit of the measure, and the largest uncertainty among them. */
function standing(measure: Measure, state: BenchState): { values: number[]; u: number } {
  const places = placesRead(measure, state).map(standsAt);
  const canonicalOf = (q: Quantity): number => inCanonical(q, measure.dimension);
  const zero = canonicalOf({ value: 0, unit: places[0]!.mean.unit });
  return {
    values: places.map((p) => canonicalOf(p.mean)),
    u: Math.max(...places.map((p) => canonicalOf(p.uncertainty) - zero), 0),
  };
}

function figuresOf(sheet: Sheet, measure: Measure, state: BenchState): readonly MeasureFigure[] {
  const { values, u } = standing(measure, state);
  const q = (value: number): Quantity => canonical(value, measure.dimension);
  const list = values.map(q);
  const { derived } = measure;
  const difference = (name: string, value: number, high: Quantity | undefined): Held => ({
    name,
    value: q(value),
    high,
    u: u * OF_A_DIFFERENCE,
  });
  switch (measure.shape) {
    case 'bore': {
      const pairs = list.reduce<Quantity[][]>(
        (out, r, i) => (i % 2 ? [...out.slice(0, -1), [out.at(-1)![0]!, r]] : [...out, [r]]),
        [],
      );
      const other = derived.clearance && sheet.measures[derived.clearance.of];
      const shaft = other && placesLeft(other, state).length === 0 ? standing(other, state) : undefined;
      const inputs = {
        bore: pairs,
        ...(shaft ? { shaft: shaft.values.map(q) } : {}),
        ...(u > 0 ? { gaugeUncertainty: q(u) } : {}),
      };
      const { results, working } = boreReadings.reckon(inputs);
      const reckoner = { id: boreReadings.id, inputs };
      const room = derived.clearance?.band;
      const clearance = (name: string, value: Quantity | undefined): Held[] =>
        value && shaft ? [{ name, value, low: room?.low, high: room?.high, u: Math.hypot(u, shaft.u) }] : [];
      return [
        difference('Out of round', results.outOfRound.value, derived.outOfRound),
        difference('Taper', results.taper.value, derived.taper),
        ...clearance('Least clearance', results.clearanceMin),
        ...clearance('Most clearance', results.clearanceMax),
      ].map((held) => hold(measure, held, working, reckoner));
    }
    case 'round':
      return [
        hold(
          measure,
          difference('Out of round', Math.max(...values) - Math.min(...values), derived.outOfRound),
          spreadWorking('Out of round', values, q),
        ),
      ];
    case 'phases': {
      const high = derived.spread ?? canonical(2, 'percent');
      const inputs = { readings: list, balancedWithin: high };
      const { results, working } = phaseBalance.reckon(inputs);
      const mean = values.reduce((a, b) => a + b, 0) / values.length;
      const uPercent = mean > 0 ? ((u * OF_A_DIFFERENCE) / mean) * 100 : 0;
      const verdict = judge(results.spread.value, uPercent, { upper: inCanonical(high, 'percent') });
      return [
        {
          name: 'Spread of the phases',
          value: results.spread,
          ...sure(uPercent, 'percent'),
          high,
          verdict,
          working,
          reckoner: { id: phaseBalance.id, inputs },
        },
      ];
    }
    case 'insulation': {
      if (!derived.voltage) return [];
      const inputs = { reading: q(Math.min(...values)), ratedVoltage: derived.voltage };
      const { results, working } = insulation.reckon(inputs);
      const held: Held = { name: 'Insulation', value: inputs.reading, low: results.minimum, u };
      return [hold(measure, held, working, { id: insulation.id, inputs })];
    }
    case 'springs': {
      const inputs = { freeLength: q(Math.min(...values)), limit: measure.min, nominal: measure.newSize };
      const { results, working } = springCheck.reckon(inputs);
      const lost: MeasureFigure[] = results.lost
        ? [
            {
              name: 'Shortest, shorter than new by',
              value: results.lost,
              verdict: null,
              working,
              reckoner: { id: springCheck.id, inputs },
            },
          ]
        : [];
      return [...lost, ...spreadOf(measure, values, u, q)];
    }
    case 'pack': {
      const room = derived.room!;
      const inputs = {
        plates: list.map((t) => ({ kind: 'steel' as const, thicknesses: [t], limit: measure.min })),
        housingDepth: derived.housing,
        target: [room.low, room.high] as const,
        ...(u > 0 ? { gaugeUncertainty: q(u) } : {}),
      };
      const { results, working } = platePack.reckon(inputs);
      const held: Held = {
        name: 'Room in the pack',
        value: results.clearance,
        low: room.low,
        high: room.high,
        u: results.uncertainty?.value ?? 0,
      };
      return [hold(measure, held, working, { id: platePack.id, inputs })];
    }
    default:
      return spreadOf(measure, values, u, q);
  }
}

/** Between the largest and the least, in the measure's own unit or as a share of the mean, where the sheet limits it. */
function spreadOf(
  measure: Measure,
  values: readonly number[],
  u: number,
  q: (value: number) => Quantity,
): readonly MeasureFigure[] {
  const high = measure.derived.spread;
  if (!high || values.length < 2) return [];
  const spread = Math.max(...values) - Math.min(...values);
  const working = spreadWorking('Spread', values, q);
  if (high.unit !== canonicalUnit('percent'))
    return [hold(measure, { name: 'Spread', value: q(spread), high, u: u * OF_A_DIFFERENCE }, working)];
  const mean = Math.abs(values.reduce((a, b) => a + b, 0) / values.length) || 1;
  const [share, uShare] = [(spread / mean) * 100, ((u * OF_A_DIFFERENCE) / mean) * 100];
  return [
    {
      name: 'Spread',
      value: canonical(share, 'percent'),
      ...sure(uShare, 'percent'),
      high,
      verdict: judge(share, uShare, { upper: high.value }),
      working,
    },
  ];
}

function spreadWorking(name: string, values: readonly number[], q: (value: number) => Quantity): WorkingLine[] {
  const [most, least] = [Math.max(...values), Math.min(...values)];
  return [{ name, formula: 'largest − least', figures: `${most} − ${least}`, value: q(most - least) }];
}

const sure = (u: number, dimension: 'percent'): Pick<MeasureFigure, 'uncertainty'> =>
  u > 0 ? { uncertainty: canonical(u, dimension) } : {};

function hold(
  measure: Measure,
  { u, ...held }: Held,
  working: readonly WorkingLine[],
  reckoner?: MeasureFigure['reckoner'],
): MeasureFigure {
  const canonicalOf = (limit: Quantity | undefined): number | undefined =>
    limit && inCanonical(limit, measure.dimension);
  const limits = { lower: canonicalOf(held.low), upper: canonicalOf(held.high) };
  const limited = limits.lower !== undefined || limits.upper !== undefined;
  return {
    ...held,
    ...(u > 0 ? { uncertainty: canonical(u, measure.dimension) } : {}),
    verdict: limited ? judge(inCanonical(held.value, measure.dimension), u, limits) : null,
    working,
    ...(reckoner ? { reckoner } : {}),
  };
}
