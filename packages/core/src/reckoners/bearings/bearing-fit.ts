import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, needed, optional, quantity, ReckonError, text } from '../shape/index.ts';
import { outlineOf } from './outline-of.ts';

/** Expansion of bearing steel, 1/K. */
const BEARING_STEEL = 12.5e-6;
/** What pressing flattens of a seat, in the terms of Δeff = d/(d + k) Δ, mm: bearing makers' handbooks. */
const FLATTENED = { ground: 2, turned: 3 } as const;

/**
 * Clearance that is left in a rolling bearing after it is pressed on or in, and after it has warmed.
 * Δeff = d/(d + 2) Δ on a ground seat, d/(d + 3) Δ on a turned one; a ring's raceway grows or closes by Δeff times seat over
 * raceway; raceways of ball bearings 0.2 (D + 4d) and 0.2 (4D + d), of roller bearings 0.25 (D + 3d) and 0.25 (3D + d).
 * Source: bearing makers' handbooks. Solid steel shafts, heavy steel housings.
 */
export const bearingFit = defineReckoner({
  id: 'bearing-fit',
  title: 'Clearance left in a bearing',
  subject: 'bearings',
  asks: ['internal clearance', 'C3', 'too tight a fit', 'bearing runs hot', 'clearance after fitting'],
  formula:
    'left = clearance − Δeff d/raceway inner − Δeff raceway outer/D;  running = left − 12.5·10⁻⁶ · raceway outer · ΔT',
  sources: [
    'bearing makers’ handbooks (effective interference, raceway diameters)',
    'common practice: inner ring 5 to 10 K warmer',
  ],
  checks: [
    {
      inputs: {
        bore: '30 mm',
        outside: '62 mm',
        clearance: '13 µm',
        shaftInterference: '15 µm',
        shaftFinish: 'ground',
        type: 'ball',
        temperatureDifference: '10 K',
      },
      // 15 × 30/32 × 30/36.4; 12.5e-6 × 55.6 × 10
      gives: { innerLoss: '11.59 µm', outerLoss: '0.00 µm', heatLoss: '6.95 µm', runningClearance: '-5.54 µm' },
      source: 'by hand from the handbooks’ formulas',
    },
    {
      inputs: { bearing: '6206', clearance: '13 µm', shaftInterference: '15 µm' },
      gives: { innerLoss: '11.59 µm', runningClearance: '-5.54 µm' },
      source: 'the same, its outline by its number (ISO 15)',
    },
  ],
  dangers: {
    'runs-preloaded': {
      harm: 'No clearance is left when warm: the bearing heats, takes up more, and seizes.',
      fires: { clearance: '18.5 µm' },
      silent: { clearance: '18.6 µm' },
    },
    'near-nothing': {
      harm: 'Hardly any clearance is left: the first hard pull warms the shaft and the bearing runs preloaded.',
      fires: { clearance: '23.5 µm' },
      silent: { clearance: '23.6 µm' },
    },
    'light-housing': {
      harm: 'Of a tube shaft or an aluminium housing these figures are not true: what is left is another clearance.',
      fires: { housingInterference: '10 µm' },
      silent: { housingInterference: '0 µm' },
    },
  },
  inputs: {
    bearing: optional(text('Number on the bearing', { maxLength: 30, find: 'bearing-find' })),
    bore: optional(quantity('length', 'Bore d', { above: 0, max: 2000, help: 'by the number, when left out' })),
    outside: optional(quantity('length', 'Outside D', { above: 0, max: 3000 })),
    clearance: quantity('length', 'Clearance of the bearing, unmounted', { min: 0, max: 5 }),
    shaftInterference: defaulted(quantity('length', 'Interference on the shaft', { min: 0, max: 5 }), '0 µm'),
    housingInterference: defaulted(quantity('length', 'Interference in the housing', { min: 0, max: 5 }), '0 µm'),
    shaftFinish: defaulted(choice(['ground', 'turned'], 'Seats are'), 'ground'),
    type: defaulted(choice(['ball', 'roller'], 'Kind'), 'ball'),
    temperatureDifference: defaulted(
      quantity('temperatureDifference', 'Inner ring warmer by', { min: -100, max: 200 }),
      '10 K',
    ),
  },
  outputs: {
    innerLoss: { label: 'Lost to the fit on the shaft', is: 'length', shownIn: 'µm' },
    outerLoss: { label: 'Lost to the fit in the housing', is: 'length', shownIn: 'µm' },
    heatLoss: { label: 'Lost to the warm inner ring', is: 'length', shownIn: 'µm' },
    mountedClearance: { label: 'Left when fitted', is: 'length', shownIn: 'µm' },
    runningClearance: { label: 'Left when running', is: 'length', shownIn: 'µm' },
  },
  compute(input, work) {
    const known = input.bearing === undefined ? undefined : outlineOf(input.bearing, 'bearing').row;
    const d = needed(input.boreMm ?? known?.bore, 'bore', 'or the number on the bearing');
    const D = needed(input.outsideMm ?? known?.outside, 'outside', 'or the number on the bearing');
    if (known) work.given('Outline by its number', `${f(d)} × ${f(D)}`);
    if (D <= d) throw new ReckonError('inconsistent', 'outside', D, `more than the bore, ${f(d)} mm`);
    const k = FLATTENED[input.shaftFinish];
    const effective = (diameter: number, interference: number): number => (diameter / (diameter + k)) * interference;
    const ball = input.type === 'ball';
    const innerRace = ball ? 0.2 * (D + 4 * d) : 0.25 * (D + 3 * d);
    const outerRace = ball ? 0.2 * (4 * D + d) : 0.25 * (3 * D + d);
    const onShaft = effective(d, input.shaftInterferenceMm);
    const inHousing = effective(D, input.housingInterferenceMm);
    const innerLoss = (onShaft * d) / innerRace;
    const outerLoss = (inHousing * outerRace) / D;
    const heatLoss = BEARING_STEEL * outerRace * input.temperatureDifferenceK;
    const mounted = input.clearanceMm - innerLoss - outerLoss;
    const running = mounted - heatLoss;
    const um = (mm: number): string => f(mm * 1000, 2);
    const q = (mm: number): ReturnType<typeof canonical> => canonical(mm, 'length');
    work.step(
      'Raceway of the inner ring',
      ball ? '0.2 (D + 4d)' : '0.25 (D + 3d)',
      `${ball ? 0.2 : 0.25} × (${f(D)} + ${ball ? 4 : 3} × ${f(d)})`,
      q(innerRace),
    );
    work.step(
      'Raceway of the outer ring',
      ball ? '0.2 (4D + d)' : '0.25 (3D + d)',
      `${ball ? 0.2 : 0.25} × (${ball ? 4 : 3} × ${f(D)} + ${f(d)})`,
      q(outerRace),
    );
    work.step(
      'Effective on the shaft',
      `d/(d + ${k}) Δ`,
      `${f(d)}/${f(d + k)} × ${um(input.shaftInterferenceMm)} µm`,
      q(onShaft),
    );
    work.step('Lost to the shaft', 'Δeff d / raceway', `${um(onShaft)} µm × ${f(d)}/${f(innerRace)}`, q(innerLoss));
    work.step(
      'Lost to the housing',
      'D/(D + k) Δ · raceway / D',
      `${um(inHousing)} µm × ${f(outerRace)}/${f(D)}`,
      q(outerLoss),
    );
    work.step(
      'Lost to heat',
      '12.5·10⁻⁶ · raceway outer · ΔT',
      `12.5·10⁻⁶ × ${f(outerRace)} × ${f(input.temperatureDifferenceK)}`,
      q(heatLoss),
    );
    work.step(
      'Left when fitted',
      'clearance − shaft − housing',
      `${um(input.clearanceMm)} − ${um(innerLoss)} − ${um(outerLoss)} µm`,
      q(mounted),
    );
    work.step('Left when running', 'fitted − heat', `${um(mounted)} − ${um(heatLoss)} µm`, q(running));
    if (running < 0)
      work.warn(
        'runs-preloaded',
        `${um(running)} µm: it would run preloaded. Take a bearing of more clearance (C3), or less interference.`,
      );
    else if (running < NEAR_NOTHING_MM)
      work.warn('near-nothing', `Only ${um(running)} µm would be left: look at the next clearance class (C3).`);
    if (input.housingInterferenceMm > 0)
      work.warn(
        'light-housing',
        'For heavy steel or iron housings: a light or aluminium one gives more way, and loosens when warm.',
      );
    return {
      innerLoss: q(innerLoss),
      outerLoss: q(outerLoss),
      heatLoss: q(heatLoss),
      mountedClearance: q(mounted),
      runningClearance: q(running),
    };
  },
});
/** Less clearance than this when running leaves nothing for a hard pull, mm: common practice. */
const NEAR_NOTHING_MM = 0.005;
