import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defaulted, defineReckoner, list, optional, quantity, record, ReckonError } from '../shape/index.ts';
import { rootSumSquares } from './gum.ts';

/** Expanded uncertainty of a length reading: resolution, calibration, repeats and temperature, in squares, k = 2. GUM. */
export const gaugeUncertainty = defineReckoner({
  id: 'gauge-uncertainty',
  title: 'Uncertainty of a gauge',
  subject: 'metrology',
  asks: ['how sure is this reading', 'plus minus', 'calibration', 'repeatability'],
  formula: 'U = 2 √((res/2√3)² + (Ucal/2)² + (s/√n)² + (α L δT/√3)²)',
  sources: ['GUM, JCGM 100:2008'],
  checks: [
    {
      inputs: { resolution: '0.01 mm', calibration: '0.008 mm' },
      // √(0.002887² + 0.004²) = 0.004933
      gives: { U: '0.0099 mm' },
      source: 'by hand: 2 × 0.004933',
    },
  ],
  dangers: {
    'no-certificate': {
      harm: 'What the gauge itself is off by is nowhere: a part outside passes as within.',
      fires: { calibration: null },
      silent: { calibration: '0.008 mm' },
    },
    'few-repeats': {
      harm: 'Three readings happen to agree, and are trusted as thirty would be.',
      fires: { repeats: ['10.00 mm', '10.01 mm', '10.00 mm', '10.01 mm'] },
      silent: { repeats: ['10.00 mm', '10.01 mm', '10.00 mm', '10.01 mm', '10.00 mm'] },
    },
  },
  inputs: {
    resolution: quantity('length', 'Resolution', { above: 0, max: 100 }),
    calibration: optional(quantity('length', 'Uncertainty on its certificate (k = 2)', { min: 0, max: 100 })),
    repeats: optional(
      list(
        quantity('length', 'Reading', { min: -10000, max: 10000 }),
        'The same thing read several times; their mean is used',
        { minLength: 2, maxLength: 200 },
      ),
    ),
    temperature: optional(
      record(
        {
          length: quantity('length', 'Length measured', { above: 0, max: 10000 }),
          difference: quantity('temperatureDifference', 'Part and gauge may differ by', { min: 0, max: 100 }),
          expansion: defaulted(
            quantity('expansion', 'Expansion', { above: 0, max: 1e-3, bareUnit: '1/K' }),
            '11.5e-6 1/K',
          ),
        },
        'Temperature',
      ),
    ),
  },
  outputs: {
    U: { label: 'Uncertainty U (k = 2)', is: 'length' },
    budget: { label: 'Budget', is: 'table' },
  },
  compute(input, work) {
    const budget: { source: string; standard: Quantity }[] = [];
    const part = (source: string, formula: string, figures: string, u: number): void => {
      const standard = canonical(u, 'length');
      budget.push({ source, standard });
      work.step(source, formula, figures, standard);
    };
    part('Resolution', 'res/(2√3)', `${f(input.resolutionMm)}/(2√3)`, input.resolutionMm / (2 * Math.sqrt(3)));
    if (input.calibrationMm !== undefined)
      part('Calibration', 'Ucal/2', `${f(input.calibrationMm)}/2`, input.calibrationMm / 2);
    else work.warn('no-certificate', 'No certificate: what the gauge itself is off by is not in this.');
    if (input.repeatsMm) {
      const n = input.repeatsMm.length;
      const mean = input.repeatsMm.reduce((a, b) => a + b, 0) / n;
      const s = Math.sqrt(input.repeatsMm.reduce((a, b) => a + (b - mean) ** 2, 0) / (n - 1));
      part('Repeats', 's/√n', `${f(s)}/√${n}`, s / Math.sqrt(n));
      if (n < 5)
        work.warn(
          'few-repeats',
          'Fewer than five repeats: their spread is itself uncertain, so k = 2 is a little too small.',
        );
    }
    if (input.temperature) {
      const { lengthMm, differenceK, expansionPerK } = input.temperature;
      part(
        'Temperature',
        'α L δT/√3',
        `${f(expansionPerK * 1e6)}·10⁻⁶ × ${f(lengthMm)} × ${f(differenceK)}/√3`,
        (expansionPerK * lengthMm * differenceK) / Math.sqrt(3),
      );
    }
    const U = 2 * rootSumSquares(budget.map((b) => b.standard.value));
    if (U > 1e6) throw new ReckonError('out-of-range', 'resolution', input.resolutionMm, 'figures of a workshop');
    work.step('U', '2 √(Σ squares)', budget.map((b) => `${f(b.standard.value)}²`).join(' + '), canonical(U, 'length'));
    return { U: canonical(U, 'length'), budget };
  },
});
