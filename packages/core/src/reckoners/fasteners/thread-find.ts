import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defineReckoner, flag, defaulted, number, optional, quantity, ReckonError } from '../shape/index.ts';
import { metricThreads } from './tables/iso-metric.ts';
import { PIPE_DEPTH, pipeThreads } from './tables/pipe.ts';
import { unifiedThreads } from './tables/unified.ts';
import { MINOR_DIAMETER_FACTOR } from './thread-geometry.ts';

const LISTED = 8;
/** A pitch gauge tells pitches apart that differ by more than this share. */
const PITCH_SHARE = 0.035;
/** Outside: crests stand this share of a pitch under the nominal size, midway in the tolerance of 6g (ISO 965-1). */
const CREST_UNDER = 0.09;
/** A bore measures this share of a pitch over the basic minor diameter, midway in 6H (ISO 965-1). */
const BORE_OVER = 0.1;
/** No thread is meant that is further off than this, pitches (with the 0.3 mm that a worn crest or a caliper misses). */
const FURTHEST = 0.5;
/** Two threads whose crests differ by less than this cannot be told apart with a caliper, mm. */
const TOO_NEAR_MM = 0.2;

interface Known {
  readonly designation: string;
  readonly nominalMm: number;
  readonly minorMm: number;
  readonly pitchMm: number;
  /** Coarse before fine where nothing else decides. */
  readonly rank: number;
}

/** Every thread of the tables: ISO 261, ASME B1.1 (UNC, UNF), ISO 228 pipe. */
export const knownThreads: readonly Known[] = [
  ...metricThreads.flatMap((r) =>
    [...(r.coarse === undefined ? [] : [r.coarse]), ...r.fine].map((p) => ({
      designation: p === r.coarse ? `M${r.d}` : `M${r.d}x${p}`,
      nominalMm: r.d,
      minorMm: r.d - MINOR_DIAMETER_FACTOR * p,
      pitchMm: p,
      rank: p === r.coarse ? 0 : 1,
    })),
  ),
  ...unifiedThreads.flatMap((r) =>
    (
      [
        [r.unc, 'UNC'],
        [r.unf, 'UNF'],
      ] as const
    ).flatMap(([tpi, series]) =>
      tpi === undefined
        ? []
        : [
            {
              designation: `${r.name}-${tpi} ${series}`,
              nominalMm: r.dIn * 25.4,
              minorMm: r.dIn * 25.4 - MINOR_DIAMETER_FACTOR * (25.4 / tpi),
              pitchMm: 25.4 / tpi,
              rank: series === 'UNC' ? 0 : 1,
            },
          ],
    ),
  ),
  ...pipeThreads.map(([designation, nominalMm, tpi]) => ({
    designation,
    nominalMm,
    minorMm: nominalMm - PIPE_DEPTH * (25.4 / tpi),
    pitchMm: 25.4 / tpi,
    rank: 2,
  })),
];

/**
 * Which thread this is, from a caliper over the crests (or across the bore of a nut) and a pitch gauge. Each thread of
 * ISO 261, ASME B1.1 and ISO 228 is held against the reading; crests stand a little under their nominal size.
 */
export const threadFind = defineReckoner({
  id: 'thread-find',
  title: 'Which thread is this',
  subject: 'fasteners',
  asks: ['thread gauge', 'measure a bolt', 'metric or inch', 'pipe thread', 'unknown thread'],
  formula: 'least of |measured − where the crests of each thread stand|, among those of this pitch',
  sources: ['ISO 261, ASME B1.1, ISO 228-1 (tables from memory)', 'crests under nominal: middle of 6g, ISO 965-1'],
  checks: [
    { inputs: { outside: '7.9 mm', pitch: '1.25 mm' }, gives: { best: 'M8' }, source: 'ISO 261' },
    { inputs: { outside: '9.42 mm', perInch: 16 }, gives: { best: '3/8-16 UNC' }, source: 'ASME B1.1' },
    { inputs: { outside: '13.1 mm', perInch: 19 }, gives: { best: 'G1/4' }, source: 'ISO 228-1' },
    {
      inputs: { outside: '6.8 mm', inside: true, pitch: '1.25 mm' },
      gives: { best: 'M8' },
      source: 'ISO 724: D1 6.647',
    },
  ],
  dangers: {
    'too-near-to-tell': {
      harm: 'An inch screw is driven into a metric hole, or the other way: it binds, strips, and lets go.',
      fires: { outside: '4.85 mm', pitch: '0.8 mm' },
      silent: { outside: '7.9 mm', pitch: '1.25 mm' },
    },
    'no-pitch': {
      harm: 'By diameter alone coarse, fine and pipe look alike: the wrong one is forced in.',
      fires: { pitch: null },
      silent: { pitch: '1.25 mm' },
    },
    taper: {
      harm: 'A tapered pipe thread in a parallel port holds two turns and blows out under pressure.',
      fires: { outside: '13.1 mm', pitch: null, perInch: 19 },
      silent: { outside: '9.42 mm', pitch: null, perInch: 16 },
    },
    'nothing-near': {
      harm: 'A special thread is replaced by the next standard one.',
      fires: { outside: '7.0 mm', pitch: '1.25 mm' },
      silent: { outside: '7.9 mm', pitch: '1.25 mm' },
    },
  },
  inputs: {
    outside: quantity('length', 'Measured across', {
      above: 0,
      max: 200,
      help: 'over the crests, or across the bore of a nut',
    }),
    inside: defaulted(flag('Measured in a nut or hole'), false),
    pitch: optional(quantity('length', 'Pitch', { above: 0, max: 20 })),
    perInch: optional(number('Threads per inch', { above: 0, max: 120 })),
  },
  outputs: {
    best: { label: 'Most likely', is: 'word' },
    candidates: { label: 'Candidates', is: 'table' },
  },
  compute(input, work) {
    if (input.pitchMm !== undefined && input.perInch !== undefined)
      throw new ReckonError('inconsistent', 'perInch', input.perInch, 'either pitch or perInch');
    const pitch = input.pitchMm ?? (input.perInch === undefined ? undefined : 25.4 / input.perInch);
    if (input.perInch !== undefined)
      work.step('Pitch', '25.4 / threads per inch', `25.4 / ${f(input.perInch)}`, canonical(pitch!, 'length'));
    const stands = (k: Known): number =>
      input.inside ? k.minorMm + BORE_OVER * k.pitchMm : k.nominalMm - CREST_UNDER * k.pitchMm;
    const judged = knownThreads
      .filter((k) => pitch === undefined || Math.abs(k.pitchMm / pitch - 1) <= PITCH_SHARE)
      .map((k) => ({
        k,
        off: Math.abs(input.outsideMm - stands(k)),
        pitchOff: pitch === undefined ? 0 : k.pitchMm - pitch,
      }))
      // A pitch that fits better outweighs a hundredth on the diameter: the gauge sits or rocks.
      .sort((a, b) => a.off + 4 * Math.abs(a.pitchOff) - (b.off + 4 * Math.abs(b.pitchOff)) || a.k.rank - b.k.rank);
    const near = judged.filter(({ k, off }) => off <= FURTHEST * k.pitchMm + 0.05).slice(0, LISTED);
    const [first, second] = near;
    const nearest = first ?? judged[0];
    if (!nearest)
      throw new ReckonError(
        'unknown-thread',
        input.perInch === undefined ? 'pitch' : 'perInch',
        pitch,
        'a pitch of ISO 261, ASME B1.1 or ISO 228',
        'no thread of the tables has this pitch: measure it over ten threads',
      );
    work.given('Threads compared', String(knownThreads.length));
    work.step(
      'Crests of the most likely stand at',
      input.inside ? 'minor diameter + 0.10 P' : 'nominal − 0.09 P',
      nearest.k.designation,
      canonical(stands(nearest.k), 'length'),
    );
    if (!first)
      work.warn(
        'nothing-near',
        `No standard thread of this pitch is near ${f(input.outsideMm)} mm: it may be worn, or special.`,
      );
    if (pitch === undefined)
      work.warn(
        'no-pitch',
        'Without the pitch this is a guess: hold a pitch gauge to it, or measure over ten threads.',
      );
    const other = near.find((n) => n !== nearest && Math.abs(stands(n.k) - stands(nearest.k)) < TOO_NEAR_MM);
    if (pitch !== undefined && second && other)
      work.warn(
        'too-near-to-tell',
        `${nearest.k.designation} and ${other.k.designation} are too near to tell with a caliper: try a nut or a screw that you know, by hand, over its whole length.`,
      );
    if (near.some(({ k }) => k.designation.startsWith('G')))
      work.warn(
        'taper',
        'A tapered pipe thread looks the same over a few turns: measure at both ends. Only a parallel one with its washer belongs in a parallel port.',
      );
    return {
      best: nearest.k.designation,
      candidates: (near.length > 0 ? near : [nearest]).map(({ k, pitchOff }): { [key: string]: Quantity | string } => ({
        designation: k.designation,
        nominal: canonical(k.nominalMm, 'length'),
        pitch: canonical(k.pitchMm, 'length'),
        deviation: canonical(input.outsideMm - (input.inside ? k.minorMm : k.nominalMm), 'length'),
        ...(pitch === undefined ? {} : { pitchDeviation: canonical(pitchOff, 'length') }),
      })),
    };
  },
});
