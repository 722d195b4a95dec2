import { canonical, convert, inCanonical, type Quantity } from '../quantities/index.ts';
import type { Finding, Sheet } from '../sheet/index.ts';
import type { Command, DecideContext } from './commands.ts';
import type { InstrumentFacts, WrenchRig } from './events.ts';
import { nextMove } from './moves.ts';
import { opTitle } from './wording.ts';
import { advisePack } from './packs.ts';
import type { BenchState } from './state.ts';
import { tighteningState, windowOf } from './tightening.ts';
import { jobSheet } from './own.ts';
import { timerOf } from './timers.ts';

/** Figures for a dry run; what is left out is taken from the middle of each band. */
export interface RehearsalFigures {
  /** `measure place`, `setting round`, `test moment` → what the instrument shows. */
  readonly reading?: (what: string) => Quantity | undefined;
  readonly finding?: (part: string) => { finding: Finding; reason: string } | undefined;
  readonly choice?: (method: string) => string | undefined;
  readonly groove?: 'yes' | 'no';
  readonly tray?: (part: string) => string;
  readonly wrench?: { readonly rig: WrenchRig; readonly facts: InstrumentFacts };
  readonly gauge?: (dimension: string) => InstrumentFacts | undefined;
  readonly look?: (look: string, moment: string) => string | undefined;
  readonly identify?: (question: string) => string | undefined;
  /** How many there are of a part that nobody counted. */
  readonly counts?: (part: string) => number | 'later' | undefined;
  /** What is noted as a part comes off. */
  readonly note?: (part: string) => string | undefined;
  /** Why waits are cut short; left out, they are waited for (the one who rehearses moves the clock on). */
  readonly impatience?: string;
}

/**
 * The command that a steady pair of hands would give next: a dry run of a sheet, step by step, with no clock and no
 * chance. Undefined once the job is handed over, or when what is next cannot be settled by rehearsal.
 */
export function rehearse(
  pinned: Sheet,
  state: BenchState,
  context: DecideContext,
  figures: RehearsalFigures = {},
): Command | undefined {
  const sheet = jobSheet(pinned, state);
  const move = nextMove(sheet, state);
  if (move.kind === 'sign-off') return { type: 'sign-off' };
  if (move.kind === 'hand-over') return { type: 'hand-over', to: state.booked?.customer.name ?? 'the customer' };
  if (move.kind === 'closed') return undefined;
  if (move.kind === 'which') {
    const question = sheet.identify.find((q) => figures.identify?.(q.id) !== undefined);
    return question && { type: 'identify', question: question.id, answer: figures.identify!(question.id)! };
  }
  const { op } = move;
  const read = (what: string, otherwise: Quantity, dimension: string): Command => {
    const instrument = figures.gauge?.(dimension);
    return {
      type: 'take-reading',
      op: op.id,
      value: figures.reading?.(what) ?? otherwise,
      how: instrument ? 'instrument' : 'hand',
      ...(instrument ? { instrument } : {}),
    };
  };
  switch (op.kind) {
    case 'off': {
      const unknown = op.parts.filter((p) => !sheet.parts[p.part]!.countKnown);
      const counts = Object.fromEntries(unknown.map((p) => [p.part, figures.counts?.(p.part) ?? 8]));
      const note = figures.note?.(op.parts[0]!.part);
      return {
        type: 'complete',
        op: op.id,
        tray: figures.tray?.(op.parts[0]!.part) ?? 'A1',
        ...(unknown.length > 0 ? { counts } : {}),
        ...(note === undefined ? {} : { note }),
      };
    }
    case 'stack':
    case 'restack':
      return { type: 'order-stack', op: op.id, order: sheet.stacks[op.stack]!.layers.map((_, i) => i) };
    case 'look': {
      const { choices } = sheet.looks[op.look]!;
      const good = choices.find((c) => c.verdict === 'good') ?? choices[0]!;
      return { type: 'look', op: op.id, choice: figures.look?.(op.look, op.moment) ?? good.id };
    }
    case 'identify': {
      const question = sheet.identify.find((q) => q.id === op.question)!;
      const fits = question.choices.find(
        (c) => state.variant === undefined || c.variants.length === 0 || c.variants.includes(state.variant),
      );
      const { band, word } = fits ?? question.choices[0]!;
      const middleOf = (b: { low: Quantity; high: Quantity }): string => {
        const m = middle(b.low, b.high);
        return `${m.value} ${m.unit}`;
      };
      return {
        type: 'identify',
        op: op.id,
        question: question.id,
        answer: figures.identify?.(question.id) ?? (band ? middleOf(band) : word!),
      };
    }
    case 'count': {
      const part = op.part ?? op.what;
      return {
        type: 'count',
        op: op.id,
        count: state.uncounted[part] ? Number(figures.counts?.(part)) || 8 : sheet.parts[part]!.count,
      };
    }
    case 'rework':
      return {
        type: 'complete',
        op: op.id,
        ticks: [...(op.check === undefined ? [] : ['check']), ...(op.clear === undefined ? [] : ['clear'])],
      };
    case 'cure':
    case 'soak':
    case 'rest':
    case 'heat': {
      if (op.minutes !== undefined && !timerOf(state, op.id))
        return { type: 'start-timer', op: op.id, title: opTitle(sheet, op), minutes: op.minutes, kind: op.kind };
      return {
        type: 'complete',
        op: op.id,
        ...(figures.impatience === undefined ? {} : { reason: figures.impatience }),
      };
    }
    case 'inspect':
      return { type: 'complete', op: op.id, answer: 'no' };
    case 'read': {
      if (state.readings.some((r) => r.op === op.id)) return { type: 'complete', op: op.id };
      const s = sheet.settings[op.setting]!;
      return read(`${s.id} as-found`, s.target, s.dimension);
    }
    case 'test': {
      if (state.readings.some((r) => r.op === op.id)) return { type: 'complete', op: op.id };
      const t = sheet.tests[op.test]!;
      return read(`${t.id} ${op.moment}`, middle(t.accept.low, t.accept.high), t.dimension);
    }
    case 'measure': {
      const m = sheet.measures[op.measure]!;
      const where = m.at.find((a) => !state.readings.some((r) => r.op === op.id && r.where === a));
      if (where !== undefined)
        return {
          ...read(`${m.id} ${where}`, m.newSize ?? m.max ?? m.min ?? { value: 1, unit: 'mm' }, m.dimension),
          where,
        } as Command;
      if (m.groove && !state.answers[op.id]) return { type: 'answer', op: op.id, answer: figures.groove ?? 'no' };
      return { type: 'complete', op: op.id };
    }
    case 'judge': {
      const part = op.parts.find((p) => state.findings[p] === undefined);
      if (part === undefined) return { type: 'complete', op: op.id };
      return {
        type: 'judge',
        op: op.id,
        part,
        ...(figures.finding?.(part) ?? { finding: 'reuse' as const, reason: 'As new to eye and finger' }),
      };
    }
    case 'choose':
      return {
        type: 'choose',
        op: op.id,
        choice: figures.choice?.(op.method) ?? sheet.methods[op.method]!.choices[0]!.id,
      };
    case 'set': {
      const s = sheet.settings[op.setting]!;
      const rounds = state.settings[s.id]?.rounds ?? [];
      const last = rounds.at(-1);
      if (!last?.result) return read(`${s.id} round ${Math.max(1, rounds.length)}`, s.target, s.dimension);
      if (last.result.verdict === 'within') return { type: 'complete', op: op.id };
      if (!s.shims) return { type: 'adjust', op: op.id, note: 'Rehearsed' };
      const advice = advisePack(s, state.settings[s.id], context.drawers[s.shims?.drawer ?? ''] ?? []);
      const pieces = advice?.fromDrawer.results.stacks[0]?.pieces;
      return pieces ? { type: 'fit-pack', op: op.id, pieces } : undefined;
    }
    case 'tighten': {
      const joint = sheet.joints[op.joint]!;
      const asked = joint.stages.find((stage) => stage.unitAsked)?.unitAsked;
      if (asked) return { type: 'say-unit', op: op.id, unit: asked[0]!, reason: 'Rehearsed' };
      const t = tighteningState(joint, state);
      if (op.through !== undefined && t.stage > op.through) return { type: 'complete', op: op.id };
      if (t.unanswered)
        return {
          type: 'answer-pull',
          op: op.id,
          bolt: t.unanswered.bolt,
          answer: t.unanswered.advice === 'renew' ? 'renewed' : 'slackened',
        };
      if (t.complete || t.bolt === undefined) return { type: 'complete', op: op.id };
      const window = windowOf(joint, t.stage);
      const turn = window.unit === 'deg';
      // A turn goes on from the torque of the stage before it.
      const torqueWindow = turn ? windowOf(joint, t.stage - 1) : window;
      const rig = figures.wrench?.rig ?? { extensionMm: 0, extensionAngleDeg: 0 };
      const wanted = figures.reading?.(`${joint.id} ${t.stage} ${t.bolt}`);
      const atBolt = wanted ? inCanonical(wanted, 'torque') : (torqueWindow.low + torqueWindow.high) / 2;
      const lever = rig.wrenchLengthMm
        ? rig.wrenchLengthMm /
          (rig.wrenchLengthMm + rig.extensionMm * Math.cos((rig.extensionAngleDeg * Math.PI) / 180))
        : 1;
      return {
        type: 'pull',
        op: op.id,
        bolt: t.bolt,
        reading: canonical(Math.round(atBolt * lever * 100) / 100, 'torque'),
        rig,
        ...(turn ? { turnedDeg: (window.low + window.high) / 2 } : {}),
        how: figures.wrench ? 'instrument' : 'hand',
        ...(figures.wrench ? { instrument: figures.wrench.facts } : {}),
      };
    }
    default:
      return { type: 'complete', op: op.id };
  }
}

function middle(low: Quantity, high: Quantity): Quantity {
  return { value: (low.value + convert(high, low.unit).value) / 2, unit: low.unit };
}
