import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  list,
  more,
  number,
  optional,
  quantity,
  ReckonError,
  text,
} from '../shape/index.ts';
import { bearingMean } from './bolt-mechanics.ts';
import { frictionOf, threadStates, USUAL_FRICTION } from './tables/thread-friction.ts';
import { threadGeometry } from './thread-geometry.ts';

/** Friction of used threads from well oiled to dry, between which the answer is spread (VDI 2230-1 table A5, from memory). */
const SPREAD = { least: 0.1, most: 0.16 } as const;
/** Readings that differ by more than this share do not come from one tightening: common practice. */
const MOST_SPREAD = 0.3;

/**
 * What a joint was tightened to, from the torque at which it moves off: the thread's slope helps to loosen and hinders
 * to tighten. T on / T off = (0.16 P + 0.58 d2 μG + ½ DKm μK) / (−0.16 P + 0.58 d2 μG + ½ DKm μK). VDI 2230-1.
 */
export const loosened = defineReckoner({
  id: 'loosened',
  title: 'What it was tightened to',
  subject: 'fasteners',
  asks: ['loosening torque', 'no figure', 'what was it done up to', 'breakaway'],
  formula:
    'T on = T off (0.16 P + 0.58 d2 μG + ½ DKm μK) / (−0.16 P + 0.58 d2 μG + ½ DKm μK);  range from μ 0.10 to 0.16',
  sources: ['VDI 2230-1', 'spread of friction: VDI 2230-1 table A5, from memory'],
  checks: [
    {
      inputs: { thread: 'M8', readings: ['20 N·m'] },
      // (0.2 + 0.58 × 7.188 × 0.12 + ½ × 10.315 × 0.12)/(−0.2 + …) = 1.3193/0.9193
      gives: { tightenedTo: '28.7 N·m' },
      source: 'by hand from VDI 2230-1',
    },
  ],
  dangers: {
    'not-a-figure': {
      harm: 'What somebody did up last time is taken for what the maker wants, and is handed on from job to job.',
      fires: {},
    },
    'readings-differ': {
      harm: 'One stuck or half-loose screw moves the mean: the others are pulled too tight or left loose.',
      fires: { readings: ['20 N·m', '27.1 N·m'] },
      silent: { readings: ['20 N·m', '27 N·m'] },
    },
    'self-loosening': {
      harm: 'So slippery that the screw hardly holds itself: whatever is read says nothing of what it was done up to.',
      fires: { frictionThread: 0.03, frictionHead: 0.03 },
      silent: { frictionThread: 0.06, frictionHead: 0.06 },
    },
  },
  inputs: {
    thread: text('Thread', { maxLength: 30, find: 'thread-find' }),
    readings: list(quantity('torque', 'Torque', { above: 0 }), 'Torques at which they moved off', { maxLength: 60 }),
    threadState: optional(choice(threadStates, 'What is on the thread')),
    frictionThread: more(
      optional(number('Friction in the thread μG', { above: 0, max: 1, help: '0.12 when nothing is said' })),
    ),
    frictionHead: more(defaulted(number('Friction under the head μK', { above: 0, max: 1 }), USUAL_FRICTION)),
  },
  outputs: {
    tightenedTo: { label: 'Was tightened to about', is: 'torque' },
    low: { label: 'At the least', is: 'torque' },
    high: { label: 'At the most', is: 'torque' },
  },
  compute(input, work) {
    const t = threadGeometry(input.thread, 'thread');
    const muG = frictionOf(input, work);
    const dkm = bearingMean(t).meanMm;
    const rubs = (muG: number, muK: number): number => 0.58 * t.pitchDiameterMm * muG + (dkm / 2) * muK;
    const slope = 0.16 * t.pitchMm;
    const ratioOf = (muG: number, muK: number): number => (slope + rubs(muG, muK)) / (rubs(muG, muK) - slope);
    if (rubs(muG, input.frictionHead) <= slope)
      throw new ReckonError(
        'inconsistent',
        'frictionThread',
        muG,
        'a friction at which the screw holds itself',
        'frictionThread: with so little friction the screw would turn off by itself',
      );
    const readings = input.readingsNm;
    const mean = readings.reduce((a, b) => a + b, 0) / readings.length;
    const [least, most] = [Math.min(...readings), Math.max(...readings)];
    const ratio = ratioOf(muG, input.frictionHead);
    const tightened = mean * ratio;
    const low = least * ratioOf(SPREAD.most, SPREAD.most);
    const high = most * ratioOf(SPREAD.least, SPREAD.least);
    const b = rubs(muG, input.frictionHead);
    work.step('Mean of the readings', 'mean', readings.map((r) => f(r, 1)).join(', '), canonical(mean, 'torque'));
    work.step('Slope of the thread', '0.16 P', `0.16 × ${f(t.pitchMm, 3)}`, `${f(slope, 4)} mm`);
    work.step(
      'Friction',
      '0.58 d2 μG + ½ DKm μK',
      `0.58 × ${f(t.pitchDiameterMm, 3)} × ${muG} + ½ × ${f(dkm, 3)} × ${input.frictionHead}`,
      `${f(b, 4)} mm`,
    );
    work.step(
      'Was tightened to',
      'T off (friction + slope)/(friction − slope)',
      `${f(mean, 2)} × (${f(b, 4)} + ${f(slope, 4)})/(${f(b, 4)} − ${f(slope, 4)})`,
      canonical(tightened, 'torque'),
    );
    work.step(
      'At the least',
      'smallest reading, μ 0.16',
      `${f(least, 2)} × ${f(ratioOf(SPREAD.most, SPREAD.most), 3)}`,
      canonical(low, 'torque'),
    );
    work.step(
      'At the most',
      'largest reading, μ 0.10',
      `${f(most, 2)} × ${f(ratioOf(SPREAD.least, SPREAD.least), 3)}`,
      canonical(high, 'torque'),
    );
    work.warn(
      'not-a-figure',
      'This is what was done last time, not what is right: paint, rust and threadlocker add to it. The maker’s figure comes first; without one, see that it is believable for the thread.',
    );
    if (most - least > MOST_SPREAD * mean)
      work.warn(
        'readings-differ',
        `The readings differ by ${f(((most - least) / mean) * 100, 0)} %: they were not done up alike, or some were stuck.`,
      );
    if (ratio > 3)
      work.warn('self-loosening', 'With so little friction the figure hangs on it: take it as no more than a hint.');
    return {
      tightenedTo: canonical(tightened, 'torque'),
      low: canonical(Math.min(low, tightened), 'torque'),
      high: canonical(Math.max(high, tightened), 'torque'),
    };
  },
});
