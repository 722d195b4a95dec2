import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { defineReckoner, optional, quantity, ReckonError, text } from '../shape/index.ts';
import { stampedSizes, type SealSizes } from './stamped.ts';
import { as568, commonMetric, iso3601, type RingSize } from './tables/o-rings.ts';
import { sealWidthOf, shaftSeals } from './tables/shaft-seals.ts';

const LISTED = 6;
/** On the width of seals for this shaft the tables differ. */
const DOUBTFUL_SHAFT_MM = 65;
/** How far a worn or swollen seal may measure from its size, share of the size and at least 0.3 mm: common practice. */
const OFF = 0.02;

/** What a seal is, from what is stamped on it or measured: shaft seal or O-ring, its size in mm and inches. */
export const sealCode = defineReckoner({
  id: 'seal-code',
  title: 'Which seal is this',
  subject: 'seals',
  asks: ['seal number', 'what size is this seal', 'measured seal', 'stamped'],
  formula: 'O-ring: outside = inside + 2 × section;  shaft seal: shaft, bore, width of ISO 6194-1',
  sources: ['ISO 6194-1, AS568, ISO 3601-1, common metric: from memory'],
  checks: [
    { inputs: { text: '35-52-7' }, gives: { kind: 'shaft-seal' }, source: 'three sizes that are no ring' },
    { inputs: { text: '20x14x3' }, gives: { kind: 'o-ring', consistent: 'yes' }, source: 'by hand: 14 + 2 × 3 = 20' },
    { inputs: { text: '20x14x2.5' }, gives: { consistent: 'no' }, source: 'by hand: 14 + 2 × 2.5 = 19' },
    { inputs: { text: '-214' }, gives: { kind: 'o-ring', 'candidates.0.code': '-214' }, source: 'AS568' },
    { inputs: { text: 'AS568A-214' }, gives: { 'candidates.0.code': '-214' }, source: 'AS568' },
    { inputs: { text: '2-214' }, gives: { 'candidates.0.code': '-214' }, source: 'AS568' },
    {
      inputs: { text: '7-35-52' },
      gives: { kind: 'shaft-seal', inside: '35 mm', outside: '52 mm', width: '7 mm' },
      source: 'width first, as some stamp it: common practice',
    },
    {
      inputs: { text: '1 3/8 x 2 1/8 x 3/8 in' },
      gives: { inside: '1.375 in', outside: '2.125 in', width: '0.375 in' },
      source: 'by hand',
    },
    {
      inputs: { text: '20-40-10' },
      gives: { kind: 'shaft-seal', consistent: 'yes' },
      source: 'agrees as a ring, but only a shaft seal is 20 × 40: ISO 6194-1',
    },
  ],
  dangers: {
    'does-not-agree': {
      harm: 'A shaft seal is ordered as an O-ring, or the other way: the job stands, or what is fitted leaks.',
      fires: { text: '20x14x2.5' },
      silent: { text: '20x14x3' },
    },
    'none-near': {
      harm: 'A worn seal is copied with its wear: the new one is too loose on its shaft.',
      fires: { text: null, inside: '213 mm', outside: '251 mm' },
      silent: { text: null, inside: '35 mm', outside: '52 mm' },
    },
    'doubtful-width': {
      harm: 'A seal of another width stands proud, or its lip runs on the old groove.',
      fires: { text: '65-85-10' },
      silent: { text: '60-80-8' },
    },
  },
  inputs: {
    outside: optional(quantity('length', 'Outside', { above: 0, max: 3000 })),
    inside: optional(quantity('length', 'Inside', { above: 0, max: 3000 })),
    width: optional(quantity('length', 'Width or section', { above: 0, max: 200 })),
    text: optional(text('What is stamped on it', { maxLength: 40 })),
  },
  outputs: {
    kind: { label: 'Kind', is: 'word' },
    inside: { label: 'Inside', is: 'length', optional: true },
    outside: { label: 'Outside', is: 'length', optional: true },
    width: { label: 'Width or section', is: 'length', optional: true },
    inches: { label: 'In inches', is: 'word', optional: true },
    consistent: { label: 'Outside = inside + 2 × section', is: 'word' },
    candidates: { label: 'Candidates', is: 'table' },
  },
  compute(input, work) {
    const dash = /^\s*(?:AS ?568A?\s*-?\s*|2\s*-\s*|-\s*|)(\d{3})\s*$/i.exec(input.text ?? '');
    if (dash) {
      const found = as568.find((r) => r.code === `-${dash[1]}`);
      if (!found)
        throw new ReckonError(
          'unknown-size',
          'text',
          input.text,
          'a dash number of AS568, -001 to -475 or -901 to -932',
        );
      work.given('AS568', found.code);
      return answer(
        'o-ring',
        { inside: found.insideMm, outside: found.insideMm + 2 * found.sectionMm, width: found.sectionMm },
        'yes',
        [ringRow(found, 0)],
      );
    }
    const sizes = input.text === undefined ? measured(input) : stampedSizes(input.text);
    const { inside, outside, width } = sizes;
    if (inside !== undefined && outside !== undefined && inside >= outside)
      throw new ReckonError('inconsistent', 'inside', inside, `less than the outside, ${f(outside)} mm`);
    const implied = inside !== undefined && width !== undefined ? inside + 2 * width : undefined;
    const consistent =
      implied === undefined || outside === undefined
        ? 'cannot-tell'
        : Math.abs(implied - outside) <= 0.05 * width!
          ? 'yes'
          : 'no';
    if (implied !== undefined && outside !== undefined)
      work.step(
        'As an O-ring',
        'inside + 2 × section',
        `${f(inside!)} + 2 × ${f(width!)}`,
        canonical(implied, 'length'),
      );
    const rings = nearestRings(sizes);
    const seals = nearestSeals(sizes);
    // Three sizes that agree as a ring are still a shaft seal where only a shaft seal has them.
    const onlySeal = seals.length > 0 && rings.length === 0;
    const kind =
      (consistent === 'yes' && !onlySeal) || (outside === undefined && rings.length > 0)
        ? 'o-ring'
        : seals.length > 0 || consistent === 'no'
          ? 'shaft-seal'
          : rings.length > 0
            ? 'o-ring'
            : 'unknown';
    if (consistent === 'no' && width! < 5)
      work.warn(
        'does-not-agree',
        `As an O-ring this does not agree: ${f(inside!)} inside and ${f(width!)} thick makes ${f(implied!)} outside, not ${f(outside!)}. Measure again, or it is a shaft seal.`,
      );
    if (kind === 'unknown')
      work.warn('none-near', 'No standard size is near. Measure the shaft and the bore, not the old seal.');
    if (kind === 'shaft-seal' && seals.some((c) => (c['inside'] as Quantity).value === DOUBTFUL_SHAFT_MM))
      work.warn(
        'doubtful-width',
        `At ${DOUBTFUL_SHAFT_MM} mm the tables differ on the width (8 or 10 mm): measure the old one.`,
      );
    work.step('Kind', 'O-ring when the three sizes agree, else shaft seal', consistent, kind);
    return answer(
      kind,
      sizes,
      consistent,
      kind === 'shaft-seal' ? [...seals, ...rings].slice(0, LISTED) : [...rings, ...seals].slice(0, LISTED),
    );
  },
});

type Candidate = { readonly [k: string]: Quantity | string };

function answer(kind: string, s: SealSizes, consistent: string, candidates: readonly Candidate[]) {
  const q = (v: number | undefined): Quantity | undefined => (v === undefined ? undefined : canonical(v, 'length'));
  const inch = [s.inside, s.outside, s.width].filter((v) => v !== undefined).map((v) => f(v / 25.4, 3));
  return {
    kind,
    inside: q(s.inside),
    outside: q(s.outside),
    width: q(s.width),
    inches: inch.length > 0 ? `${inch.join(' × ')} in` : undefined,
    consistent,
    candidates,
  };
}

function measured(input: {
  insideMm?: number | undefined;
  outsideMm?: number | undefined;
  widthMm?: number | undefined;
}): SealSizes {
  const sizes = { inside: input.insideMm, outside: input.outsideMm, width: input.widthMm };
  if (Object.values(sizes).filter((v) => v !== undefined).length < 2)
    throw new ReckonError(
      'missing-field',
      sizes.inside === undefined ? 'inside' : 'width',
      null,
      'two of outside, inside and width, or what is stamped',
    );
  return sizes;
}

const off = (have: number | undefined, size: number): number => (have === undefined ? 0 : Math.abs(have - size));
const near = (have: number | undefined, size: number): boolean => off(have, size) <= Math.max(0.3, OFF * size);

function ringRow(r: RingSize, difference: number): Candidate {
  return {
    kind: 'o-ring',
    code: r.code,
    inside: canonical(r.insideMm, 'length'),
    outside: canonical(r.insideMm + 2 * r.sectionMm, 'length'),
    width: canonical(r.sectionMm, 'length'),
    difference: canonical(difference, 'length'),
  };
}

function nearestRings(s: SealSizes): Candidate[] {
  return [...as568, ...commonMetric, ...iso3601]
    .filter(
      (r) =>
        near(s.inside, r.insideMm) &&
        near(s.outside, r.insideMm + 2 * r.sectionMm) &&
        off(s.width, r.sectionMm) <= 0.12 * r.sectionMm,
    )
    .map((r) => ({
      r,
      d: off(s.inside, r.insideMm) + off(s.outside, r.insideMm + 2 * r.sectionMm) + 2 * off(s.width, r.sectionMm),
    }))
    .sort((x, y) => x.d - y.d)
    .slice(0, LISTED)
    .map(({ r, d }) => ringRow(r, d));
}

function nearestSeals(s: SealSizes): Candidate[] {
  if (s.outside === undefined || s.inside === undefined) return [];
  return shaftSeals
    .flatMap(([shaft, bores]) => bores.map((bore) => ({ shaft, bore, d: off(s.inside, shaft) + off(s.outside, bore) })))
    .filter(
      ({ shaft, bore }) =>
        off(s.inside, shaft) <= Math.max(1, 0.03 * shaft) && off(s.outside, bore) <= Math.max(0.5, 0.01 * bore),
    )
    .sort((x, y) => x.d - y.d)
    .slice(0, LISTED)
    .map(({ shaft, bore, d }) => ({
      kind: 'shaft-seal',
      code: `${shaft} × ${bore} × ${sealWidthOf(shaft)}`,
      inside: canonical(shaft, 'length'),
      outside: canonical(bore, 'length'),
      width: canonical(sealWidthOf(shaft), 'length'),
      difference: canonical(d, 'length'),
    }));
}
