import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, list, number, optional, quantity, ReckonError } from '../shape/index.ts';

/** Positions listed at most. */
const LISTED = 24;

/**
 * Float from turning an adjusting nut back, and whether a locking position falls in the band.
 * float = P · angle / 360, true only from zero float. Each slot meets each hole once in 360°/slots, so positions repeat;
 * where zero float falls among them is chance, and the share of starts that have a position in the band is the union of
 * the bands about the positions over one repeat.
 */
export const nutBackOff = defineReckoner({
  id: 'nut-back-off',
  title: 'Backing off a nut',
  subject: 'bearings',
  asks: ['split pin', 'castle nut', 'how far back', 'wheel bearing nut'],
  formula: 'float = P · angle / 360;  share = union of bands of (b − a)·360/P about the positions, over 360/slots',
  sources: ['geometry of the thread', 'the take-up from a seat torque: common practice'],
  checks: [
    { inputs: { threadPitch: '1.5 mm', angle: '60 deg' }, gives: { float: '0.25 mm' }, source: 'by hand: 1.5 / 6' },
    {
      inputs: { threadPitch: '1.5 mm', slots: 6, holes: [0, 90], targetBand: ['0.00 mm', '0.05 mm'] },
      gives: { share: '40 %', reachable: 'depends on where zero falls', step: '30 deg' },
      source: 'by hand: 12° of every 30°',
    },
  ],
  dangers: {
    'from-torque': {
      harm: 'A float that is not there: the bearing runs preloaded, heats, and welds itself to the spindle.',
      fires: { from: 'seat-torque' },
      silent: { from: 'zero-float' },
    },
    'no-hole': {
      harm: 'The nut is turned on to the next hole to get the pin in: the bearing is preloaded.',
      fires: { slots: 6, holes: [0, 90], targetBand: ['0.00 mm', '0.12 mm'] },
      silent: { slots: 6, holes: [0, 90], targetBand: ['0.00 mm', '0.125 mm'] },
    },
  },
  inputs: {
    threadPitch: quantity('length', 'Pitch of the thread', { above: 0, max: 20 }),
    angle: optional(quantity('angle', 'Turned back by', { min: 0, max: 3600 })),
    targetBand: optional(
      list(quantity('length', 'Limit', { min: 0, max: 100 }), 'Float wanted', { minLength: 2, maxLength: 2 }),
    ),
    slots: optional(number('Slots in the nut', { integer: true, min: 1, max: 60 })),
    holes: optional(
      list(quantity('angle', 'Hole', { min: -360, max: 360, bareUnit: 'deg' }), 'Holes in the spindle', {
        maxLength: 12,
      }),
    ),
    from: defaulted(choice(['zero-float', 'seat-torque'], 'Turned back from'), 'zero-float'),
  },
  outputs: {
    float: { label: 'Float', is: 'length', optional: true },
    step: { label: 'A locking position each', is: 'angle', optional: true },
    positions: { label: 'Locking positions, if zero falls on one', is: 'table', optional: true },
    share: { label: 'Share of starts that can be locked in the band', is: 'percent', optional: true },
    reachable: { label: 'Reachable', is: 'word', optional: true },
  },
  compute(input, work) {
    const P = input.threadPitchMm;
    const floatAt = (deg: number): number => (P * deg) / 360;
    if (input.angleDeg === undefined && input.slots === undefined)
      throw new ReckonError('missing-field', 'angle', null, 'an angle, or slots and holes');
    if ((input.slots === undefined) !== (input.holesDeg === undefined))
      throw new ReckonError(
        'missing-field',
        input.slots === undefined ? 'slots' : 'holes',
        null,
        'slots and holes together',
      );
    if (input.targetBandMm && input.targetBandMm[0]! > input.targetBandMm[1]!)
      throw new ReckonError('inconsistent', 'targetBand', input.targetBandMm, 'the lower limit first');
    let float: Quantity | undefined;
    if (input.angleDeg !== undefined) {
      float = canonical(floatAt(input.angleDeg), 'length');
      work.step('Float', 'P · angle / 360', `${f(P)} × ${f(input.angleDeg)} / 360`, float);
    }
    if (input.from === 'seat-torque')
      work.warn(
        'from-torque',
        'From a seat torque the elastic take-up comes off first: this float is an upper bound. Read it with an indicator.',
      );
    if (input.slots === undefined || !input.holesDeg) return { float };

    const period = 360 / input.slots;
    const places = distinctWithin(
      input.holesDeg.map((h) => ((h % period) + period) % period),
      period,
    );
    const gaps = places.map((p, i) => (places[i + 1] ?? places[0]! + period) - p);
    const even = gaps.every((g) => Math.abs(g - gaps[0]!) < 1e-6);
    work.step('Repeats each', '360 / slots', `360 / ${input.slots}`, canonical(period, 'angle'));
    work.step(
      'Positions in one repeat',
      'holes, less whole repeats',
      input.holesDeg.map((h) => f(h)).join(', '),
      places.map((p) => `${f(p)}°`).join(', '),
    );
    const step = Math.max(...gaps);
    work.step(
      even ? 'A position each' : 'Widest step between positions',
      'difference',
      `float ${f(floatAt(step), 3)} mm apart`,
      canonical(step, 'angle'),
    );
    const positions: { angle: Quantity; float: Quantity }[] = [];
    for (let turn = 0; positions.length < LISTED && turn * period < 360; turn += 1)
      for (const p of places)
        if (positions.length < LISTED)
          positions.push({
            angle: canonical(turn * period + p - places[0]!, 'angle'),
            float: canonical(floatAt(turn * period + p - places[0]!), 'length'),
          });
    if (!input.targetBandMm) return { float, step: canonical(step, 'angle'), positions };
    const [a, b] = input.targetBandMm as readonly [number, number];
    const width = ((b - a) * 360) / P;
    // Each position serves the starts that lie within one band's width of it; a gap wider than the band leaves some out.
    const covered = gaps.reduce((sum, gap) => sum + Math.min(gap, width), 0);
    const share = (covered / period) * 100;
    work.step(
      'Width of the band, turned',
      '(b − a) · 360 / P',
      `(${f(b)} − ${f(a)}) × 360 / ${f(P)}`,
      canonical(width, 'angle'),
    );
    work.step(
      'Share of starts',
      'Σ smaller of gap and width / repeat',
      `${gaps.map((g) => f(Math.min(g, width))).join(' + ')} of ${f(period)}`,
      canonical(share, 'percent'),
    );
    const reachable = share >= 100 - 1e-9 ? 'yes' : share <= 1e-9 ? 'no' : 'depends on where zero falls';
    if (reachable !== 'yes')
      work.warn(
        'no-hole',
        'If no position falls in the band: another washer, or a nut a little thinner, moves where zero falls.',
      );
    return { float, step: canonical(step, 'angle'), positions, share: canonical(share, 'percent'), reachable };
  },
});

function distinctWithin(places: readonly number[], period: number): number[] {
  const sorted = [...places].sort((x, y) => x - y);
  const out = sorted.filter((p, i) => i === 0 || p - sorted[i - 1]! > 1e-6);
  if (out.length > 1 && period - out.at(-1)! + out[0]! < 1e-6) out.pop();
  return out;
}
