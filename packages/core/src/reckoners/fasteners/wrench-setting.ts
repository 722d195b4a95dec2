import {
  canonical,
  convert,
  decimalsOfStep,
  formatNumber as f,
  formatQuantity,
  roundTo,
  unitsOf,
  type Quantity,
} from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, optional, quantity, ReckonError, scale } from '../shape/index.ts';

const torqueUnits = unitsOf('torque').map((u) => u.symbol);
/** ISO 6789-1 calibrates from 20 % of the largest value (from memory). */
const LEAST_SHARE = 0.2;
/** Half a graduation may be no more than this share of the setting: a click wrench is good to 4 % (ISO 6789-1, from memory). */
const MOST_HALF_STEP = 0.03;

/**
 * What to set a torque wrench to, on its own scale, so that the fastener gets the torque wanted through an extension.
 * T_set = T · L / (L + E cos φ): L from the middle of the grip to the drive, E the extension's length, φ its angle to
 * the wrench (0° straight on, 90° square to it, 180° folded back). Common practice; statics of a lever.
 */
export const wrenchSetting = defineReckoner({
  id: 'wrench-setting',
  title: 'Wrench setting',
  subject: 'fasteners',
  asks: ['crowfoot', 'extension', 'what to set the wrench to', 'wrench scale'],
  formula: 'T_set = T · L / (L + E cos φ), rounded to a graduation of the scale',
  sources: ['lever statics, common practice', 'ISO 6789-1 for the least share of the scale (from memory)'],
  checks: [
    {
      inputs: { torque: '100 N·m', wrenchLength: '400 mm', extension: '50 mm', scaleUnit: 'N·m', graduation: 0.1 },
      gives: { setting: '88.9 N·m' },
      source: 'lever statics',
    },
    {
      inputs: {
        torque: '100 N·m',
        wrenchLength: '400 mm',
        extension: '50 mm',
        extensionAngle: '45 deg',
        scaleUnit: 'N·m',
        graduation: 0.1,
      },
      gives: { setting: '91.9 N·m' },
      source: 'lever statics',
    },
    {
      inputs: {
        torque: '100 N·m',
        wrenchLength: '400 mm',
        extension: '50 mm',
        extensionAngle: '90 deg',
        scaleUnit: 'N·m',
        graduation: 0.1,
      },
      gives: { setting: '100.0 N·m' },
      source: 'lever statics',
    },
  ],
  dangers: {
    'past-the-end': {
      harm: 'The wrench cannot show it: the joint is left loose, or the wrench breaks under the hand.',
      fires: { wrenchMax: 88.8 },
      silent: { wrenchMax: 88.9 },
    },
    'below-the-scale': {
      harm: 'Below its scale a wrench clicks at nothing in particular: the joint is not what the record says.',
      fires: { wrenchMin: 89, wrenchMax: 200 },
      silent: { wrenchMin: 88.9, wrenchMax: 200 },
    },
    'coarse-end': {
      harm: 'In the lowest fifth of its scale a wrench is not calibrated: a small screw is stripped.',
      fires: { wrenchMax: 450 },
      silent: { wrenchMax: 444 },
    },
    'coarse-step': {
      harm: 'The nearest mark of the scale is too far from the figure: the joint is left loose or pulled too tight.',
      fires: { graduation: 7 },
      silent: { graduation: 5 },
    },
  },
  inputs: {
    torque: quantity('torque', 'Torque wanted at the fastener', { above: 0 }),
    wrenchLength: optional(quantity('length', 'Wrench length L, grip to drive', { above: 0, max: 5000 })),
    extension: optional(quantity('length', 'Extension E, drive to fastener', { min: 0, max: 5000 })),
    extensionAngle: defaulted(quantity('angle', 'Angle of the extension φ', { min: -180, max: 180 }), '0 deg'),
    scaleUnit: choice(torqueUnits, 'Unit of the scale'),
    graduation: scale('Graduation of the scale', { help: 'a number on the scale, or a torque' }),
    wrenchMin: optional(scale('Least value of the scale')),
    wrenchMax: optional(scale('Largest value of the scale')),
  },
  outputs: {
    setting: { label: 'Set the wrench to', is: 'own unit' },
    actualTorque: { label: 'Torque that this gives', is: 'torque' },
    roundingError: { label: 'Off by, from rounding to the scale', is: 'torque' },
  },
  compute(input, work) {
    const unit = input.scaleUnit;
    const onScale = (field: string, figure: number | Quantity): number => {
      const value = typeof figure === 'number' ? figure : convert(figure, unit, 'torque').value;
      if (value < 0 || (field === 'graduation' && value <= 0))
        throw new ReckonError('out-of-range', field, figure, `above 0 ${unit}`);
      return value;
    };
    const extension = input.extensionMm ?? 0;
    if (extension > 0 && input.wrenchLengthMm === undefined) {
      throw new ReckonError(
        'missing-field',
        'wrenchLength',
        null,
        'the wrench’s length from grip to drive, in mm or in',
        'wrenchLength: an extension needs the wrench’s length',
      );
    }
    const length = input.wrenchLengthMm ?? 1;
    const lever = length + extension * Math.cos((input.extensionAngleDeg * Math.PI) / 180);
    if (lever <= 0)
      throw new ReckonError(
        'out-of-range',
        'extensionAngle',
        input.extensionAngleDeg,
        'an extension that does not fold back past the grip',
      );
    const factor = length / lever;
    const exact = convert(canonical(input.torqueNm * factor, 'torque'), unit);
    const graduation = onScale('graduation', input.graduation);
    const steps = Math.round(exact.value / graduation);
    if (steps < 1) {
      throw new ReckonError(
        'out-of-range',
        'graduation',
        input.graduation,
        `a graduation finer than the setting ${formatQuantity(exact)}`,
      );
    }
    const setting = roundTo(steps * graduation, Math.min(9, decimalsOfStep(graduation)));
    const actual = convert({ value: setting, unit }, 'N·m').value / factor;

    work.given('Torque wanted', canonical(input.torqueNm, 'torque'));
    if (extension > 0) {
      work.given('Wrench length L', canonical(length, 'length'));
      work.given('Extension E', canonical(extension, 'length'));
      work.step(
        'At the wrench',
        'T · L / (L + E cos φ)',
        `${f(input.torqueNm, 2)} × ${f(length, 1)} / (${f(length, 1)} + ${f(extension, 1)} × cos ${f(input.extensionAngleDeg, 0)}°)`,
        canonical(input.torqueNm * factor, 'torque'),
      );
    }
    if (unit !== 'N·m')
      work.step('On the scale', `in ${unit}`, formatQuantity(canonical(input.torqueNm * factor, 'torque'), 3), exact);
    work.step('Nearest graduation', 'rounded to a step', `${f(exact.value, 3)} to steps of ${f(graduation)}`, {
      value: setting,
      unit,
    });
    work.step(
      'Which gives',
      'T_set (L + E cos φ) / L',
      `${f(setting)} ${unit} / ${f(factor, 4)}`,
      canonical(actual, 'torque'),
    );

    const max = input.wrenchMax === undefined ? undefined : onScale('wrenchMax', input.wrenchMax);
    const min = input.wrenchMin === undefined ? undefined : onScale('wrenchMin', input.wrenchMin);
    if (graduation / 2 > MOST_HALF_STEP * exact.value)
      work.warn(
        'coarse-step',
        `A step of ${f(graduation)} ${unit} is coarse for ${f(exact.value, 1)}: it may be ${f((graduation / 2 / exact.value) * 100, 1)} % off before the wrench’s own error. Take a finer wrench.`,
      );
    if (max !== undefined && setting > max)
      work.warn('past-the-end', `Past the end of this wrench (${f(max)} ${unit}): take a larger one.`);
    else if (min !== undefined && setting < min)
      work.warn('below-the-scale', `Below the start of this wrench’s scale (${f(min)} ${unit}): take a smaller one.`);
    else if (max !== undefined && setting < LEAST_SHARE * max)
      work.warn(
        'coarse-end',
        `Below 20 % of this wrench’s range (${f(LEAST_SHARE * max)} ${unit}): take a smaller one.`,
      );
    return {
      setting: { value: setting, unit },
      actualTorque: canonical(actual, 'torque'),
      roundingError: canonical(actual - input.torqueNm, 'torque'),
    };
  },
});
