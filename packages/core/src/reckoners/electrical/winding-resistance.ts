import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { propagate } from '../metrology/gum.ts';
import { judge } from '../metrology/judge.ts';
import { defaulted, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';

/** Where the resistance of copper would vanish on its straight line, °C (IEC 60034-1). */
export const COPPER_C = 235;

/** Resistance of a copper winding at the reference temperature: × (235 + tref)/(235 + t). IEC 60034-1. */
export const windingResistance = defineReckoner({
  id: 'winding-resistance',
  title: 'Winding resistance',
  subject: 'electrical',
  asks: ['rotor resistance', 'stator ohms', 'warm winding', 'field coil'],
  formula: 'R(tref) = (R − leads) (235 + tref)/(235 + t)',
  sources: ['IEC 60034-1, copper'],
  checks: [
    {
      inputs: { reading: '2.90 Ω', temperature: '45 °C' },
      gives: { corrected: '2.641 Ω' },
      source: 'by hand: 2.90 × 255/280',
    },
  ],
  dangers: {
    'leads-count': {
      harm: 'The leads are read as winding: a short is passed as sound.',
      fires: { reading: '0.99 Ω' },
      silent: { reading: '1 Ω' },
    },
  },
  inputs: {
    reading: quantity('resistance', 'Reading', { above: 0, max: 1e9 }),
    temperature: quantity('temperature', 'Temperature of the winding', { min: -60, max: 300 }),
    referenceTemperature: defaulted(quantity('temperature', 'Stated at', { min: -60, max: 300 }), '20 °C'),
    limitLow: optional(quantity('resistance', 'At least', { min: 0, max: 1e9 })),
    limitHigh: optional(quantity('resistance', 'At most', { min: 0, max: 1e9 })),
    leadResistance: defaulted(quantity('resistance', 'Leads, touched together', { min: 0, max: 1e6 }), '0 ohm'),
    readingUncertainty: more(
      optional(quantity('resistance', 'Uncertainty of the reading (k = 2)', { min: 0, max: 1e6 })),
    ),
    temperatureUncertainty: more(
      optional(quantity('temperatureDifference', 'Uncertainty of the temperature (k = 2)', { min: 0, max: 50 })),
    ),
  },
  outputs: {
    corrected: { label: 'At the stated temperature', is: 'resistance' },
    uncertainty: { label: 'Uncertainty (k = 2)', is: 'resistance', optional: true },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    if (input.leadResistanceOhm >= input.readingOhm)
      throw new ReckonError('inconsistent', 'leadResistance', input.leadResistanceOhm, 'less than the reading');
    if (input.limitLowOhm !== undefined && input.limitHighOhm !== undefined && input.limitLowOhm > input.limitHighOhm)
      throw new ReckonError('inconsistent', 'limitLow', input.limitLowOhm, 'at most limitHigh');
    const at = (r: number, t: number): number =>
      ((r - input.leadResistanceOhm) * (COPPER_C + input.referenceTemperatureC)) / (COPPER_C + t);
    const corrected = at(input.readingOhm, input.temperatureC);
    work.step(
      'Corrected',
      '(R − leads)(235 + tref)/(235 + t)',
      `(${f(input.readingOhm)} − ${f(input.leadResistanceOhm)}) × ${f(COPPER_C + input.referenceTemperatureC)}/${f(COPPER_C + input.temperatureC)}`,
      canonical(corrected, 'resistance'),
    );
    const given = input.readingUncertaintyOhm !== undefined || input.temperatureUncertaintyK !== undefined;
    const u = given
      ? propagate(
          at,
          [input.readingOhm, input.temperatureC],
          [input.readingUncertaintyOhm ?? 0, input.temperatureUncertaintyK ?? 0],
        )
      : 0;
    if (given) work.step('Uncertainty', 'reading and temperature, in squares', 'GUM', canonical(u, 'resistance'));
    const limits = { lower: input.limitLowOhm, upper: input.limitHighOhm };
    const verdict = limits.lower === undefined && limits.upper === undefined ? undefined : judge(corrected, u, limits);
    if (input.leadResistanceOhm === 0 && input.readingOhm < 1)
      work.warn(
        'leads-count',
        'Under an ohm the leads count: touch them together, read, and give it as leadResistance.',
      );
    return {
      corrected: canonical(corrected, 'resistance'),
      uncertainty: given ? canonical(u, 'resistance') : undefined,
      verdict,
    };
  },
});
