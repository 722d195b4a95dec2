import type { Sheet } from '../../sheet/index.ts';
import type { MeasureFigure } from '../measuring/figures.ts';
import { measureOutcome } from '../measuring/figures.ts';
import type { BenchState, Stamp } from '../log/state.ts';

/** What the record says of causes, deferrals, derived figures, parts and quotes. */
export interface DeskRecord {
  readonly figures: readonly {
    readonly measure: string;
    readonly figures: readonly Pick<
      MeasureFigure,
      'name' | 'value' | 'uncertainty' | 'low' | 'high' | 'verdict' | 'working'
    >[];
  }[];
  readonly causes: readonly ({
    readonly ask: string;
    readonly title: string;
    readonly evidence: readonly string[];
    readonly note?: string;
  } & Stamp)[];
  readonly deferrals: readonly ({ readonly title: string; readonly words: string; readonly again?: string } & Stamp)[];
  /** Findings that differ from what the sheet and the readings advised. */
  readonly differs: readonly {
    readonly title: string;
    readonly finding: string;
    readonly advised: string;
    readonly reason: string;
  }[];
  readonly parts: readonly {
    readonly number: string;
    readonly title: string;
    readonly count: number;
    readonly supplier: string;
    readonly status: string;
    readonly sentBack: readonly string[];
  }[];
  readonly quotes: readonly ({
    readonly version: number;
    readonly currency: string;
    readonly advised: string;
    readonly answer?: {
      readonly says: string;
      readonly who: string;
      readonly how: string;
      readonly agreedMinor: number;
    } & Stamp;
  } & Stamp)[];
}

const stampOf = (s: Stamp): Stamp => ({ seq: s.seq, at: s.at, by: s.by });
const given = <K extends string, V>(key: K, value: V | undefined): { readonly [P in K]?: V } =>
  (value === undefined ? {} : { [key]: value }) as { readonly [P in K]?: V };

export function deskRecord(sheet: Sheet, state: BenchState): DeskRecord {
  return {
    figures: Object.values(sheet.measures).flatMap((m) => {
      const outcome = measureOutcome(sheet, state, m.id);
      if (!outcome || outcome.figures.length === 0) return [];
      return [
        {
          measure: m.title,
          figures: outcome.figures.map((f) => ({
            name: f.name,
            value: f.value,
            ...given('uncertainty', f.uncertainty),
            ...given('low', f.low),
            ...given('high', f.high),
            verdict: f.verdict,
            working: f.working,
          })),
        },
      ];
    }),
    causes: Object.values(state.causes).map((c) => ({
      ask: c.ask,
      title: c.title,
      evidence: c.evidence,
      ...given('note', c.note),
      ...stampOf(c),
    })),
    deferrals: Object.values(state.deferrals).map((d) => ({
      title: d.title,
      words: d.words,
      ...given('again', d.again),
      ...stampOf(d),
    })),
    differs: Object.values(state.findingNotes).flatMap((f) =>
      f.advised == null || f.advised === f.finding
        ? []
        : [{ title: sheet.parts[f.part]?.title ?? f.part, finding: f.finding, advised: f.advised, reason: f.reason }],
    ),
    parts: Object.values(state.partLines).map((l) => ({
      number: l.number,
      title: l.title,
      count: l.count,
      supplier: l.supplier,
      status: l.status,
      sentBack: l.sentBack.map((s) => s.why),
    })),
    quotes: state.quotes.map((q) => ({
      version: q.version,
      currency: q.currency,
      advised: q.options.find((o) => o.id === q.advised)?.title ?? q.advised,
      ...given(
        'answer',
        q.answer && {
          says: q.answer.answer,
          who: q.answer.who,
          how: q.answer.how,
          agreedMinor: q.answer.agreedMinor,
          ...stampOf(q.answer),
        },
      ),
      ...stampOf(q),
    })),
  };
}
