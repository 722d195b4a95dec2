import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { judge } from '../metrology/judge.ts';
import { defineReckoner, list, more, optional, quantity, ReckonError, record } from '../shape/index.ts';

/** A compression spring against its limit: free length, what it lost, and its rate from two loads or more. */
export const springCheck = defineReckoner({
  id: 'spring-check',
  title: 'Spring',
  subject: 'packs',
  asks: ['spring tired', 'free length', 'spring rate'],
  formula: 'lost = (nominal − free)/nominal;  rate = − slope of force on length (least squares)',
  sources: ['common practice'],
  checks: [
    {
      inputs: {
        freeLength: '48.2 mm',
        limit: '47.5 mm',
        nominal: '49.0 mm',
        loads: [
          { length: '40 mm', force: '164 N' },
          { length: '30 mm', force: '364 N' },
        ],
      },
      gives: { verdict: 'within', lost: '1.6 %', rate: '20 N/mm' },
      source: 'by hand: 0.8/49; 200 N over 10 mm',
    },
  ],
  dangers: {
    'no-limit': {
      harm: 'Without a limit a tired spring passes: a clutch slips, a valve or a brake hangs.',
      fires: { limit: null },
      silent: { limit: '47.5 mm' },
    },
  },
  inputs: {
    freeLength: quantity('length', 'Free length', { above: 0, max: 5000 }),
    limit: optional(quantity('length', 'At least', { min: 0, max: 5000 })),
    nominal: optional(quantity('length', 'When new', { above: 0, max: 5000 })),
    gaugeUncertainty: more(optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 10 }))),
    loads: optional(
      list(
        record(
          {
            length: quantity('length', 'Length', { above: 0, max: 5000 }),
            force: quantity('force', 'Force', { min: 0, max: 1e6 }),
          },
          'Load',
        ),
        'Loads',
        { minLength: 2, maxLength: 30 },
      ),
    ),
  },
  outputs: {
    verdict: { label: 'Verdict', is: 'word' },
    rate: { label: 'Rate', is: 'springRate', optional: true },
    lost: { label: 'Shorter than new by', is: 'percent', optional: true },
  },
  compute(input, work) {
    work.given('Free length', canonical(input.freeLengthMm, 'length'));
    let rate: number | undefined;
    if (input.loads) {
      const n = input.loads.length;
      const mx = input.loads.reduce((s, l) => s + l.lengthMm, 0) / n;
      const mf = input.loads.reduce((s, l) => s + l.forceN, 0) / n;
      const sxx = input.loads.reduce((s, l) => s + (l.lengthMm - mx) ** 2, 0);
      const sxf = input.loads.reduce((s, l) => s + (l.lengthMm - mx) * (l.forceN - mf), 0);
      if (sxx < 1e-9) throw new ReckonError('inconsistent', 'loads', n, 'loads at different lengths');
      rate = -sxf / sxx;
      if (rate <= 0) throw new ReckonError('inconsistent', 'loads', f(rate), 'more force at the shorter length');
      if (input.loads.some((l) => l.lengthMm >= input.freeLengthMm && l.forceN > 0))
        throw new ReckonError('inconsistent', 'loads', input.freeLengthMm, 'lengths below the free length');
      work.step(
        'Rate',
        '− slope of force on length',
        input.loads.map((l) => `${f(l.forceN)} at ${f(l.lengthMm)}`).join(', '),
        canonical(rate, 'springRate'),
      );
    }
    let lost: number | undefined;
    if (input.nominalMm !== undefined) {
      lost = (1 - input.freeLengthMm / input.nominalMm) * 100;
      work.step(
        'Shorter than new',
        '(new − free)/new',
        `(${f(input.nominalMm)} − ${f(input.freeLengthMm)})/${f(input.nominalMm)}`,
        canonical(lost, 'percent'),
      );
    }
    let verdict: string = 'no-limit';
    if (input.limitMm !== undefined)
      verdict = judge(input.freeLengthMm, input.gaugeUncertaintyMm ?? 0, { lower: input.limitMm });
    else work.warn('no-limit', 'No limit is given: the springs of one set may be held against each other.');
    return {
      verdict,
      rate: rate === undefined ? undefined : canonical(rate, 'springRate'),
      lost: lost === undefined ? undefined : canonical(lost, 'percent'),
    };
  },
});
