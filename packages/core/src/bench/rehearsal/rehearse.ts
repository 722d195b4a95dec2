import { canonical, convert, inCanonical, type Quantity } from '../../quantities/index.ts';
import type { Finding, OpOf, Setting, SettingDepth, Sheet } from '../../sheet/index.ts';
import type { Command, DecideContext, DrawerStock } from '../command/commands.ts';
import type { InstrumentFacts } from '../log/events.ts';
import type { WrenchRig } from '../tightening/events.ts';
import { heatWindow } from '../fitting/windows.ts';
import { nextMove } from '../ladder/moves.ts';
import { newAt, unsourced } from '../sources/source-of.ts';
import { openBad, type BadThing } from '../bad/bad-things.ts';
import { opTitle } from '../ladder/wording.ts';
import { depthsRead, nextTry, schoolOf, settingBand } from '../setting/index.ts';
import type { BenchState } from '../log/state.ts';
import { runningNm, tighteningState, windowOf } from '../tightening/index.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { placesLeft } from '../measuring/places.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { timerOf } from '../waiting/timers.ts';

/** How many a rehearsal says there are of a part that neither the sheet nor its figures count. */
const UNTOLD_COUNT = 8;

/** Figures for a dry run; what is left out is taken from the middle of each band. */
export interface RehearsalFigures {
  /** `measure place`, `setting round`, `test moment` → what the instrument shows. */
  readonly reading?: (what: string) => Quantity | undefined;
  readonly finding?: (part: string) => { finding: Finding; reason: string } | undefined;
  readonly choice?: (method: string) => string | undefined;
  readonly groove?: 'yes' | 'no';
  readonly cause?: (cause: string) => string | undefined;
  readonly tray?: (part: string) => string;
  readonly wrench?: { readonly rig: WrenchRig; readonly facts: InstrumentFacts };
  readonly gauge?: (dimension: string, what: string) => InstrumentFacts | undefined;
  readonly look?: (look: string, moment: string) => string | undefined;
  readonly identify?: (question: string) => string | undefined;
  /** How many there are of a part that nobody counted. */
  readonly counts?: (part: string) => number | 'later' | undefined;
  /** What is noted as a part comes off. */
  readonly note?: (part: string) => string | undefined;
  /** Where in the shop new parts lie that nobody ordered. */
  readonly stock?: string;
  /** Why what is bad is taken so; left out, a bad look is looked at again and good, and a bad reading is nothing to go on from. */
  readonly takenSo?: string;
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
  // A scrapped body asks about an exchange unit: a rehearsal goes on with the part renewed.
  const asked = state.holds.find((h) => !h.cleared && h.why === 'decision');
  const [bad] = openBad(sheet, state);
  const takenSo = (b: BadThing | undefined): Command | undefined =>
    b && figures.takenSo !== undefined ? { type: 'accept-so', key: b.key, reason: figures.takenSo } : undefined;
  const so = move.kind === 'sign-off' ? takenSo(bad) : undefined;
  if (so) return so;
  if (move.kind === 'sign-off' && !asked && sheet.handOver?.secondPerson && !state.checked)
    return { type: 'check-over' };
  if (move.kind === 'sign-off')
    return asked ? { type: 'clear-hold', hold: asked.id, note: 'decided' } : { type: 'sign-off' };
  if (move.kind === 'hand-over') return { type: 'hand-over', to: state.booked?.customer.name ?? 'the customer' };
  if (move.kind === 'closed') return undefined;
  if (move.kind === 'which') {
    const question = sheet.identify.find((q) => figures.identify?.(q.id) !== undefined);
    return question && { type: 'identify', question: question.id, answer: figures.identify!(question.id)! };
  }
  const { op } = move;
  const read = (what: string, otherwise: Quantity, dimension: string): Command => {
    const instrument = figures.gauge?.(dimension, what);
    return {
      type: 'take-reading',
      op: op.id,
      value: figures.reading?.(what) ?? otherwise,
      how: instrument ? 'instrument' : 'hand',
      ...(instrument ? { instrument } : {}),
    };
  };
  // What goes in new comes out of the shop's own stock, all that is due at once.
  const fresh = newAt(sheet, state, op);
  const due = fresh === undefined ? [] : unsourced(sheet, state);
  if (fresh !== undefined && due.includes(fresh))
    return { type: 'say-source', parts: due, from: 'stock', words: figures.stock ?? '' };
  switch (op.kind) {
    case 'off': {
      const unknown = op.parts.filter((p) => !sheet.parts[p.part]!.countKnown);
      const counts = Object.fromEntries(unknown.map((p) => [p.part, figures.counts?.(p.part) ?? UNTOLD_COUNT]));
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
      const seen = openBad(sheet, state).find((b) => b.op === op.id);
      const taken = takenSo(seen);
      if (taken) return taken;
      const { choices } = sheet.looks[op.look]!;
      const good = choices.find((c) => c.verdict === 'good') ?? choices[0]!;
      return { type: 'look', op: op.id, choice: (seen ? undefined : figures.look?.(op.look, op.moment)) ?? good.id };
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
        count: state.uncounted[part] ? Number(figures.counts?.(part)) || UNTOLD_COUNT : sheet.parts[part]!.count,
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
      const fit = op.kind === 'heat' && op.part !== undefined ? sheet.parts[op.part]?.fit : undefined;
      if (fit && readingsOf(state, op.id).length === 0) {
        const { low, high } = heatWindow(fit);
        return read(`${op.part} heat`, middle(low, high), 'temperature');
      }
      if (op.minutes !== undefined && !timerOf(state, op.id))
        return { type: 'start-timer', op: op.id, title: opTitle(sheet, op), minutes: op.minutes, kind: op.kind };
      return {
        type: 'complete',
        op: op.id,
        ...(figures.impatience === undefined ? {} : { reason: figures.impatience }),
      };
    }
    case 'place':
    case 'press':
    case 'seal': {
      return { type: 'complete', op: op.id, ...(op.check === undefined ? {} : { ticks: ['check'] }) };
    }
    case 'bleed':
      return { type: 'complete', op: op.id, ...(op.strokes === undefined ? {} : { strokes: op.strokes }) };
    case 'inspect':
      return { type: 'complete', op: op.id, answer: 'no' };
    case 'read': {
      if (readingsOf(state, op.id).length > 0) return { type: 'complete', op: op.id };
      const s = sheet.settings[op.setting]!;
      return read(`${s.id} as-found`, s.target, s.dimension);
    }
    case 'test': {
      const failed = takenSo(openBad(sheet, state).find((b) => b.op === op.id));
      if (failed) return failed;
      if (readingsOf(state, op.id).length > 0) return { type: 'complete', op: op.id };
      const t = sheet.tests[op.test]!;
      return read(`${t.id} ${op.moment}`, middle(t.accept.low, t.accept.high), t.dimension);
    }
    case 'measure': {
      const m = sheet.measures[op.measure]!;
      const where = placesLeft(m, state)[0];
      if (where !== undefined)
        return {
          ...read(`${m.id} ${where}`, m.newSize ?? m.max ?? m.min ?? canonical(1, m.dimension), m.dimension),
          where,
          ...(m.shape === 'winding' ? { temperature: canonical(20, 'temperature') } : {}),
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
    case 'cause':
      return { type: 'find-cause', op: op.id, choice: figures.cause?.(op.cause) ?? null };
    case 'choose':
      return {
        type: 'choose',
        op: op.id,
        choice: figures.choice?.(op.method) ?? sheet.methods[op.method]!.choices[0]!.id,
      };
    case 'set':
      return setNext(sheet, state, context, op, read);
    case 'tighten': {
      const joint = sheet.joints[op.joint]!;
      const asked = joint.stages.find((stage) => stage.unitAsked)?.unitAsked;
      if (asked) return { type: 'say-unit', op: op.id, unit: asked[0]!, reason: 'Rehearsed' };
      if (joint.running && !state.joints[joint.id]?.running)
        return {
          type: 'say-running',
          op: op.id,
          torque: canonical(windowOf(joint, 0).low * 0.1, 'torque'),
          how: 'hand',
        };
      if (state.joints[joint.id]?.usedUp) return { type: 'renew-fasteners', op: op.id };
      const t = tighteningState(joint, state);
      if (op.through !== undefined && t.stage > op.through) return { type: 'complete', op: op.id };
      if (t.unanswered)
        return {
          type: 'answer-pull',
          op: op.id,
          bolt: t.unanswered.bolt,
          answer: t.unanswered.advice === 'renew' || joint.fasteners === 'new' ? 'renewed' : 'slackened',
        };
      if (t.complete || t.bolt === undefined) return { type: 'complete', op: op.id };
      const running = runningNm(joint, state);
      const window = windowOf(joint, t.stage, running);
      const turn = window.unit === 'deg';
      // A turn goes on from the torque of the stage before it.
      const torqueWindow = turn ? windowOf(joint, t.stage - 1, running) : window;
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

/** How deep a rehearsal says each depth is, but for the one that makes the sum right. */
const REHEARSED_DEPTH_MM = 20;

/** Depths that ask for just one piece of the drawer, the thickest there is. */
function rehearsedDepth(
  setting: Setting,
  depths: readonly SettingDepth[],
  id: string,
  drawer: readonly DrawerStock[],
): Quantity {
  const { shims } = setting;
  const first = depths.find((d) => d.sign === 'plus');
  if (id !== first?.id) return canonical(REHEARSED_DEPTH_MM, 'length');
  const sizes = drawer.filter((d) => d.count > 0).map((d) => inCanonical(d.thickness, 'length'));
  const wanted = Math.max(...sizes, ...(sizes.length > 0 ? [] : [inCanonical(shims!.trial, 'length')]));
  const target = inCanonical(setting.target, 'length') * (shims!.thicker === 'looser' ? 1 : -1);
  const others = depths.reduce((sum, d) => sum + (d === first ? 0 : d.sign === 'plus' ? 1 : -1), 0);
  return canonical(wanted - target - others * REHEARSED_DEPTH_MM, 'length');
}

/** The next command of a setting: feel it, measure its depths, read it, or move it as is advised. */
function setNext(
  sheet: Sheet,
  state: BenchState,
  context: DecideContext,
  op: OpOf<'set'>,
  read: (what: string, otherwise: Quantity, dimension: string) => Command,
): Command | undefined {
  const own = sheet.settings[op.setting]!;
  if (own.feel && state.answers[op.id]?.answer !== 'no') return { type: 'answer', op: op.id, answer: 'no' };
  const [depth] = depthsRead(own, state).left;
  const fitted = state.settings[own.id]?.rounds.some((r) => r.fitted);
  if (depth !== undefined && !fitted) {
    const school = schoolOf(own, state);
    const depths = school?.kind === 'depths' ? school.depths : [];
    const otherwise = rehearsedDepth(own, depths, depth, context.drawers[own.shims?.drawer ?? ''] ?? []);
    const said = read(`${own.id} ${depth}`, otherwise, 'length');
    return { ...said, where: depth } as Command;
  }
  const needsPack = depthsRead(own, state).read.length > 0 && !fitted;
  for (const s of needsPack ? [] : [own, ...(own.together === undefined ? [] : [sheet.settings[own.together]!])]) {
    const rounds = state.settings[s.id]?.rounds ?? [];
    if (!rounds.at(-1)?.result) {
      const said = read(`${s.id} round ${Math.max(1, rounds.length)}`, settingBand(s, state).target, s.dimension);
      return s.id === own.id ? said : ({ ...said, setting: s.id } as Command);
    }
  }
  const next = nextTry(sheet, state, own, context.drawers);
  if (!next) return { type: 'complete', op: op.id };
  if (next.move?.kind === 'pack') return { type: 'fit-pack', op: op.id, pieces: next.move.pieces };
  if (next.needed) return { type: 'fit-pack', op: op.id, pieces: [next.needed], made: 'ground for a rehearsal' };
  if (next.cannot !== undefined) return undefined;
  const { kind: _kind, ...how } = next.move ?? { kind: 'turn' };
  return { type: 'adjust', op: op.id, note: next.say, ...how };
}
