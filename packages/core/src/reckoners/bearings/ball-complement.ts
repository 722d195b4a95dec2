import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, number, optional, quantity, ReckonError } from '../shape/index.ts';

/** How many loose balls fill a race, and whether the count at hand is right. Chord geometry. */
export const ballComplement = defineReckoner({
  id: 'ball-complement',
  title: 'How many balls in the race',
  subject: 'bearings',
  asks: ['how many balls', 'loose balls', 'one short'],
  formula: 'most = ⌊π / asin(d / Dp)⌋;  gap = Dp (π − n asin(d / Dp))',
  sources: ['chord geometry', 'full complement less one in most steering heads and hubs: common practice'],
  checks: [
    {
      inputs: { pitchDiameter: '36 mm', ballDiameter: '6 mm', count: 18 },
      gives: { mostThatFit: '18', verdict: 'full' },
      source: 'by hand: π / asin(1/6) = 18.76',
    },
    {
      inputs: { pitchDiameter: '36 mm', ballDiameter: '6 mm', count: 17 },
      gives: { verdict: 'one short' },
      source: 'by hand',
    },
  ],
  dangers: {
    'hardly-a-gap': {
      harm: 'Balls packed tight rub each other, wear flats and pit the new cups.',
      fires: { pitchDiameter: '34.7 mm' },
      silent: { pitchDiameter: '34.8 mm' },
    },
  },
  inputs: {
    pitchDiameter: quantity('length', 'Pitch circle of the balls', { above: 0, max: 5000 }),
    ballDiameter: quantity('length', 'Ball', { above: 0, max: 1000 }),
    count: optional(number('Balls at hand', { integer: true, min: 1, max: 1000 })),
  },
  outputs: {
    mostThatFit: { label: 'Most that fit', is: 'ratio' },
    gap: { label: 'Gap left over', is: 'length' },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute({ pitchDiameterMm: dp, ballDiameterMm: d, count }, work) {
    if (d >= dp) throw new ReckonError('out-of-range', 'ballDiameter', d, `less than the pitch circle, ${f(dp)} mm`);
    if (d / dp < 1e-3) throw new ReckonError('out-of-range', 'ballDiameter', d, 'at least a thousandth of the circle');
    const half = Math.asin(d / dp);
    // A hair, so that a circle that is exactly full counts as full.
    const most = Math.floor(Math.PI / half + 1e-9);
    const n = count ?? most;
    const gap = dp * (Math.PI - n * half);
    work.step('Balls that fit', 'π / asin(d / Dp)', `π / asin(${f(d)} / ${f(dp)})`, canonical(Math.PI / half, 'ratio'));
    work.step('Whole balls', 'rounded down', f(Math.PI / half, 3), canonical(most, 'ratio'));
    work.step(
      'Gap left over',
      'Dp (π − n asin(d / Dp))',
      `${f(dp)} × (π − ${n} × ${f(half, 5)})`,
      canonical(gap, 'length'),
    );
    const verdict =
      count === undefined
        ? undefined
        : count > most
          ? 'too many'
          : count === most
            ? 'full'
            : count === most - 1
              ? 'one short'
              : `${most - count} short`;
    if (verdict === 'full' && gap < 0.1 * d)
      work.warn(
        'hardly-a-gap',
        'Hardly any gap: the balls may rub. One fewer is common where the maker’s count is not known.',
      );
    return { mostThatFit: canonical(most, 'ratio'), gap: canonical(gap, 'length'), verdict };
  },
});
