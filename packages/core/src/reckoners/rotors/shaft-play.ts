import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { judge, type Verdict } from '../metrology/judge.ts';
import { defaulted, defineReckoner, list, more, optional, quantity, ReckonError } from '../shape/index.ts';

const limits = (label: string) =>
  optional(list(quantity('length', 'Limit', { min: 0, max: 50 }), label, { minLength: 2, maxLength: 2 }));

/** Axial and radial play of a turbocharger or pump shaft against its limits, and what each points to. */
export const shaftPlay = defineReckoner({
  id: 'shaft-play',
  title: 'Play of a shaft',
  subject: 'rotors',
  asks: ['turbo play', 'radial play', 'axial play', 'thrust bearing'],
  formula: 'guarded: within only if inside by U, outside only if beyond by U',
  sources: ['ISO 14253-1', 'what it points to: common practice'],
  checks: [
    {
      inputs: {
        axial: '0.06 mm',
        axialLimits: ['0.03 mm', '0.10 mm'],
        radial: '0.75 mm',
        radialLimits: ['0.30 mm', '0.60 mm'],
      },
      gives: { 'verdicts.axial': 'within', 'verdicts.radial': 'outside' },
      source: 'by hand',
    },
  ],
  dangers: {
    worn: {
      harm: 'A turbo with worn bearings is put back: its wheels touch, burst, and the engine runs on its own oil.',
      fires: { radial: '0.61 mm' },
      silent: { radial: '0.59 mm' },
    },
    'near-limit': {
      harm: 'A play on its limit is passed on a gauge that cannot tell.',
      fires: { radial: '0.601 mm' },
      silent: { radial: '0.59 mm' },
    },
  },
  inputs: {
    axial: optional(quantity('length', 'Axial play', { min: 0, max: 50 })),
    radial: optional(quantity('length', 'Radial play', { min: 0, max: 50 })),
    axialLimits: limits('Axial limits'),
    radialLimits: limits('Radial limits'),
    gaugeUncertainty: more(
      defaulted(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 5 }), '0.005 mm'),
    ),
  },
  outputs: {
    verdicts: { label: 'Verdicts', is: 'table' },
    meanings: { label: 'What it points to', is: 'list' },
  },
  compute(input, work) {
    const verdicts: { axial?: Verdict; radial?: Verdict } = {};
    const meanings: string[] = [];
    for (const way of ['axial', 'radial'] as const) {
      const value = input[`${way}Mm`];
      const band = input[`${way}LimitsMm`];
      if (value === undefined && band === undefined) continue;
      if (value === undefined || band === undefined)
        throw new ReckonError(
          'missing-field',
          value === undefined ? way : `${way}Limits`,
          null,
          `${way} and ${way}Limits together`,
        );
      const [low, high] = band as readonly [number, number];
      if (low > high) throw new ReckonError('inconsistent', `${way}Limits`, band, 'the lower limit first');
      const verdict = judge(value, input.gaugeUncertaintyMm, { lower: low, upper: high });
      verdicts[way] = verdict;
      work.given(way === 'axial' ? 'Axial play' : 'Radial play', canonical(value, 'length'));
      work.step(
        way === 'axial' ? 'Axial verdict' : 'Radial verdict',
        'held against the limits and the gauge',
        `${f(low, 3)} to ${f(high, 3)} ± ${f(input.gaugeUncertaintyMm, 3)}`,
        verdict,
      );
      if (verdict === 'outside') work.warn('worn', 'Outside its limits: it does not run again as it is.');
      if (verdict === 'undecided')
        work.warn(
          'near-limit',
          'Too near the limit for this gauge: read again with a finer one, or judge it as outside.',
        );
      if (verdict === 'outside')
        meanings.push(
          value > high
            ? way === 'axial'
              ? 'worn thrust bearing: look for hard particles in the oil, and for what pushed'
              : 'worn journal bearings: look for oil starvation and for wheels that have touched'
            : `too tight ${way === 'axial' ? 'along' : 'across'}: dirt, carbon, or a wrong part`,
        );
      if (verdict === 'undecided') meanings.push(`${way}: too near the limit for this gauge`);
    }
    if (verdicts.axial === undefined && verdicts.radial === undefined)
      throw new ReckonError('missing-field', 'axial', null, 'axial, radial or both, with their limits');
    return { verdicts: verdicts, meanings };
  },
});
