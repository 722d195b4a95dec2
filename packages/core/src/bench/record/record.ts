import { currentSheet, scopeTitle, type Finding, type FigureSource, type Sheet } from '../../sheet/index.ts';
import type { WorkingLine } from '../../reckoners/index.ts';
import type { Band, Quantity } from '../../quantities/index.ts';
import type { EventPayloads } from '../log/events.ts';
import { fluidLedger, type LedgerLine } from '../doing/ledger.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { deskRecord, type DeskRecord } from './desk-record.ts';
import { proveRecord, type ProveRecord } from './prove-record.ts';
import { stripRecord, type StripRecord } from './strip-record.ts';
import { truthRecord, type TruthRecord } from './truth-record.ts';
import { ladderOf } from '../ladder/moves.ts';
import { orderOf } from '../tightening/index.ts';
import type { BenchState, Pull, Reading, Stamp } from '../log/state.ts';

/** A test or setting as it was when the unit came, and as it is now. */
export interface Comparison {
  readonly title: string;
  readonly accept: Band;
  readonly asFound?: Reading;
  readonly now?: { readonly value: Quantity; readonly uncertainty?: Quantity; readonly verdict: string } & Stamp;
}

/** The as-built record: one more fold over the log, with the sheet's words put in. Plain JSON. */
export interface JobRecord {
  readonly number: number;
  readonly unit: { readonly serial: string; readonly model: string; readonly title: string; readonly variant?: string };
  readonly customer: string;
  readonly complaint: string;
  /** The delivery date: records of every form call it so. */
  readonly promise: string | null;
  /** Other days that were agreed on after the first, the newest last. */
  readonly promisesMoved?: readonly ({ readonly promise: string; readonly says: string } & Stamp)[];
  /** How much of the unit the job was about, where it was not all of it; and what was agreed on beyond the booking. */
  readonly scope?: {
    readonly title: string;
    readonly widened: readonly ({ readonly to: string; readonly says: string } & Stamp)[];
  };
  readonly sheet: { readonly id: string; readonly revision: number; readonly title: string };
  readonly booked: Stamp;
  /** The job that it last came from, the head of that job's log, and whole days since it left. */
  readonly cameFrom?: { readonly job: string; readonly number: number; readonly head: string; readonly days: number };
  readonly identified: readonly { readonly ask: string; readonly answer: string }[];
  readonly comparisons: readonly Comparison[];
  readonly measures: readonly {
    readonly title: string;
    readonly newSize?: Quantity;
    readonly min?: Quantity;
    readonly max?: Quantity;
    readonly readings: readonly Reading[];
    readonly answer?: { readonly ask: string; readonly answer: 'yes' | 'no' };
  }[];
  readonly findings: readonly ({
    readonly part: string;
    readonly title: string;
    readonly finding: Finding;
    readonly reason: string;
  } & Stamp)[];
  readonly methods: readonly { readonly ask: string; readonly choice: string; readonly why: string }[];
  readonly renewed: readonly { readonly title: string; readonly order?: string; readonly count: number }[];
  /** Since record form 7: fluids and compounds that went out, in, or were used; left out where there was none. */
  readonly fluids?: readonly LedgerLine[];
  readonly settings: readonly {
    readonly title: string;
    readonly band: Band;
    readonly rounds: readonly {
      readonly pack?: Quantity;
      readonly pieces: readonly Quantity[];
      readonly readings: readonly Reading[];
      /** What was moved before these readings. */
      readonly moved?: string;
      readonly mean?: Quantity;
      readonly verdict?: string;
    }[];
    readonly confirmed?: { readonly value: Quantity; readonly uncertainty: Quantity } & Stamp;
    readonly working: readonly WorkingLine[];
  }[];
  readonly joints: readonly {
    readonly title: string;
    readonly thread: string;
    readonly propertyClass?: string;
    readonly from?: FigureSource;
    readonly order: readonly number[];
    readonly stages: readonly {
      readonly name: string;
      readonly window: Band;
      readonly windowAssumed: boolean;
      readonly pulls: readonly Pull[];
    }[];
    /** Pulls that did not count: too low, or too high and answered. */
    readonly setAside: readonly Pull[];
  }[];
  readonly aids: readonly {
    readonly title: string;
    readonly where: string;
    readonly fitted: Stamp;
    readonly removed?: Stamp;
  }[];
  readonly marks: readonly { readonly title: string; readonly where: string; readonly aligned: boolean }[];
  readonly holds: readonly {
    readonly why: string;
    readonly note: string;
    readonly from: Stamp;
    readonly until?: Stamp;
  }[];
  readonly rungs: readonly ({ readonly side: string; readonly title: string } & Partial<Stamp>)[];
  readonly signed?: Stamp;
  readonly handedOver?: Stamp & { readonly to: string };
  /** Since record form 2: what the strip side, the shelf and the waits left in the log. */
  readonly strip: StripRecord;
  /** Since record form 3: causes, deferrals, derived figures, parts and quotes. */
  readonly desk: DeskRecord;
  /** Since record form 4: what the stands said, ways back, who looked it over, what to do next. */
  readonly proving: ProveRecord;
  /** Since record form 6: what was bad and what became of it, and what was put right. */
  readonly truth: TruthRecord;
}

/** What the job was about as it ended, and each time that more was agreed on. */
function scopeOf(sheet: Sheet, state: BenchState): NonNullable<JobRecord['scope']> {
  return {
    title: scopeTitle(sheet, state.scope),
    widened: state.widened.map(({ scope, says, seq, at, by }) => ({ to: scopeTitle(sheet, scope), says, seq, at, by })),
  };
}

/** Builds the record of a booked job. @throws Error when the job is not booked */
export function buildRecord(pinned: Sheet, state: BenchState): JobRecord {
  const sheet = jobSheet(currentSheet(pinned), state);
  const booked = state.booked;
  if (!booked) throw new Error('a job that is not booked has no record');
  const now = ladderOf(sheet, state);
  const fluids = fluidLedger(sheet, state);
  return {
    number: booked.number,
    unit: {
      serial: booked.unit.serial,
      model: booked.unit.model,
      title: sheet.title,
      variant: sheet.variants.find((v) => v.id === state.variant)?.title,
    },
    customer: booked.customer.name,
    complaint: booked.complaint,
    promise: booked.deliveryDate,
    ...(state.deliveryDates.length > 0
      ? { promisesMoved: state.deliveryDates.map(({ deliveryDate: promise, ...m }) => ({ promise, ...m })) }
      : {}),
    ...(booked.scope === undefined ? {} : { scope: scopeOf(sheet, state) }),
    sheet: { id: sheet.id, revision: sheet.revision, title: sheet.title },
    booked: { seq: booked.seq, at: booked.at, by: booked.by },
    ...(booked.cameFrom ? { cameFrom: cameFromOf(booked.cameFrom, booked.at) } : {}),
    identified: booked.identified,
    comparisons: comparisons(sheet, state),
    measures: Object.values(sheet.measures)
      .map((m) => {
        const readings = state.readings.filter((r) => r.subject === 'measure' && r.id === m.id);
        const op = readings[0]?.op;
        const answer = op === undefined ? undefined : state.answers[op];
        return {
          title: m.title,
          newSize: m.newSize,
          min: m.min,
          max: m.max,
          readings: latestPerPlace(readings),
          answer: answer && { ask: answer.ask, answer: answer.answer },
        };
      })
      .filter((m) => m.readings.length > 0),
    findings: Object.values(state.findingNotes).map((f) => ({
      part: f.part,
      title: sheet.parts[f.part]?.title ?? f.part,
      finding: f.finding,
      reason: f.reason,
      seq: f.seq,
      at: f.at,
      by: f.by,
    })),
    methods: Object.entries(state.methods).map(([id, choice]) => {
      const method = sheet.methods[id];
      const chosen = method?.choices.find((c) => c.id === choice);
      return { ask: method?.ask ?? id, choice: chosen?.title ?? choice, why: chosen?.why ?? '' };
    }),
    renewed: Object.entries(state.renewed).map(([id, r]) => renewedLine(sheet, id, r.count)),
    ...(fluids.length > 0 ? { fluids } : {}),
    settings: Object.entries(state.settings).map(([id, s]) => {
      const setting = sheet.settings[id]!;
      const lastFitted = s.rounds.findLast((r) => r.fitted)?.fitted;
      return {
        title: setting.title,
        band: setting.band,
        rounds: s.rounds.map((r) => ({
          pack: r.fitted?.pack ?? setting.shims?.trial,
          pieces: r.fitted?.pieces ?? [],
          readings: r.readings,
          ...(r.adjusted ? { moved: r.adjusted.note } : {}),
          mean: r.result?.mean,
          verdict: r.result?.verdict,
        })),
        confirmed: s.confirmed && {
          value: s.confirmed.value,
          uncertainty: s.confirmed.uncertainty,
          seq: s.confirmed.seq,
          at: s.confirmed.at,
          by: s.confirmed.by,
        },
        working: lastFitted?.working ?? s.rounds.at(-1)?.result?.working ?? [],
      };
    }),
    joints: Object.entries(state.joints)
      .filter(([, j]) => j.pulls.length > 0)
      .map(([id, j]) => {
        const joint = sheet.joints[id]!;
        const order = orderOf(joint);
        const counts = (p: Pull): boolean => !p.void && p.verdict === 'within';
        return {
          title: joint.title,
          thread: joint.thread,
          propertyClass: joint.propertyClass,
          from: joint.from,
          order,
          stages: joint.stages.map((stage, i) => ({
            name: stage.name,
            window: stage.window,
            windowAssumed: stage.windowAssumed,
            pulls: order.flatMap((b) => j.pulls.filter((p) => p.stage === i && p.bolt === b && counts(p)).slice(-1)),
          })),
          setAside: j.pulls.filter((p) => !counts(p)),
        };
      }),
    aids: Object.entries(state.aids).map(([id, a]) => ({
      title: sheet.aids[id]?.title ?? id,
      where: sheet.aids[id]?.where ?? '',
      fitted: a.fitted,
      removed: a.removed,
    })),
    marks: Object.entries(state.marks).map(([id, m]) => ({
      title: sheet.marks[id]?.title ?? id,
      where: sheet.marks[id]?.where ?? '',
      aligned: m.aligned !== undefined,
    })),
    holds: state.holds.map((h) => ({
      why: h.why,
      note: h.note,
      from: { seq: h.seq, at: h.at, by: h.by },
      until: h.cleared,
    })),
    rungs: now.all.map((s) => ({ side: s.side, title: s.title, ...state.steps[s.id] })),
    signed: state.signed,
    handedOver: state.handedOver,
    strip: stripRecord(sheet, state),
    desk: deskRecord(sheet, state),
    proving: proveRecord(sheet, state),
    truth: truthRecord(sheet, state),
  };
}

function comparisons(sheet: Sheet, state: BenchState): Comparison[] {
  const tests = Object.values(sheet.tests).map((t): Comparison => {
    const of = (moment: string): Reading | undefined =>
      state.readings.findLast((r) => r.subject === 'test' && r.id === t.id && r.moment === moment);
    const after = of('now');
    return {
      title: t.title,
      accept: t.accept,
      asFound: of('as-found'),
      now: after && {
        value: after.value,
        verdict: after.result?.verdict ?? 'undecided',
        seq: after.seq,
        at: after.at,
        by: after.by,
      },
    };
  });
  const settings = Object.values(sheet.settings).map((s): Comparison => {
    const confirmed = state.settings[s.id]?.confirmed;
    return {
      title: s.title,
      accept: s.band,
      asFound: state.readings.findLast((r) => r.subject === 'setting' && r.id === s.id && r.moment === 'as-found'),
      now: confirmed && {
        value: confirmed.value,
        uncertainty: confirmed.uncertainty,
        verdict: confirmed.verdict,
        seq: confirmed.seq,
        at: confirmed.at,
        by: confirmed.by,
      },
    };
  });
  return [...tests, ...settings].filter((c) => c.asFound !== undefined || c.now !== undefined);
}

function latestPerPlace(readings: readonly Reading[]): readonly Reading[] {
  return [...new Map(readings.map((r) => [r.where, r])).values()];
}

/** A renewed fastener stands under `joint#bolt`. */
function renewedLine(sheet: Sheet, id: string, count: number): { title: string; order?: string; count: number } {
  const [joint, bolt] = id.split('#');
  if (bolt !== undefined) {
    const part = sheet.parts[sheet.joints[joint!]?.fastener ?? ''];
    return { title: `${part?.title ?? joint!}, place ${bolt}`, order: part?.order, count };
  }
  return { title: sheet.parts[id]?.title ?? id, order: sheet.parts[id]?.order, count };
}

const DAY_MS = 86_400_000;
function cameFromOf(
  { job, number, head, handedOver }: NonNullable<EventPayloads['job-booked']['cameFrom']>,
  at: string,
): NonNullable<JobRecord['cameFrom']> {
  return { job, number, head, days: Math.floor((Date.parse(at) - Date.parse(handedOver)) / DAY_MS) };
}
