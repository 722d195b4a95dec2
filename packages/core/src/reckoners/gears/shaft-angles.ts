import { canonical, formatNumber as f } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  either,
  flag,
  list,
  quantity,
  record,
  ReckonError,
} from '../shape/index.ts';

/** Residual angle up to which a shaft runs quietly, °: common practice. */
const QUIET_DEG = 3;
/** A joint at less than this does not roll its needles: common practice. */
const LEAST_DEG = 0.5;
/** A joint at more than this wears and heats at speed: common practice. */
const MOST_DEG = 8;

/**
 * What is left of the uneven running of a shaft with two or more joints: √|α1² − α2² + …| where the yokes of each shaft
 * stand in one plane, √(α1² + α2² + …) where they do not. An angle in two planes is √(αv² + αh²).
 * Source: kinematics of the universal joint (to second order); limit of 3° common practice.
 */
export const shaftAngles = defineReckoner({
  id: 'shaft-angles',
  title: 'Angles of a joint shaft',
  subject: 'gears',
  asks: ['propshaft vibration', 'universal joint', 'joint angles', 'phasing', 'centre bearing'],
  formula: 'α = √(αv² + αh²);  residual = √|α1² − α2² + α3² …| phased, √(α1² + α2² …) not',
  sources: ['kinematics of the universal joint', '3° and 8°: common practice'],
  checks: [
    {
      inputs: { angles: ['6 deg', '5 deg'] },
      gives: { residualAngle: '3.32 deg', verdict: 'outside' },
      source: 'by hand: √(36 − 25)',
    },
    {
      inputs: { angles: ['6 deg', '5 deg'], phased: false },
      gives: { residualAngle: '7.81 deg' },
      source: 'by hand: √(36 + 25)',
    },
    {
      inputs: {
        planes: 'two',
        angles: [
          { vertical: '3 deg', horizontal: '4 deg' },
          { vertical: '5 deg', horizontal: '0 deg' },
        ],
      },
      gives: { residualAngle: '0.00 deg', verdict: 'within' },
      source: 'by hand: both are 5°',
    },
  ],
  dangers: {
    shakes: {
      harm: 'The shaft shakes: the centre bearing, the gearbox tail and the pinion bearing go, and the shaft can come down.',
      fires: { angles: ['6 deg', '5.19 deg'] },
      silent: { angles: ['6 deg', '5.20 deg'] },
    },
    'one-steep': {
      harm: 'A joint at too steep an angle heats and breaks up, however well the other cancels it.',
      fires: { angles: ['8.1 deg', '8.1 deg'] },
      silent: { angles: ['8 deg', '8 deg'] },
    },
    'needles-stand': {
      harm: 'A joint that runs dead straight stands on the same needles: they press marks, and the cross breaks.',
      fires: { angles: ['0.4 deg', '0.4 deg'] },
      silent: { angles: ['0.5 deg', '0.5 deg'] },
    },
    'planes-differ': {
      harm: 'Angles in two planes do not cancel unless the yokes are turned to match: the shaft shakes though the sum is nothing.',
      fires: {
        planes: 'two',
        angles: [
          { vertical: '3 deg', horizontal: '4 deg' },
          { vertical: '5 deg', horizontal: '0 deg' },
        ],
      },
      silent: { planes: 'one' },
    },
    phase: {
      harm: 'A shaft put together a spline out shakes twice as hard, and nobody looks at the yokes.',
      fires: { phased: false },
      silent: { phased: true },
    },
  },
  inputs: {
    angles: list(
      either(
        [
          quantity('angle', 'Angle', { min: -60, max: 60, bareUnit: 'deg' }),
          record(
            {
              vertical: quantity('angle', 'From the side', { min: -60, max: 60, bareUnit: 'deg' }),
              horizontal: quantity('angle', 'From above', { min: -60, max: 60, bareUnit: 'deg' }),
            },
            'In two planes',
          ),
        ],
        'Angle of the joint',
      ),
      'Angles of the joints, in order',
      { minLength: 2, maxLength: 6 },
    ),
    planes: defaulted(choice(['one', 'two'], 'Measured in'), 'one'),
    phased: defaulted(flag('Yokes of each shaft in one plane'), true),
  },
  outputs: {
    residualAngle: { label: 'Residual angle', is: 'angle' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const angles = input.angles.map((a, i) => {
      if (typeof a !== 'number' && 'verticalDeg' in a) {
        const whole = Math.hypot(a.verticalDeg, a.horizontalDeg);
        work.step(
          `Joint ${i + 1}`,
          '√(αv² + αh²)',
          `√(${f(a.verticalDeg)}² + ${f(a.horizontalDeg)}²)`,
          canonical(whole, 'angle'),
        );
        return whole;
      }
      if (input.planes === 'two')
        throw new ReckonError(
          'inconsistent',
          `angles[${i}]`,
          a,
          'vertical and horizontal of each joint, in two planes',
        );
      return Math.abs(a);
    });
    const sum = angles.reduce((s, a, i) => s + (input.phased && i % 2 === 1 ? -1 : 1) * a * a, 0);
    const residual = Math.sqrt(Math.abs(sum));
    work.step(
      'Residual angle',
      input.phased ? '√|α1² − α2² + …|' : '√(α1² + α2² + …)',
      angles.map((a, i) => `${i === 0 ? '' : input.phased && i % 2 === 1 ? '− ' : '+ '}${f(a)}²`).join(' '),
      canonical(residual, 'angle'),
    );
    const within = residual <= QUIET_DEG + 1e-9;
    if (!within)
      work.warn(
        'shakes',
        `${f(residual, 2)}° is past the ${QUIET_DEG}° up to which a shaft runs quietly: bring the angles nearer to each other.`,
      );
    const steep = angles.findIndex((a) => a > MOST_DEG + 1e-9);
    if (steep !== -1)
      work.warn(
        'one-steep',
        `Joint ${steep + 1} works at ${f(angles[steep]!, 1)}°: see what its maker allows at this speed.`,
      );
    const straight = angles.findIndex((a) => a < LEAST_DEG - 1e-9);
    if (straight !== -1 && input.planes === 'one')
      work.warn(
        'needles-stand',
        `Joint ${straight + 1} runs almost straight: at least ${LEAST_DEG}° keeps its needles rolling.`,
      );
    if (input.planes === 'two')
      work.warn(
        'planes-differ',
        'Bent in two planes: the yokes must be turned to each other by the angle between the planes, as the maker marks it.',
      );
    if (!input.phased)
      work.warn(
        'phase',
        'The yokes of a shaft stand out of line: put it together on its marks before you measure anything else.',
      );
    return { residualAngle: canonical(residual, 'angle'), verdict: within ? 'within' : 'outside' };
  },
});
