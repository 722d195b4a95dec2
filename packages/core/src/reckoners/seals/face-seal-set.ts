import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { judge } from '../metrology/judge.ts';
import { defaulted, defineReckoner, list, optional, quantity, record, ReckonError } from '../shape/index.ts';

/** Where to set the collar of a mechanical face seal: its free place and the compression that the chart gives. */
export const faceSealSet = defineReckoner({
  id: 'face-seal-set',
  title: 'Setting a face seal',
  subject: 'seals',
  asks: ['mechanical seal', 'seal compression', 'collar position', 'pump seal'],
  formula: 'target = neutral + compression of the chart’s row for this very shaft',
  sources: ['the maker’s chart; a shaft between rows is refused, not guessed'],
  checks: [
    {
      inputs: {
        chart: [
          { shaft: '25 mm', compression: '4.0 mm' },
          { shaft: '30 mm', compression: '4.5 mm' },
        ],
        shaftDiameter: '30 mm',
        neutralPosition: '41.0 mm',
        position: '45.3 mm',
      },
      gives: { compression: '4.5 mm', target: '45.5 mm', verdict: 'within' },
      source: 'by hand',
    },
  ],
  dangers: {
    'clean-faces': {
      harm: 'A finger’s grease on the faces: the seal leaks from its first hour.',
      fires: {},
    },
  },
  inputs: {
    chart: list(
      record(
        {
          shaft: quantity('length', 'Shaft', { above: 0, max: 1000 }),
          compression: quantity('length', 'Compression', { min: 0, max: 100 }),
        },
        'Row',
      ),
      'The maker’s chart',
      { maxLength: 60 },
    ),
    shaftDiameter: quantity('length', 'Shaft', { above: 0, max: 1000 }),
    neutralPosition: quantity('length', 'Collar with the faces just touching', {
      min: -1000,
      max: 10000,
      help: 'measured so that pushing on adds',
    }),
    position: optional(quantity('length', 'Collar now', { min: -1000, max: 10000 })),
    tolerance: defaulted(quantity('length', 'May be off by', { min: 0, max: 100 }), '0.5 mm'),
  },
  outputs: {
    compression: { label: 'Compression', is: 'length' },
    target: { label: 'Set the collar at', is: 'length' },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    const row = input.chart.find((r) => Math.abs(r.shaftMm - input.shaftDiameterMm) < 1e-6);
    if (!row) {
      const rows = [...input.chart].map((r) => r.shaftMm).sort((a, b) => a - b);
      throw new ReckonError(
        'not-in-chart',
        'shaftDiameter',
        input.shaftDiameterMm,
        `a shaft of the chart: ${rows.map((s) => f(s)).join(', ')} mm`,
        `${f(input.shaftDiameterMm)} mm stands in no row of the chart, and between rows nothing is guessed`,
      );
    }
    const target = input.neutralPositionMm + row.compressionMm;
    work.step('Compression', 'row of the chart', `shaft ${f(row.shaftMm)}`, canonical(row.compressionMm, 'length'));
    work.step(
      'Set the collar at',
      'neutral + compression',
      `${f(input.neutralPositionMm)} + ${f(row.compressionMm)}`,
      canonical(target, 'length'),
    );
    const verdict =
      input.positionMm === undefined
        ? undefined
        : judge(input.positionMm, 0, { lower: target - input.toleranceMm, upper: target + input.toleranceMm });
    work.warn('clean-faces', 'Do not touch the faces with bare fingers; oil from the skin is enough to spoil them.');
    return { compression: canonical(row.compressionMm, 'length'), target: canonical(target, 'length'), verdict };
  },
});
