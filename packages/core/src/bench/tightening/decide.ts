import { lowerFirst } from '../ladder/words.ts';
import type { CommandOf } from '../command/commands.ts';
import type { Deciders } from '../registry/shapes.ts';
import type { PullCommand } from './commands.ts';
import { noSourceAt } from '../sources/decide.ts';
import { formatQuantity, inCanonical } from '../../quantities/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { PullVerdict } from './events.ts';
import type { EventPayloads } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import {
  runningNm,
  shareOfYield,
  signsOf,
  tighteningState,
  torqueAtFastener,
  windowOf,
  type PullSign,
} from './index.ts';
import { reach } from '../command/reach.ts';

/** Past this share of the torque at yield a fastener may have stretched and is renewed: common practice. */
const RENEW_PAST_PERCENT = 95;
/** A hand that passes the end of the scale by a little has still pulled with that wrench. */
const RANGE_GRACE = 1.1;
/** A trace is kept to at most this many points. */
const TRACE_POINTS = 120;

/** Records one pull: what it is at the fastener, whether it lies in the window, and what to do if not. */
export function decidePull(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'pull' }>): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  const source = noSourceAt(sheet, state, reached.op);
  if (source) return source;
  if (joint.count === 0)
    return refuse('not-complete', `Nobody has counted the ${lowerFirst(joint.title)}`, 'Count what lies in the tray');
  if (joint.stages.some((s) => s.unitAsked))
    return refuse('not-complete', 'The sheet gives a figure without a unit', 'Say which unit is meant');
  const wrong = wrongInstrument(command);
  if (wrong) return wrong;
  if (joint.running && !state.joints[joint.id]?.running)
    return refuse('not-complete', 'It is a self-locking nut', 'Measure what it takes to turn before it seats');
  if (state.joints[joint.id]?.usedUp)
    return refuse(
      'not-complete',
      'The fasteners were pulled once already',
      'Fit new ones: these are one-time fasteners',
    );
  const t = tighteningState(joint, state);
  if (reached.op.through !== undefined && t.stage > reached.op.through)
    return refuse('already-done', 'That stage is pulled', 'Complete it; the next stage comes later');
  if (t.unanswered)
    return refuse(
      'unanswered-pull',
      `Fastener ${t.unanswered.bolt} ${t.unanswered.verdict === 'high' ? 'was pulled too high' : 'turned oddly'}`,
      'Say what was done about it before the next pull',
    );
  if (t.complete || t.bolt === undefined)
    return refuse('already-done', 'Every fastener is pulled', 'Complete the joint');
  if (command.bolt !== t.bolt) {
    return refuse(
      'wrong-bolt',
      `Fastener ${t.bolt} is next, not ${command.bolt}`,
      `Order of this stage: ${t.order.join(', ')}`,
    );
  }
  // The length of a wrench on the list is the list's; of another, what was measured. There is no usual one.
  const lever = command.instrument?.leverMm ?? command.rig.wrenchLengthMm;
  if (command.rig.extensionMm > 0 && lever === undefined)
    return refuse(
      'wrong-value',
      'An extension changes the figure by the length of the wrench, and nobody has said it',
      'Measure from the hand to the middle of the drive, and give it',
    );
  const rig = {
    extensionMm: command.rig.extensionMm,
    extensionAngleDeg: command.rig.extensionAngleDeg,
    ...(lever === undefined ? {} : { wrenchLengthMm: lever }),
  };
  if (inCanonical(command.reading, 'torque') <= 0)
    return refuse('wrong-value', 'A pull of nothing is no pull', 'Pull again');

  const torque = torqueAtFastener(command.reading, rig);
  const window = windowOf(joint, t.stage, runningNm(joint, state));
  if (window.unit === 'deg' && command.turnedDeg === undefined)
    return refuse('wrong-value', 'This stage is a turn', 'Give the degrees that it was turned');
  const verdict = judgePull(window.unit === 'deg' ? command.turnedDeg! : torque.value, window);
  const percentOfYield = shareOfYield(joint, torque.value);
  const standing = (state.joints[joint.id]?.pulls ?? []).filter((p) => !p.void);
  const neighbours = standing.filter((p) => p.stage === t.stage && p.bolt !== t.bolt && p.verdict === 'within');
  const fromLoose = !standing.some((p) => p.bolt === t.bolt);
  const turnedDeg = command.turnedDeg ?? null;
  // Through an extension the wrench shows less than the fastener feels: its shape is the same.
  const signs = signsOf(joint, t.stage, { trace: command.trace ?? [], turnedDeg, verdict }, neighbours, fromLoose);
  return accept({
    type: 'bolt-pulled',
    payload: {
      op: reached.op.id,
      joint: joint.id,
      stage: t.stage,
      bolt: command.bolt,
      reading: command.reading,
      torque,
      window: { low: { value: window.low, unit: window.unit }, high: { value: window.high, unit: window.unit } },
      rig,
      verdict,
      percentOfYield,
      advice: adviceFor(verdict, signs, percentOfYield),
      turnedDeg,
      trace: thin(command.trace ?? [], TRACE_POINTS),
      how: command.how,
      instrument: command.instrument ?? null,
      ...(signs.length > 0 ? { signs } : {}),
    },
  });
}

function adviceFor(
  verdict: PullVerdict,
  signs: readonly PullSign[],
  percentOfYield: number | null,
): EventPayloads['bolt-pulled']['advice'] {
  if (signs.includes('yielding')) return 'renew';
  if (verdict === 'high') return percentOfYield !== null && percentOfYield > RENEW_PAST_PERCENT ? 'renew' : 'slacken';
  if (signs.length > 0) return 'look';
  return verdict === 'within' ? 'none' : 'pull-again';
}

/** A pull is read on a torque wrench, within its range. */
function wrongInstrument({ instrument, reading }: Extract<Command, { type: 'pull' }>): Decision | undefined {
  if (instrument?.kind !== undefined && instrument.kind !== 'torque-wrench')
    return refuse('wrong-instrument', `${instrument.name} is no torque wrench`, 'Take a torque wrench');
  const range = instrument?.rangeNm;
  const nm = inCanonical(reading, 'torque');
  if (range && (nm > range.max * RANGE_GRACE || nm < range.min / RANGE_GRACE))
    return refuse(
      'wrong-instrument',
      `${instrument.name} is good from ${range.min} to ${range.max} N·m, and this was ${formatQuantity(reading, 1)}`,
      'Take a wrench with this figure in its range, and pull again',
    );
  return undefined;
}

function judgePull(nm: number, window: { low: number; high: number }): PullVerdict {
  const hair = 1e-9 * window.high;
  if (nm < window.low - hair) return 'low';
  return nm > window.high + hair ? 'high' : 'within';
}

function thin<T>(points: readonly T[], most: number): readonly T[] {
  if (points.length <= most) return points;
  const step = (points.length - 1) / (most - 1);
  return Array.from({ length: most }, (_, i) => points[Math.round(i * step)]!);
}

/** Says what was done about a pull that came out too high; the fastener is then pulled again. */
export function decideAnswerPull(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'answer-pull' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  const { unanswered } = tighteningState(joint, state);
  if (unanswered && command.answer === 'accepted') {
    if (unanswered.verdict !== 'within' || unanswered.advice === 'renew')
      return refuse('not-a-choice', 'It did not end in its window, or it gave', 'Slacken it, or fit a new one');
    if (!command.note?.trim())
      return refuse('not-complete', 'It turned oddly, and stands: why?', 'Say what was looked at and found');
  }
  if (unanswered && joint.fasteners === 'new' && command.answer === 'slackened')
    return refuse('not-a-choice', 'A one-time fastener is not pulled twice', 'Fit a new one');
  if (!unanswered || unanswered.bolt !== command.bolt)
    return refuse('wrong-bolt', `Fastener ${command.bolt} has no pull that wants an answer`, 'Pull the next one');
  if (unanswered.advice === 'renew' && command.answer === 'slackened') {
    return refuse(
      'not-a-choice',
      `At ${Math.round(unanswered.percentOfYield ?? 0)} % of yield it may have stretched`,
      'Renew the fastener, then pull the new one',
    );
  }
  return accept({
    type: 'pull-answered',
    payload: {
      op: reached.op.id,
      joint: joint.id,
      stage: unanswered.stage,
      bolt: command.bolt,
      answer: command.answer,
      ...(command.note === undefined ? {} : { note: command.note }),
    },
  });
}

/** What a self-locking nut takes to turn before it seats. */
export function decideSayRunning(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'say-running' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  if (!joint.running) return refuse('wrong-kind', `${joint.title}: nothing locks itself here`, 'Pull');
  const nm = inCanonical(command.torque, 'torque');
  const most = windowOf(joint, 0).high;
  if (nm <= 0) return refuse('wrong-value', 'A nut that turns freely does not lock', 'Fit a new nut');
  if (nm >= most)
    return refuse(
      'wrong-value',
      `${formatQuantity(command.torque, 1)} only to turn it`,
      'It binds: look at both threads',
    );
  return accept({
    type: 'running-measured',
    payload: {
      op: reached.op.id,
      joint: joint.id,
      torque: command.torque,
      how: command.how,
      instrument: command.instrument ?? null,
    },
  });
}

/** A joint that was pulled is loosened: its ticks are gone; one-time fasteners are used up by it. */
export function decideLoosen(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'loosen' }>): Decision {
  const joint = sheet.joints[command.joint];
  if (!joint) return refuse('wrong-value', `There is no joint "${command.joint}"`, 'Reload the bench');
  const pulled = (state.joints[joint.id]?.pulls ?? []).some((p) => !p.void);
  if (!pulled) return refuse('already-done', `${joint.title} is not pulled`, 'Pull it when its turn comes');
  const why = command.why.trim();
  if (why === '') return refuse('not-complete', 'Why is it loosened?', 'Say why');
  return accept({ type: 'joint-loosened', payload: { joint: joint.id, why, usedUp: joint.fasteners === 'new' } });
}

/** New one-time fasteners go in for those that were used up. */
export function decideRenewFasteners(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'renew-fasteners' }>,
): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  if (!state.joints[joint.id]?.usedUp) return refuse('already-done', 'They are not used up', 'Pull');
  return accept({
    type: 'fasteners-renewed',
    payload: { op: reached.op.id, joint: joint.id, fastener: joint.fastener, count: joint.count },
  });
}

/** How each of these commands is decided. */
export const tighteningDeciders: Deciders<PullCommand['type']> = {
  pull: decidePull,
  'answer-pull': decideAnswerPull,
  'say-running': decideSayRunning,
  'say-unit': decideSayUnit,
  loosen: decideLoosen,
  'renew-fasteners': decideRenewFasteners,
};

/** Says in which unit a bare figure of the sheet is meant. */
export function decideSayUnit(state: BenchState, sheet: Sheet, command: CommandOf<'say-unit'>): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  const asked = joint.stages.find((s) => s.unitAsked)?.unitAsked;
  if (!asked) return refuse('already-done', 'The figure has its unit', 'Pull');
  if (!asked.includes(command.unit))
    return refuse('not-a-choice', `"${command.unit}" is not what it could be`, `One of: ${asked.join(', ')}`);
  const reason = command.reason.trim();
  if (reason === '') return refuse('not-complete', 'Who says so?', 'Say how you know');
  return accept({ type: 'unit-said', payload: { op: reached.op.id, joint: joint.id, unit: command.unit, reason } });
}
