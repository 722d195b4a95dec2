import { formatBand } from '../../quantities/index.ts';
import type { FigureSource, Sheet } from '../../sheet/index.ts';
import type { BenchState, Stamp } from '../log/state.ts';

/** What the record says of taking apart, keeping and waiting. */
export interface StripRecord {
  readonly opened?: { readonly answer: string; readonly signs: readonly string[]; readonly why?: string };
  readonly identified: readonly ({ readonly ask: string; readonly answer: string; readonly means: string } & Stamp)[];
  readonly looks: readonly ({
    readonly title: string;
    readonly moment: string;
    readonly found: string;
    readonly verdict: string;
  } & Stamp)[];
  readonly leads: readonly {
    readonly title: string;
    readonly where: string;
    readonly parted: Stamp;
    readonly reconnected?: Stamp;
  }[];
  readonly stacks: readonly {
    readonly title: string;
    readonly from: string;
    readonly asFound?: readonly string[];
    readonly built?: readonly string[];
    readonly asSheet: boolean;
    readonly reason?: string;
  }[];
  readonly counted: readonly ({
    readonly title: string;
    readonly count: number;
    readonly expected: number | null;
    readonly reason?: string;
  } & Stamp)[];
  readonly waits: readonly {
    readonly title: string;
    readonly minutes: number;
    readonly from: Stamp;
    readonly until?: Stamp;
    /** Why it was cut short. */
    readonly early: string | null;
  }[];
  readonly notes: readonly ({ readonly text: string; readonly about: string; readonly step: string | null } & Stamp)[];
  readonly photos: readonly ({ readonly photo: string; readonly caption: string; readonly sha256: string } & Stamp)[];
  readonly parked: readonly ({
    readonly to: string;
    readonly differences: readonly string[];
    readonly reason?: string;
  } & Stamp)[];
  /** Figures that are nobody's page: hearsay, computed, a guess, or a unit that someone said. */
  readonly weakFigures: readonly { readonly what: string; readonly figure: string; readonly whose: string }[];
}

const stampOf = (s: Stamp): Stamp => ({ seq: s.seq, at: s.at, by: s.by });
const opt = <K extends string, V>(key: K, value: V | undefined): { readonly [P in K]?: V } =>
  (value === undefined ? {} : { [key]: value }) as { readonly [P in K]?: V };

export function stripRecord(sheet: Sheet, state: BenchState): StripRecord {
  const part = (id: string): string => sheet.parts[id]?.title ?? id;
  const layers = (stack: string, order: readonly number[] | undefined): readonly string[] | undefined =>
    order?.map((n) => sheet.stacks[stack]?.layers[n]?.title ?? String(n));
  return {
    ...opt('opened', state.booked?.opened),
    identified: state.identified.map((i) => ({
      ask: i.ask,
      answer: i.answer,
      means:
        i.order ??
        i.says ??
        i.variants.map((v) => sheet.variants.find((known) => known.id === v)?.title ?? v).join(' or '),
      ...stampOf(i),
    })),
    looks: state.looks.map((l) => ({
      title: sheet.looks[l.look]?.title ?? l.look,
      moment: l.moment,
      found: l.title,
      verdict: l.verdict,
      ...stampOf(l),
    })),
    leads: Object.entries(state.leads).map(([id, l]) => ({
      title: sheet.leads[id]?.title ?? id,
      where: sheet.leads[id]?.where ?? '',
      parted: l.parted,
      ...opt('reconnected', l.reconnected),
    })),
    stacks: Object.entries(state.stacks).map(([id, s]) => ({
      title: sheet.stacks[id]?.title ?? id,
      from: sheet.stacks[id]?.from ?? '',
      ...opt('asFound', layers(id, s.found?.order)),
      ...opt('built', layers(id, s.built?.order)),
      asSheet: s.built?.asSheet ?? s.found?.asSheet ?? true,
      ...opt('reason', s.built?.reason),
    })),
    counted: state.counted.map((c) => ({
      title: part(c.part),
      count: c.count,
      expected: c.expected,
      ...opt('reason', c.reason),
      ...stampOf(c),
    })),
    waits: Object.values(state.timers).map((t) => ({
      title: t.title,
      minutes: t.minutes,
      from: stampOf(t),
      ...opt('until', t.ended && stampOf(t.ended)),
      early: t.ended?.early ?? null,
    })),
    notes: state.notes.map((n) => ({ text: n.text, about: n.about, step: n.step, ...stampOf(n) })),
    photos: state.photos.map((p) => ({ photo: p.photo, caption: p.caption, sha256: p.sha256, ...stampOf(p) })),
    parked: state.resumed.map((r) => ({
      to: r.to,
      differences: r.counts
        .filter((c) => c.found !== c.expected)
        .map((c) => `${part(c.part)}: ${c.found} of ${c.expected}`),
      ...opt('reason', r.reason),
      ...stampOf(r),
    })),
    weakFigures: weakFigures(sheet, state),
  };
}

const WEAK: ReadonlySet<FigureSource['kind']> = new Set(['hearsay', 'computed', 'guess']);

function weakFigures(sheet: Sheet, state: BenchState): StripRecord['weakFigures'] {
  const out: { what: string; figure: string; whose: string }[] = [];
  for (const joint of Object.values(sheet.joints)) {
    const figure = joint.stages.map((s) => `${s.to.value} ${s.to.unit}`).join(', ');
    const said = state.units[joint.id];
    if (said) out.push({ what: joint.title, figure, whose: `the sheet gave no unit: ${said.unit}, ${said.reason}` });
    else if (joint.from && WEAK.has(joint.from.kind)) out.push({ what: joint.title, figure, whose: joint.from.kind });
  }
  for (const s of Object.values(sheet.settings))
    if (s.from && WEAK.has(s.from.kind))
      out.push({
        what: s.title,
        figure: s.band.only ? formatBand(s.band) : `${s.band.low.value} to ${s.band.high.value} ${s.band.low.unit}`,
        whose: s.from.kind,
      });
  return out;
}
