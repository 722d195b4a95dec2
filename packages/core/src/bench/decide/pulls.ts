import { inCanonical } from '../../quantities/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../commands.ts';
import type { PullVerdict } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { shareOfYield, tighteningState, torqueAtFastener, windowOf } from '../tightening.ts';
import { reach } from './reach.ts';

/** Past this share of the torque at yield a fastener may have stretched and is renewed: common practice. */
const RENEW_PAST_PERCENT = 95;
/** A trace is kept to at most this many points. */
const TRACE_POINTS = 120;

/** Records one pull: what it is at the fastener, whether it lies in the window, and what to do if not. */
export function decidePull(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'pull' }>): Decision {
  const reached = reach(sheet, state, command.op, ['tighten']);
  if ('refused' in reached) return reached.refused;
  const joint = sheet.joints[reached.op.joint]!;
  if (joint.count === 0)
    return refuse('not-complete', `Nobody has counted the ${joint.title.toLowerCase()}`, 'Count what lies in the tray');
  if (joint.stages.some((s) => s.unitAsked))
    return refuse('not-complete', 'The sheet gives a figure without a unit', 'Say which unit is meant');
  const t = tighteningState(joint, state);
  if (reached.op.through !== undefined && t.stage > reached.op.through)
    return refuse('already-done', 'That stage is pulled', 'Complete it; the next stage comes later');
  if (t.unanswered)
    return refuse(
      'unanswered-pull',
      `Fastener ${t.unanswered.bolt} was pulled too high`,
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
  if (command.rig.extensionMm > 0 && command.rig.wrenchLengthMm === undefined)
    return refuse('wrong-value', 'An extension changes the figure', 'Give the length of the wrench');
  if (inCanonical(command.reading, 'torque') <= 0)
    return refuse('wrong-value', 'A pull of nothing is no pull', 'Pull again');

  const torque = torqueAtFastener(command.reading, command.rig);
  const window = windowOf(joint, t.stage);
  if (window.unit === 'deg' && command.turnedDeg === undefined)
    return refuse('wrong-value', 'This stage is a turn', 'Give the degrees that it was turned');
  const verdict = judgePull(window.unit === 'deg' ? command.turnedDeg! : torque.value, window);
  const percentOfYield = shareOfYield(joint, torque.value);
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
      rig: command.rig,
      verdict,
      percentOfYield,
      advice:
        verdict === 'within'
          ? 'none'
          : verdict === 'low'
            ? 'pull-again'
            : percentOfYield !== null && percentOfYield > RENEW_PAST_PERCENT
              ? 'renew'
              : 'slacken',
      turnedDeg: command.turnedDeg ?? null,
      trace: thin(command.trace ?? [], TRACE_POINTS),
      how: command.how,
      instrument: command.instrument ?? null,
    },
  });
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
