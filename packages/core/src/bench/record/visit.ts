import { formatQuantity, inCanonical, type Band, type Quantity } from '../../quantities/index.ts';
import type { FollowUp, Sheet } from '../../sheet/index.ts';
import { END_TITLES } from '../ends/words.ts';
import { stageOf, type JobStage } from '../ladder/moves.ts';
import { lowerFirst } from '../ladder/words.ts';
import type { BenchState } from '../log/state.ts';
import { placesRead, standsAt } from '../measuring/places.ts';
import { buildRecord } from './record.ts';

export interface PastVisit {
  readonly jobId: string;
  readonly number: number;
  readonly booked: string;
  readonly complaint: string;
  readonly stage: JobStage;
  /** Findings and settings of that visit in short sentences. */
  readonly outcome: readonly string[];
  /** Why it failed then, as far as it was found. */
  readonly causes: readonly string[];
  /** What was fitted new, and the methods chosen. */
  readonly fitted: readonly string[];
  readonly methods: readonly string[];
  readonly deferrals: readonly {
    readonly part: string;
    readonly title: string;
    readonly words: string;
    readonly again?: string;
  }[];
  /** Parts that were judged and not left for later: a deferral of before is settled by it. */
  readonly judged: readonly string[];
  readonly figures: readonly VisitFigure[];
  /** When it left, once it has. */
  readonly left: string | null;
  /** What its sheet says is to be looked at again, once it has left. */
  readonly lookAgain: readonly string[];
  /** And what is due after so much running, so far or so long. */
  readonly followUps: readonly FollowUp[];
  /** The visit before it that it came back from. */
  readonly cameFrom: number | null;
}
/** A figure of a visit that can be held against those of other visits. */
export interface VisitFigure {
  readonly id: string;
  readonly title: string;
  readonly moment: 'as-found' | 'now';
  readonly value: Quantity;
  readonly low?: Quantity;
  readonly high?: Quantity;
}

/** The ends of a band that are limits: of "at least" the lower; "at most" begins at nothing. */
const ends = (band: Band): { readonly low: Quantity; readonly high?: Quantity } =>
  band.only === 'at least' ? { low: band.low } : { low: band.low, high: band.high };

/** Tests and settings as found and now, and the worst reading of each measure: what is drawn over the visits. */
export function visitFigures(sheet: Sheet, state: BenchState): VisitFigure[] {
  const out: VisitFigure[] = [];
  for (const t of Object.values(sheet.tests))
    for (const moment of ['as-found', 'now'] as const) {
      const read = state.readings.findLast((r) => r.subject === 'test' && r.id === t.id && r.moment === moment);
      if (read) out.push({ id: t.id, title: t.title, moment, value: read.value, ...ends(t.accept) });
    }
  for (const s of Object.values(sheet.settings)) {
    const found = state.readings.find((r) => r.subject === 'setting' && r.id === s.id && r.moment === 'as-found');
    const limits = ends(s.band);
    if (found) out.push({ id: s.id, title: s.title, moment: 'as-found', value: found.value, ...limits });
    const set = state.settings[s.id]?.confirmed;
    if (set) out.push({ id: s.id, title: s.title, moment: 'now', value: set.value, ...limits });
  }
  for (const m of Object.values(sheet.measures)) {
    const means = placesRead(m, state).map((p) => standsAt(p).mean);
    const canonicalOf = (q: Quantity): number => inCanonical(q, m.dimension);
    const [worst] = means.sort((a, b) =>
      m.max === undefined ? canonicalOf(a) - canonicalOf(b) : canonicalOf(b) - canonicalOf(a),
    );
    if (worst)
      out.push({
        id: m.id,
        title: m.title,
        moment: 'as-found',
        value: worst,
        ...(m.min ? { low: m.min } : {}),
        ...(m.max ? { high: m.max } : {}),
      });
  }
  return out;
}

/** What a visit says of the unit, from its log. */
export function visitOf(sheet: Sheet, state: BenchState): PastVisit {
  const { booked } = state;
  if (!booked) throw new Error(`job ${state.job} was never booked`);
  const record = buildRecord(sheet, state);
  const judged = record.findings
    .filter((f) => f.finding !== 'reuse')
    .map((f) => `${f.title}: ${f.finding}, ${lowerFirst(f.reason)}`);
  const set = record.comparisons.map((c) => {
    const from = c.asFound ? formatQuantity(c.asFound.value) : 'not read';
    return c.now
      ? `${c.title}: ${from} as found, ${formatQuantity(c.now.value)} after`
      : `${c.title}: ${from} as found`;
  });
  return {
    jobId: state.job,
    number: booked.number,
    booked: booked.at,
    complaint: booked.complaint,
    stage: stageOf(sheet, state),
    outcome: [...(state.end ? [`${END_TITLES[state.end.how]}: ${state.end.reason}`] : []), ...judged, ...set].slice(
      0,
      4,
    ),
    causes: record.desk.causes.map((c) => c.title),
    fitted: record.renewed.map((r) => (r.count > 1 ? `${r.count} × ${r.title}` : r.title)),
    methods: record.methods.map((m) => m.choice),
    deferrals: Object.values(state.deferrals).map(({ part, title, words, again }) => ({
      part,
      title,
      words,
      ...(again === undefined ? {} : { again }),
    })),
    judged: record.findings.filter((f) => f.finding !== 'watch').map((f) => f.part),
    figures: visitFigures(sheet, state),
    left: state.handedOver?.at ?? null,
    lookAgain: state.handedOver ? (sheet.handOver?.lookAgain ?? []) : [],
    followUps: state.handedOver ? (sheet.handOver?.followUps ?? []) : [],
    cameFrom: booked.cameFrom?.number ?? null,
  };
}
