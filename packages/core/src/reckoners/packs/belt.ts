import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, optional, quantity, ReckonError } from '../shape/index.ts';

/** A V- or ribbed belt wraps its small pulley by at least this, °: common practice. */
const LEAST_WRAP_DEG = 120;

/**
 * Length of an open belt over two pulleys, its free span and the wrap of the small one; and its tension from the note of
 * the struck span: T = 4 m l² f². Geometry of the open belt; wave on a string.
 */
export const belt = defineReckoner({
  id: 'belt',
  title: 'Belt over two pulleys',
  subject: 'packs',
  asks: ['belt length', 'belt tension', 'tension by frequency', 'wrap', 'drive belt'],
  formula: 'φ = asin((D − d)/2C);  length = 2 C cos φ + π (D + d)/2 + φ (D − d);  wrap = 180° − 2φ;  T = 4 m l² f²',
  sources: ['geometry of the open belt', 'wave on a string'],
  checks: [
    {
      inputs: {
        largePulley: '200 mm',
        smallPulley: '100 mm',
        centres: '500 mm',
        massPerMetre: '100 g/m',
        frequency: '60 Hz',
      },
      // 4 × 0.1 × 0.49749² × 60²
      gives: { length: '1476.2 mm', wrap: '168.5 deg', span: '497.5 mm', tension: '356 N' },
      source: 'by hand',
    },
  ],
  dangers: {
    'little-wrap': {
      harm: 'The belt slips on the small pulley: it burns, and the alternator, pump or fan it drives stops.',
      fires: { centres: '399 mm', largePulley: '500 mm' },
      silent: { centres: '401 mm', largePulley: '500 mm' },
    },
    'other-pulleys': {
      harm: 'A tensioner or an idler bends the span: the note is of another length, and the belt is pulled to breaking bearings.',
      fires: { frequency: '60 Hz' },
      silent: { frequency: null, massPerMetre: null },
    },
    fingers: {
      harm: 'A belt under hand takes fingers with it when the engine is turned.',
      fires: {},
    },
  },
  inputs: {
    largePulley: quantity('length', 'Larger pulley', {
      above: 0,
      max: 10000,
      help: 'at the line where the belt’s cords run',
    }),
    smallPulley: quantity('length', 'Smaller pulley', { above: 0, max: 10000 }),
    centres: quantity('length', 'Between centres', { above: 0, max: 100000 }),
    massPerMetre: optional(
      quantity('massPerLength', 'Mass of a metre of belt', { above: 0, max: 1e5, bareUnit: 'g/m' }),
    ),
    frequency: optional(quantity('frequency', 'Note of the struck span', { above: 0, max: 5000 })),
  },
  outputs: {
    length: { label: 'Length of the belt', is: 'length' },
    span: { label: 'Free span', is: 'length' },
    wrap: { label: 'Wrap of the small pulley', is: 'angle' },
    tension: { label: 'Tension', is: 'force', optional: true },
  },
  compute(input, work) {
    const [D, d] = [input.largePulleyMm, input.smallPulleyMm];
    const C = input.centresMm;
    if (d > D) throw new ReckonError('inconsistent', 'smallPulley', d, `at most the larger, ${f(D)} mm`);
    if (C <= (D + d) / 2)
      throw new ReckonError('out-of-range', 'centres', C, `more than ${f((D + d) / 2)} mm: the pulleys would touch`);
    if ((input.massPerMetreGPerM === undefined) !== (input.frequencyHz === undefined))
      throw new ReckonError(
        'missing-field',
        input.frequencyHz === undefined ? 'frequency' : 'massPerMetre',
        null,
        'massPerMetre and frequency together',
      );
    const phi = Math.asin((D - d) / (2 * C));
    const span = C * Math.cos(phi);
    const length = 2 * span + (Math.PI * (D + d)) / 2 + phi * (D - d);
    const wrap = 180 - (2 * phi * 180) / Math.PI;
    work.step(
      'Slope of the span φ',
      'asin((D − d)/2C)',
      `asin(${f(D - d)}/${f(2 * C)})`,
      canonical((phi * 180) / Math.PI, 'angle'),
    );
    work.step('Free span', 'C cos φ', `${f(C)} × cos ${f((phi * 180) / Math.PI)}°`, canonical(span, 'length'));
    work.step(
      'Length',
      '2 C cos φ + π (D + d)/2 + φ (D − d)',
      `${f(2 * span)} + ${f((Math.PI * (D + d)) / 2)} + ${f(phi * (D - d))}`,
      canonical(length, 'length'),
    );
    work.step(
      'Wrap of the small pulley',
      '180° − 2φ',
      `180 − ${f((2 * phi * 180) / Math.PI)}`,
      canonical(wrap, 'angle'),
    );
    if (wrap < LEAST_WRAP_DEG)
      work.warn(
        'little-wrap',
        `Only ${f(wrap, 0)}° of wrap: under ${LEAST_WRAP_DEG}° a belt slips; an idler on its back helps.`,
      );
    let tension: number | undefined;
    if (input.massPerMetreGPerM !== undefined && input.frequencyHz !== undefined) {
      const metres = span / 1000;
      tension = 4 * (input.massPerMetreGPerM / 1000) * metres ** 2 * input.frequencyHz ** 2;
      work.step(
        'Tension',
        '4 m l² f²',
        `4 × ${f(input.massPerMetreGPerM / 1000)} × ${f(metres, 4)}² × ${f(input.frequencyHz)}²`,
        canonical(tension, 'force'),
      );
      work.warn(
        'other-pulleys',
        'Strike the span that was reckoned, with nothing touching it: an idler makes it another length.',
      );
    }
    work.warn('fingers', 'Ignition off, key out and battery off before a hand goes near a belt.');
    return {
      length: canonical(length, 'length'),
      span: canonical(span, 'length'),
      wrap: canonical(wrap, 'angle'),
      tension: tension === undefined ? undefined : canonical(tension, 'force'),
    };
  },
});
