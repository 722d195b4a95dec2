import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { rootSumSquares } from '../metrology/gum.ts';
import { judge } from '../metrology/judge.ts';
import { defaulted, defineReckoner, list, more, number, optional, quantity, ReckonError } from '../shape/index.ts';

/** Backlash that varies by more than this round the gear is run-out, not setting: common practice. */
const MOST_SPREAD_MM = 0.08;

/**
 * Shims to move from one side of a bevel gear to the other for the backlash wanted. The sum stays, so does the preload.
 * Change of backlash = 2 s tan α sin Γ for an axial move s of the gear, tan Γ = gear / pinion (bevel geometry).
 */
export const backlashShim = defineReckoner({
  id: 'backlash-shim',
  title: 'Backlash by shims',
  subject: 'gears',
  asks: ['backlash', 'crown wheel', 'ring and pinion', 'move the shims'],
  formula: 's = (mean − target) / (2 tan α sin Γ), tan Γ = gear/pinion;  left + s, right − s',
  sources: ['bevel gear geometry', 'about 0.7 of the move: common practice', 'limit of the spread: common practice'],
  checks: [
    {
      inputs: {
        measured: ['0.30 mm', '0.31 mm', '0.29 mm', '0.30 mm'],
        target: '0.16 mm',
        gearTeeth: 39,
        pinionTeeth: 11,
      },
      gives: { perMove: '0.70', axialMove: '0.200 mm', leftShimChange: '0.200 mm', rightShimChange: '-0.200 mm' },
      source: 'by hand: 2 tan 20° sin 74.25° = 0.70',
    },
  ],
  dangers: {
    'run-out': {
      harm: 'Run-out is shimmed away at one place: the gear binds at another and breaks a tooth.',
      fires: { measured: ['0.30 mm', '0.385 mm', '0.31 mm', '0.30 mm'] },
      silent: { measured: ['0.30 mm', '0.375 mm', '0.31 mm', '0.30 mm'] },
    },
    'few-places': {
      harm: 'Three places miss the high one: the gear binds there when warm.',
      fires: { measured: ['0.30 mm', '0.31 mm', '0.29 mm'] },
      silent: { measured: ['0.30 mm', '0.31 mm', '0.29 mm', '0.30 mm'] },
    },
  },
  inputs: {
    measured: list(quantity('length', 'Backlash', { min: 0, max: 10 }), 'Backlash round the gear', { maxLength: 60 }),
    target: quantity('length', 'Backlash wanted', { min: 0, max: 10 }),
    gearTeeth: number('Teeth of the gear', { integer: true, min: 3, max: 1000 }),
    pinionTeeth: number('Teeth of the pinion', { integer: true, min: 3, max: 1000 }),
    pressureAngle: more(defaulted(quantity('angle', 'Pressure angle α', { min: 10, max: 35 }), '20 deg')),
    tolerance: defaulted(quantity('length', 'May be off by', { min: 0, max: 1 }), '0.03 mm'),
    gaugeUncertainty: more(optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 1 }))),
  },
  outputs: {
    axialMove: { label: 'Move the gear to the pinion by', is: 'length' },
    leftShimChange: { label: 'Behind the gear', is: 'length' },
    rightShimChange: { label: 'On the other side', is: 'length' },
    perMove: { label: 'Backlash for a move of one', is: 'ratio' },
    spread: { label: 'Spread round the gear', is: 'length' },
    uncertainty: { label: 'Uncertainty of the move (k = 2)', is: 'length', optional: true },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const values = input.measuredMm;
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    const spread = Math.max(...values) - Math.min(...values);
    const pitchAngle = Math.atan2(input.gearTeeth, input.pinionTeeth);
    const alpha = (input.pressureAngleDeg * Math.PI) / 180;
    const perMove = 2 * Math.tan(alpha) * Math.sin(pitchAngle);
    const move = (mean - input.targetMm) / perMove;
    if (input.gearTeeth < input.pinionTeeth)
      throw new ReckonError('inconsistent', 'gearTeeth', input.gearTeeth, 'at least as many teeth as the pinion');
    work.step('Mean backlash', 'mean', values.map((v) => f(v, 3)).join(', '), canonical(mean, 'length'));
    work.step(
      'Pitch angle Γ',
      'atan(gear / pinion)',
      `atan(${input.gearTeeth} / ${input.pinionTeeth})`,
      canonical((pitchAngle * 180) / Math.PI, 'angle'),
    );
    work.step(
      'Backlash for a move of one',
      '2 tan α sin Γ',
      `2 × tan ${f(input.pressureAngleDeg)}° × sin ${f((pitchAngle * 180) / Math.PI)}°`,
      canonical(perMove, 'ratio'),
    );
    work.step(
      'Move',
      '(mean − target) / that',
      `(${f(mean, 3)} − ${f(input.targetMm, 3)}) / ${f(perMove, 3)}`,
      canonical(move, 'length'),
    );
    work.step('Behind the gear', '+ move', f(move, 3), canonical(move, 'length'));
    work.step(
      'On the other side',
      '− move: the sum stays, so does the preload',
      f(-move, 3),
      canonical(-move, 'length'),
    );
    work.step(
      'Spread',
      'largest − least',
      `${f(Math.max(...values), 3)} − ${f(Math.min(...values), 3)}`,
      canonical(spread, 'length'),
    );
    const u =
      input.gaugeUncertaintyMm === undefined
        ? 0
        : rootSumSquares(values.map(() => input.gaugeUncertaintyMm! / values.length));
    const runout = spread > MOST_SPREAD_MM;
    const setting = judge(mean, u, {
      lower: input.targetMm - input.toleranceMm,
      upper: input.targetMm + input.toleranceMm,
    });
    if (runout)
      work.warn(
        'run-out',
        `The backlash varies by ${f(spread, 3)} mm round the gear: look for dirt, burrs or a bent flange before moving shims.`,
      );
    if (values.length < 4) work.warn('few-places', 'Measure at four places at least: fewer hide run-out.');
    return {
      axialMove: canonical(move, 'length'),
      leftShimChange: canonical(move, 'length'),
      rightShimChange: canonical(-move, 'length'),
      perMove: canonical(perMove, 'ratio'),
      spread: canonical(spread, 'length'),
      uncertainty: input.gaugeUncertaintyMm === undefined ? undefined : canonical(u / perMove, 'length'),
      verdict: runout
        ? 'run-out'
        : setting === 'within'
          ? 'within'
          : setting === 'outside'
            ? 'move-shims'
            : 'undecided',
    };
  },
});
