import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, more, optional, quantity } from '../shape/index.ts';
import { glandFields } from './gland-fields.ts';
import { MOST_FILL, PREFERRED_STATIC, ringInGland, squeezeWindow, STRETCH, type Gland, type Window } from './gland.ts';
import { chartHardness, widestGapMm } from './tables/extrusion.ts';

type Grade = 'low' | 'good' | 'high';
const grade = (low: number, high: number, w: Window): Grade =>
  low < w.low - 1e-9 ? 'low' : high > w.high + 1e-9 ? 'high' : 'good';

/**
 * Stretch, squeeze and fill of an O-ring in its groove, with the tolerances of the ring at their worst.
 * Volume constant: w'² (d' + w') = w² (d + w). squeeze = 1 − depth/w'; fill = π/4 w'² / (width · depth).
 */
export const oringGland = defineReckoner({
  id: 'oring-gland',
  title: 'O-ring in its groove',
  subject: 'seals',
  asks: ['squeeze', 'o-ring groove', 'stretch', 'fill', 'does this o-ring fit'],
  formula: 'w′² (d′ + w′) = w² (d + w);  squeeze = 1 − depth/w′;  fill = π/4 w′² / (width · depth)',
  sources: ['ISO 3601-2 and handbooks for the windows, from memory', 'extrusion: handbook charts, from memory'],
  checks: [
    {
      inputs: {
        insideDiameter: '29.2 mm',
        section: '3 mm',
        kind: 'piston',
        motion: 'static',
        grooveDiameter: '30 mm',
        matingDiameter: '35 mm',
        grooveWidth: '4 mm',
      },
      // stretch 0.8/29.2; w′ from 9 × 32.2 = w′² (30 + w′); depth 2.5
      gives: { stretch: '2.74 %', sectionInstalled: '2.965 mm', squeeze: '15.7 %', fill: '69.0 %' },
      source: 'by hand from constant volume',
    },
  ],
  dangers: {
    stretched: {
      harm: 'A stretched ring ages and thins: it leaks before the year is out.',
      fires: { insideDiameter: '28.5 mm' },
      silent: { insideDiameter: '28.6 mm' },
    },
    'larger-than-seat': {
      harm: 'A ring too large folds in its groove and is cut when the parts go together.',
      fires: { insideDiameter: '30.1 mm' },
      silent: { insideDiameter: '30 mm' },
    },
    'no-touch': {
      harm: 'The ring does not touch: whatever it should hold back runs past.',
      fires: { matingDiameter: '36 mm' },
      silent: { matingDiameter: '35.9 mm' },
    },
    'nearly-full': {
      harm: 'The groove is full: warm rubber bursts the cover, or tears itself.',
      fires: { grooveWidth: '3.2 mm' },
      silent: { grooveWidth: '3.3 mm' },
    },
    'over-full': {
      harm: 'More rubber than room: the parts do not close, a cover cracks, a piston seizes.',
      fires: { grooveWidth: '2.7 mm' },
      silent: { grooveWidth: '2.8 mm' },
    },
    'too-shallow': {
      harm: 'A rule is believed where it does not hold: the ring is cut as the parts go together.',
      fires: { grooveDiameter: '32.61 mm', insideDiameter: '32 mm' },
      silent: { grooveDiameter: '32.59 mm', insideDiameter: '32 mm' },
    },
    preferred: {
      harm: 'At the edge of its window a ring leaks when cold, or sticks when it ages.',
      fires: { matingDiameter: '35.1 mm' },
      silent: { matingDiameter: '35 mm' },
    },
    soft: {
      harm: 'A soft ring is judged by the chart of a harder one: it is pushed into the gap.',
      fires: { pressure: '50 bar', gap: '0.1 mm', hardness: 64 },
      silent: { pressure: '50 bar', gap: '0.1 mm', hardness: 65 },
    },
    extrudes: {
      harm: 'The ring is nibbled away at the gap: a ram comes down, a brake goes.',
      fires: { pressure: '70 bar', gap: '0.18 mm' },
      silent: { pressure: '70 bar', gap: '0.17 mm' },
    },
  },
  inputs: {
    insideDiameter: quantity('length', 'Inside diameter of the ring', { above: 0, max: 3000 }),
    section: quantity('length', 'Section of the ring', { above: 0, max: 100 }),
    insideTolerance: more(optional(quantity('length', 'Inside diameter ±', { min: 0, max: 50 }))),
    sectionTolerance: more(optional(quantity('length', 'Section ±', { min: 0, max: 5 }))),
    ...glandFields,
  },
  outputs: {
    stretch: { label: 'Stretch', is: 'percent' },
    sectionInstalled: { label: 'Section, fitted', is: 'length' },
    squeeze: { label: 'Squeeze', is: 'percent' },
    squeezeMin: { label: 'Least squeeze', is: 'percent' },
    squeezeMax: { label: 'Most squeeze', is: 'percent' },
    fill: { label: 'Fill', is: 'percent' },
    fillMax: { label: 'Most fill', is: 'percent' },
    verdicts: { label: 'Verdicts', is: 'table' },
    extrusion: { label: 'Will it be pushed into the gap', is: 'word', optional: true },
  },
  compute(input, work) {
    const gland: Gland = {
      kind: input.kind,
      grooveMm: input.grooveDiameterMm,
      matingMm: input.matingDiameterMm,
      widthMm: input.grooveWidthMm,
      faceDepthMm: input.grooveDepthMm,
    };
    const idTol = Math.min(input.insideToleranceMm ?? 0, input.insideDiameterMm * 0.5);
    const wTol = Math.min(input.sectionToleranceMm ?? 0, input.sectionMm * 0.5);
    const mid = ringInGland(gland, input.insideDiameterMm, input.sectionMm);
    const thin = ringInGland(gland, input.insideDiameterMm - idTol, input.sectionMm - wTol);
    const thick = ringInGland(gland, input.insideDiameterMm + idTol, input.sectionMm + wTol);
    const window = squeezeWindow(input.motion, input.medium);
    work.step(
      'Depth',
      input.kind === 'face' ? 'as given' : '(larger − smaller diameter)/2',
      input.kind === 'face'
        ? f(mid.depthMm)
        : `(${f(Math.max(gland.grooveMm, gland.matingMm!))} − ${f(Math.min(gland.grooveMm, gland.matingMm!))})/2`,
      canonical(mid.depthMm, 'length'),
    );
    work.step(
      'Stretch',
      'seat / inside − 1',
      `${f(input.kind === 'rod' ? gland.matingMm! : gland.grooveMm)} / ${f(input.insideDiameterMm)} − 1`,
      canonical(mid.stretchPercent, 'percent'),
    );
    work.step(
      'Section, fitted',
      'w′² (d′ + w′) = w² (d + w)',
      `${f(input.sectionMm)}² × (${f(input.insideDiameterMm)} + ${f(input.sectionMm)})`,
      canonical(mid.sectionInstalledMm, 'length'),
    );
    work.step(
      'Squeeze',
      '1 − depth / w′',
      `1 − ${f(mid.depthMm)} / ${f(mid.sectionInstalledMm)}`,
      canonical(mid.squeezePercent, 'percent'),
    );
    work.step(
      'Fill',
      'π/4 w′² / (width · depth)',
      `π/4 × ${f(mid.sectionInstalledMm)}² / (${f(gland.widthMm)} × ${f(mid.depthMm)})`,
      canonical(mid.fillPercent, 'percent'),
    );
    work.step(
      'Squeeze may be',
      `${input.motion}${input.motion === 'dynamic' ? `, ${input.medium}` : ''}`,
      'window',
      `${window.low} to ${window.high} %`,
    );
    const verdicts = {
      stretch: grade(mid.stretchPercent, mid.stretchPercent, STRETCH),
      squeeze: grade(thin.squeezePercent, thick.squeezePercent, window),
      fill: thick.fillPercent > MOST_FILL ? ('high' as const) : ('good' as const),
    };
    if (verdicts.stretch === 'high')
      work.warn('stretched', 'Stretched over 5 %: the ring ages faster and sits too thin. Take a larger one.');
    if (verdicts.stretch === 'low')
      work.warn('larger-than-seat', 'The ring is larger than its seat: it can bunch up and be pinched.');
    if (mid.squeezePercent <= 0) work.warn('no-touch', 'The ring does not touch: it cannot seal.');
    if (verdicts.fill === 'high')
      work.warn('nearly-full', 'The groove is nearly full: rubber swells and heats, and has nowhere to go.');
    if (thick.fillPercent > 100)
      work.warn(
        'over-full',
        'More rubber than the groove holds: it cannot be put together. Another ring, or a wider groove.',
      );
    if (mid.depthMm < 0.4 * input.sectionMm)
      work.warn('too-shallow', 'The groove is too shallow for this section to be judged by these rules.');
    if (
      input.motion === 'static' &&
      verdicts.squeeze === 'good' &&
      (mid.squeezePercent < PREFERRED_STATIC.low || mid.squeezePercent > PREFERRED_STATIC.high)
    )
      work.warn('preferred', 'Inside the window, but 15 to 30 % is preferred at rest.');
    let extrusion: string | undefined;
    if (input.pressureBar !== undefined && input.gapMm !== undefined) {
      const hardness = chartHardness(input.hardness);
      const widest = widestGapMm(hardness, input.pressureBar);
      work.step(
        'Widest gap',
        `chart for ${hardness} Shore A`,
        `${f(input.pressureBar)} bar`,
        canonical(widest, 'length'),
      );
      extrusion = input.gapMm <= widest ? 'holds' : 'needs-backup-ring';
      if (extrusion === 'needs-backup-ring')
        work.warn(
          'extrudes',
          `A gap of ${f(input.gapMm)} mm at ${f(input.pressureBar)} bar wants a back-up ring (widest without: ${f(widest, 2)} mm, half of that where the pressure pulses).`,
        );
      if (input.hardness < 65)
        work.warn('soft', 'Softer than the charts cover: 70 Shore A is taken, and it will hold less.');
    }
    const p = (v: number): ReturnType<typeof canonical> => canonical(v, 'percent');
    return {
      stretch: p(mid.stretchPercent),
      sectionInstalled: canonical(mid.sectionInstalledMm, 'length'),
      squeeze: p(mid.squeezePercent),
      squeezeMin: p(thin.squeezePercent),
      squeezeMax: p(thick.squeezePercent),
      fill: p(mid.fillPercent),
      fillMax: p(thick.fillPercent),
      verdicts,
      extrusion,
    };
  },
});
