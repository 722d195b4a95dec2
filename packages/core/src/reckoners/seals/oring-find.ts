import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import {
  choice,
  defaulted,
  defineReckoner,
  either,
  list,
  optional,
  quantity,
  record,
  ReckonError,
  text,
} from '../shape/index.ts';
import { glandFields } from './gland-fields.ts';
import { MOST_FILL, ringInGland, squeezeWindow, STRETCH, type Gland, type RingInGland } from './gland.ts';
import { chartHardness, widestGapMm } from './tables/extrusion.ts';
import { ringLists, type RingSize } from './tables/o-rings.ts';

const LISTED = 12;
/** Up to this pressure no ordinary gap takes a ring with it, bar: handbook charts, from memory. */
const NO_GAP_BAR = 16;
/** A ring counts as a near miss when it is off by no more than this share of the window. */
const NEAR = 0.5;

/**
 * The rings of a list that fit a groove, best first: every size is put into the gland. Best is the squeeze nearest the
 * middle of its window, then the stretch nearest 2 %. Exhaustive; see oring-gland for the figures of each.
 */
export const oringFind = defineReckoner({
  id: 'oring-find',
  title: 'Which O-ring for this groove',
  subject: 'seals',
  asks: ['which o-ring', 'find an o-ring', 'o-ring size', 'groove without a ring'],
  formula: 'every size of the list into the gland; stretch, squeeze and fill inside their windows',
  sources: ['AS568 (full list), ISO 3601-1 series G, common metric: from memory', 'ISO 3601-2 windows, from memory'],
  checks: [
    {
      inputs: {
        kind: 'piston',
        motion: 'static',
        grooveDiameter: '25.4 mm',
        matingDiameter: '31.2 mm',
        grooveWidth: '4.8 mm',
        sizes: 'as568',
      },
      gives: { 'matches.0.code': '-214' },
      source: 'exhaustive: 0.984 × 0.139 in stretched 1.6 %',
    },
  ],
  dangers: {
    'none-fits': {
      harm: 'The nearest ring is pressed into service: it leaks, or is cut.',
      fires: { grooveWidth: '2.0 mm' },
      silent: { grooveWidth: '4.8 mm' },
    },
    extrudes: {
      harm: 'The ring that fits is nibbled away at the gap: a ram comes down, a brake goes.',
      fires: { pressure: '70 bar', gap: '0.18 mm' },
      silent: { pressure: '70 bar', gap: '0.17 mm' },
    },
    'gap-unsaid': {
      harm: 'The pressure is given and the gap is not: a ring is chosen that is pushed out.',
      fires: { pressure: '50 bar' },
      silent: { pressure: '15 bar' },
    },
  },
  inputs: {
    ...glandFields,
    sizes: defaulted(
      either(
        [
          choice(['as568', 'iso3601', 'metric'], 'List'),
          list(
            record(
              {
                code: text('Code', { maxLength: 40 }),
                insideDiameter: quantity('length', 'Inside diameter', { above: 0, max: 3000 }),
                section: quantity('length', 'Section', { above: 0, max: 100 }),
                outsideDiameter: optional(quantity('length', 'Outside diameter', { above: 0, max: 3200 })),
              },
              'Ring',
            ),
            'Own list',
            { maxLength: 500 },
          ),
        ],
        'Sizes to look through',
      ),
      'as568',
    ),
  },
  outputs: {
    matches: { label: 'Fit, best first', is: 'table' },
    nearMisses: { label: 'Near misses', is: 'table' },
  },
  compute(input, work) {
    const gland: Gland = {
      kind: input.kind,
      grooveMm: input.grooveDiameterMm,
      matingMm: input.matingDiameterMm,
      widthMm: input.grooveWidthMm,
      faceDepthMm: input.grooveDepthMm,
    };
    const sizes: readonly RingSize[] =
      typeof input.sizes === 'string'
        ? ringLists[input.sizes]
        : input.sizes.map((s, i) => {
            const outside = s.insideDiameterMm + 2 * s.sectionMm;
            if (s.outsideDiameterMm !== undefined && Math.abs(s.outsideDiameterMm - outside) > 0.05 * s.sectionMm)
              throw new ReckonError(
                'inconsistent',
                `sizes[${i}].outsideDiameter`,
                s.outsideDiameterMm,
                `${f(outside)} mm: outside = inside + 2 × section`,
              );
            return { code: s.code, insideMm: s.insideDiameterMm, sectionMm: s.sectionMm };
          });
    const window = squeezeWindow(input.motion, input.medium);
    const middle = (window.low + window.high) / 2;
    const judged = sizes.map((size) => ({ size, in: ringInGland(gland, size.insideMm, size.sectionMm) }));
    const reasons = ({ in: r }: (typeof judged)[number]): string[] => [
      ...(r.stretchPercent < STRETCH.low - 1e-9 ? [`loose: ${f(-r.stretchPercent)} % too large`] : []),
      ...(r.stretchPercent > STRETCH.high + 1e-9
        ? [`stretched ${f(r.stretchPercent)} %, at most ${STRETCH.high}`]
        : []),
      ...(r.squeezePercent < window.low - 1e-9 ? [`squeezed ${f(r.squeezePercent)} %, at least ${window.low}`] : []),
      ...(r.squeezePercent > window.high + 1e-9 ? [`squeezed ${f(r.squeezePercent)} %, at most ${window.high}`] : []),
      ...(r.fillPercent > MOST_FILL + 1e-9 ? [`fills ${f(r.fillPercent)} %, at most ${MOST_FILL}`] : []),
    ];
    const distance = (r: RingInGland): number =>
      Math.abs(r.squeezePercent - middle) / (window.high - window.low) + Math.abs(r.stretchPercent - 2) / 100;
    const sorted = judged.map((j) => ({ ...j, why: reasons(j) })).sort((a, b) => distance(a.in) - distance(b.in));
    const fits = sorted.filter((j) => j.why.length === 0);
    const near = sorted.filter(
      (j) =>
        j.why.length > 0 &&
        j.in.squeezePercent > window.low - NEAR * (window.high - window.low) &&
        j.in.squeezePercent < window.high + NEAR * (window.high - window.low) &&
        j.in.stretchPercent > -3 &&
        j.in.stretchPercent < 10,
    );
    const shown = ({ size, in: r }: (typeof sorted)[number]): { [k: string]: Quantity | string } => ({
      code: size.code,
      insideDiameter: canonical(size.insideMm, 'length'),
      section: canonical(size.sectionMm, 'length'),
      stretch: canonical(r.stretchPercent, 'percent'),
      squeeze: canonical(r.squeezePercent, 'percent'),
      fill: canonical(r.fillPercent, 'percent'),
      ...(widest === undefined || input.gapMm === undefined
        ? {}
        : { extrusion: backup ? 'needs-backup-ring' : 'holds' }),
    });
    const first = judged[0]!;
    const widest =
      input.pressureBar === undefined ? undefined : widestGapMm(chartHardness(input.hardness), input.pressureBar);
    const backup = widest !== undefined && input.gapMm !== undefined && input.gapMm > widest;
    work.step('Depth', 'of the gland', input.kind, canonical(first.in.depthMm, 'length'));
    work.given('Sizes tried', String(sizes.length));
    work.step(
      'Squeeze may be',
      `${input.motion}${input.motion === 'dynamic' ? `, ${input.medium}` : ''}`,
      'window',
      `${window.low} to ${window.high} %`,
    );
    if (widest !== undefined)
      work.step(
        'Widest gap without a back-up ring',
        `chart for ${chartHardness(input.hardness)} Shore A`,
        `${f(input.pressureBar!)} bar`,
        canonical(widest, 'length'),
      );
    if (backup)
      work.warn(
        'extrudes',
        `A gap of ${f(input.gapMm)} mm at ${f(input.pressureBar!)} bar: none of these holds without a back-up ring, and the groove must be wide enough for both.`,
      );
    if (input.pressureBar !== undefined && input.pressureBar > NO_GAP_BAR && input.gapMm === undefined)
      work.warn('gap-unsaid', 'At this pressure the gap behind the ring decides: measure it and give it.');
    const best = fits[0];
    if (best) {
      work.step(
        'Best',
        'squeeze nearest the middle of the window',
        `${f(best.in.squeezePercent)} % squeeze, ${f(best.in.stretchPercent)} % stretch`,
        best.size.code,
      );
    } else work.warn('none-fits', 'No ring of this list fits. Measure the groove again, or look through another list.');
    return {
      matches: fits.slice(0, LISTED).map(shown),
      nearMisses: near.slice(0, 5).map((j) => ({ ...shown(j), reason: j.why.join('; ') })),
    };
  },
});
