import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defineReckoner, list, more, optional, quantity, ReckonError } from '../shape/index.ts';
import { rootSumSquares } from './gum.ts';
import { judge } from './judge.ts';

const diameter = quantity('length', 'Diameter', { above: 0, max: 5000 });

/** Out of round, taper and clearance of a bore from two readings at each depth. */
export const boreReadings = defineReckoner({
  id: 'bore-readings',
  title: 'Bore: round, taper, clearance',
  subject: 'metrology',
  asks: ['out of round', 'taper', 'bore gauge', 'ovality', 'clearance'],
  formula: 'out of round = largest |x − y|;  taper = largest − least mean by depth;  clearance = bore − shaft',
  sources: ['two-point diameters: three-lobed bores hide from them (common practice)'],
  checks: [
    {
      inputs: {
        bore: [
          ['50.02 mm', '50.03 mm'],
          ['50.01 mm', '50.03 mm'],
          ['50.00 mm', '50.01 mm'],
        ],
        shaft: ['49.98 mm', '49.97 mm'],
        limits: ['50.00 mm', '50.05 mm'],
      },
      // means 50.025, 50.020, 50.005
      gives: {
        outOfRound: '0.02 mm',
        taper: '0.020 mm',
        clearanceMin: '0.02 mm',
        clearanceMax: '0.06 mm',
        mean: '50.017 mm',
      },
      source: 'by hand',
    },
  ],
  dangers: {
    'shaft-larger': {
      harm: 'A shaft larger than its bore is called a running fit: it seizes.',
      fires: { shaft: ['50.01 mm', '50.00 mm'] },
      silent: { shaft: ['50.00 mm', '50.00 mm'] },
    },
    'below-the-gauge': {
      harm: 'Noise of the gauge is read as wear: a good bore is scrapped, or a worn one kept.',
      fires: { gaugeUncertainty: '0.03 mm' },
      silent: { gaugeUncertainty: '0.01 mm' },
    },
  },
  inputs: {
    bore: list(list(diameter, 'Two readings, a quarter turn apart', { minLength: 2, maxLength: 2 }), 'Bore, by depth', {
      maxLength: 30,
    }),
    shaft: optional(list(diameter, 'Shaft', { maxLength: 30 })),
    limits: optional(list(diameter, 'Limits of the bore', { minLength: 2, maxLength: 2 })),
    gaugeUncertainty: more(optional(quantity('length', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 5 }))),
  },
  outputs: {
    mean: { label: 'Mean', is: 'length' },
    outOfRound: { label: 'Out of round', is: 'length' },
    taper: { label: 'Taper', is: 'length' },
    clearanceMin: { label: 'Least clearance', is: 'length', optional: true },
    clearanceMean: { label: 'Mean clearance', is: 'length', optional: true },
    clearanceMax: { label: 'Most clearance', is: 'length', optional: true },
    uncertainty: { label: 'Uncertainty of a clearance (k = 2)', is: 'length', optional: true },
    verdicts: { label: 'Verdicts', is: 'table' },
  },
  compute(input, work) {
    const bore = input.bore as readonly (readonly [number, number])[];
    const all = bore.flat();
    const means = bore.map(([x, y]) => (x + y) / 2);
    const mean = all.reduce((a, b) => a + b, 0) / all.length;
    const outOfRound = Math.max(...bore.map(([x, y]) => Math.abs(x - y)));
    const taper = Math.max(...means) - Math.min(...means);
    const q = (v: number): Quantity => canonical(v, 'length');
    work.step('Mean', 'mean of all', `${all.length} readings`, q(mean));
    work.step('Out of round', 'largest |x − y|', bore.map(([x, y]) => f(Math.abs(x - y), 3)).join(', '), q(outOfRound));
    work.step('Taper', 'largest − least mean', means.map((m) => f(m, 4)).join(', '), q(taper));
    const u = input.gaugeUncertaintyMm;
    const clearances: { clearanceMin?: Quantity; clearanceMean?: Quantity; clearanceMax?: Quantity } = {};
    if (input.shaftMm) {
      const shaftMean = input.shaftMm.reduce((a, b) => a + b, 0) / input.shaftMm.length;
      clearances.clearanceMin = q(Math.min(...all) - Math.max(...input.shaftMm));
      clearances.clearanceMean = q(mean - shaftMean);
      clearances.clearanceMax = q(Math.max(...all) - Math.min(...input.shaftMm));
      work.step(
        'Least clearance',
        'least bore − largest shaft',
        `${f(Math.min(...all), 3)} − ${f(Math.max(...input.shaftMm), 3)}`,
        clearances.clearanceMin,
      );
      work.step(
        'Most clearance',
        'largest bore − least shaft',
        `${f(Math.max(...all), 3)} − ${f(Math.min(...input.shaftMm), 3)}`,
        clearances.clearanceMax,
      );
      if (clearances.clearanceMin.value < 0)
        work.warn(
          'shaft-larger',
          'The shaft is larger than the bore at its tightest: this is a press, not a running fit.',
        );
    }
    const verdicts: { [k: string]: string } = {};
    if (input.limitsMm) {
      const [low, high] = input.limitsMm as readonly [number, number];
      if (low > high) throw new ReckonError('inconsistent', 'limits', input.limitsMm, 'the lower limit first');
      verdicts['least'] = judge(Math.min(...all), u ?? 0, { lower: low, upper: high });
      verdicts['largest'] = judge(Math.max(...all), u ?? 0, { lower: low, upper: high });
    }
    if (u !== undefined && outOfRound < u)
      work.warn('below-the-gauge', 'Out of round by less than the gauge can tell.');
    return {
      mean: q(mean),
      outOfRound: q(outOfRound),
      taper: q(taper),
      ...clearances,
      uncertainty: u === undefined || !input.shaftMm ? undefined : q(rootSumSquares([u, u])),
      verdicts,
    };
  },
});
