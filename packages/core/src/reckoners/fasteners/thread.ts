import { canonical, formatNumber } from '../../quantities/index.ts';
import { defineReckoner, text } from '../shape/index.ts';
import {
  MINOR_DIAMETER_FACTOR,
  PITCH_DIAMETER_FACTOR,
  ROOT_DIAMETER_FACTOR,
  threadGeometry,
} from './thread-geometry.ts';

/**
 * Basic dimensions of a 60° screw thread from its designation.
 * d2 = d − 0.649519 P, d1 = d − 1.082532 P, d3 = d − 1.226869 P (ISO 724, ISO 68-1).
 * Metric stress area π/4 (d − 0.9382 P)² (ISO 898-1); Unified 0.7854 (D − 0.9743/n)² in² (ASME B1.1).
 */
export const thread = defineReckoner({
  id: 'thread',
  title: 'Thread sizes',
  subject: 'fasteners',
  asks: ['what is this thread', 'pitch', 'stress area', 'tapping'],
  formula: 'd2 = d − 0.649519 P;  d1 = d − 1.082532 P;  d3 = d − 1.226869 P;  As = π/4 (d − 0.9382 P)²',
  sources: ['ISO 261, ISO 724 and ISO 898-1 (metric)', 'ASME B1.1 (Unified)'],
  checks: [
    {
      inputs: { designation: 'M10' },
      gives: { pitchDiameter: '9.026 mm', minorDiameter: '8.376 mm', rootDiameter: '8.160 mm', stressArea: '58.0 mm²' },
      source: 'ISO 724, ISO 898-1 table 4',
    },
    { inputs: { designation: 'M12x1.25' }, gives: { stressArea: '92.1 mm²' }, source: 'ISO 898-1 table 5' },
    { inputs: { designation: '1/2-13 UNC' }, gives: { stressArea: '0.1419 in²' }, source: 'ASME B1.1' },
    { inputs: { designation: '3/8-16 UNC' }, gives: { stressArea: '0.0775 in²' }, source: 'ASME B1.1' },
    { inputs: { designation: '1-14 UNS' }, gives: { stressArea: '0.6799 in²' }, source: 'ASME B1.1' },
    { inputs: { designation: 'M10x1-6H LH' }, gives: { minorDiameter: '8.917 mm', hand: 'left' }, source: 'ISO 724' },
  ],
  dangers: {
    'odd-pitch': {
      harm: 'The pitch was read wrong, and a bolt is forced into a thread that it strips.',
      fires: { designation: 'M8x0.5' },
      silent: { designation: 'M8x0.75' },
    },
    'left-hand': {
      harm: 'A left-hand fastener is turned the usual way: it is broken off, or tightened till it breaks.',
      fires: { designation: 'M10 LH' },
      silent: { designation: 'M10' },
    },
  },
  inputs: {
    designation: text('Thread', { help: 'M10, M12x1.25-6g, M10 LH, 1/2-13 UNC', maxLength: 30, find: 'thread-find' }),
  },
  outputs: {
    nominalDiameter: { label: 'Nominal diameter d', is: 'length' },
    pitch: { label: 'Pitch P', is: 'length' },
    pitchDiameter: { label: 'Pitch diameter d2', is: 'length' },
    rootDiameter: { label: 'Root diameter d3', is: 'length' },
    minorDiameter: { label: 'Minor diameter of the nut d1', is: 'length' },
    stressArea: { label: 'Stress area As', is: 'area' },
    hand: { label: 'Turned in', is: 'word' },
    toleranceClass: { label: 'Tolerance class', is: 'word', optional: true },
  },
  compute({ designation }, work) {
    const t = threadGeometry(designation);
    const d = formatNumber(t.nominalMm, 3);
    const p = formatNumber(t.pitchMm, 4);
    work.given('Nominal diameter d', canonical(t.nominalMm, 'length'));
    work.given('Pitch P', canonical(t.pitchMm, 'length'));
    const line = (name: string, symbol: string, factor: number, value: number): void =>
      work.step(name, `${symbol} = d − ${factor} P`, `${d} − ${factor} × ${p}`, canonical(value, 'length'));
    line('Pitch diameter', 'd2', PITCH_DIAMETER_FACTOR, t.pitchDiameterMm);
    line('Minor diameter of the nut', 'd1', MINOR_DIAMETER_FACTOR, t.minorMm);
    line('Root diameter', 'd3', ROOT_DIAMETER_FACTOR, t.rootMm);
    if (t.system === 'metric') {
      work.step(
        'Stress area',
        'As = π/4 (d − 0.9382 P)²',
        `π/4 × (${d} − 0.9382 × ${p})²`,
        canonical(t.stressAreaMm2, 'area'),
      );
    } else {
      const dIn = formatNumber(t.nominalMm / 25.4, 4);
      const n = formatNumber(25.4 / t.pitchMm, 0);
      work.step(
        'Stress area',
        'As = 0.7854 (D − 0.9743/n)² in²',
        `0.7854 × (${dIn} − 0.9743/${n})² × 25.4²`,
        canonical(t.stressAreaMm2, 'area'),
      );
    }
    if (t.unusualPitch)
      work.warn(
        'odd-pitch',
        `${t.designation} is not a diameter and pitch that ISO 261 lists together: see that the pitch was read right.`,
      );
    if (t.leftHand) work.warn('left-hand', 'A left-hand thread: it comes off clockwise and goes on anticlockwise.');
    return {
      nominalDiameter: canonical(t.nominalMm, 'length'),
      pitch: canonical(t.pitchMm, 'length'),
      pitchDiameter: canonical(t.pitchDiameterMm, 'length'),
      rootDiameter: canonical(t.rootMm, 'length'),
      minorDiameter: canonical(t.minorMm, 'length'),
      stressArea: canonical(t.stressAreaMm2, 'area'),
      hand: t.leftHand ? 'left' : 'right',
      toleranceClass: t.toleranceClass,
    };
  },
});
