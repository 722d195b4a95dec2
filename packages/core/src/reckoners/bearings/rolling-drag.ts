import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { propagate } from '../metrology/gum.ts';
import { judge } from '../metrology/judge.ts';
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
  record,
} from '../shape/index.ts';

/**
 * Rolling drag of a bearing pair from the pull of a cord, its preload's measure. What else turns comes off first: the
 * seal, and a second shaft that is driven along (its drag at its own radius, divided by the ratio).
 * Used bearings are judged against half the band (common practice).
 */
export const rollingDrag = defineReckoner({
  id: 'rolling-drag',
  title: 'Rolling drag',
  subject: 'bearings',
  asks: ['preload', 'spring balance', 'turning torque', 'pull on a cord'],
  formula: 'T = F r − T seal − F2 r2 / i',
  sources: ['lever statics', 'half the band for used bearings: common practice'],
  checks: [
    { inputs: { pull: '22 N', radius: '62 mm' }, gives: { dragTorque: '1.364 N·m' }, source: 'by hand: 22 × 0.062' },
    {
      inputs: { pull: '22 N', radius: '62 mm', sealDrag: '0.2 N·m', band: ['1.0 N·m', '1.8 N·m'], bearings: 'used' },
      gives: { dragTorque: '1.164 N·m', verdict: 'outside' },
      source: 'by hand; half of 1.0 to 1.8 N·m is 0.5 to 0.9 N·m',
    },
  ],
  dangers: {
    'steady-pull': {
      harm: 'The jerk that starts it is read as drag: preload is left out, or a good one taken off.',
      fires: {},
    },
  },
  inputs: {
    pull: quantity('force', 'Steady pull', { min: 0, max: 1e6 }),
    radius: quantity('length', 'At radius', { above: 0, max: 10000 }),
    pullUncertainty: more(optional(quantity('force', 'Uncertainty of the pull (k = 2)', { min: 0, max: 1e6 }))),
    sealDrag: defaulted(quantity('torque', 'Of which seals', { min: 0, max: 10000 }), '0 N·m'),
    secondary: optional(
      record(
        {
          pull: quantity('force', 'Pull on the second shaft alone', { min: 0, max: 1e6 }),
          radius: quantity('length', 'At radius', { above: 0, max: 10000 }),
          ratio: number('Turns of the first for one of the second', { above: 0, max: 1000 }),
        },
        'Second shaft that turns along',
      ),
    ),
    band: optional(
      list(quantity('torque', 'Limit', { min: 0, max: 10000 }), 'Band for new bearings', {
        minLength: 2,
        maxLength: 2,
      }),
    ),
    bearings: defaulted(choice(['new', 'used'], 'Bearings'), 'new'),
  },
  outputs: {
    dragTorque: { label: 'Rolling drag', is: 'torque' },
    uncertainty: { label: 'Uncertainty (k = 2)', is: 'torque', optional: true },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    const second = input.secondary
      ? (input.secondary.pullN * input.secondary.radiusMm) / 1000 / input.secondary.ratio
      : 0;
    const drag = (pull: number): number => (pull * input.radiusMm) / 1000 - input.sealDragNm - second;
    const value = drag(input.pullN);
    if (input.secondary)
      work.step(
        'Second shaft, felt here',
        'F2 r2 / i',
        `${f(input.secondary.pullN)} × ${f(input.secondary.radiusMm / 1000)} / ${f(input.secondary.ratio)}`,
        canonical(second, 'torque'),
      );
    work.step(
      'Rolling drag',
      'F r − T seal − second shaft',
      `${f(input.pullN)} × ${f(input.radiusMm / 1000)} − ${f(input.sealDragNm)} − ${f(second)}`,
      canonical(value, 'torque'),
    );
    if (value < 0)
      throw new ReckonError(
        'inconsistent',
        'pull',
        input.pullN,
        'a pull that is more than what the seal and the second shaft need',
      );
    const u =
      input.pullUncertaintyN === undefined ? undefined : propagate(drag, [input.pullN], [input.pullUncertaintyN]);
    if (u !== undefined)
      work.step(
        'Uncertainty',
        'U(F) r',
        `${f(input.pullUncertaintyN!)} × ${f(input.radiusMm / 1000)}`,
        canonical(u, 'torque'),
      );
    let verdict;
    if (input.bandNm) {
      const half = input.bearings === 'used' ? 0.5 : 1;
      const [a, b] = input.bandNm as readonly [number, number];
      if (a > b) throw new ReckonError('inconsistent', 'band', input.bandNm, 'the lower limit first');
      work.step(
        'Band',
        half === 1 ? 'as given, new bearings' : 'half, for used bearings',
        `${f(a)} to ${f(b)}`,
        `${f(a * half)} to ${f(b * half)} N·m`,
      );
      verdict = judge(value, u ?? 0, { lower: a * half, upper: b * half });
    }
    work.warn('steady-pull', 'Take the pull while it turns steadily, not the jerk that starts it.');
    return {
      dragTorque: canonical(value, 'torque'),
      uncertainty: u === undefined ? undefined : canonical(u, 'torque'),
      verdict,
    };
  },
});
