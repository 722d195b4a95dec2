import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { propagate } from '../metrology/gum.ts';
import { judge } from '../metrology/judge.ts';
import { defaulted, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';
import { atReference, KELVIN } from './gas.ts';

/**
 * Leak rate from a fall of pressure, with what cooling alone explains taken out. Ideal gas: the volume at 20 °C and
 * 1.01325 bar before, less that after, over the time. Pressures are gauge.
 */
export const pressureDecay = defineReckoner({
  id: 'pressure-decay',
  title: 'Leak by pressure decay',
  subject: 'leaks',
  asks: ['leak test', 'pressure drop', 'does it hold', 'leak rate'],
  formula: 'q = V (T0/p0)(p1/T1 − p2/T2)/t;  fall without cooling = p1 − p2 T1/T2',
  sources: ['ideal gas; reference 20 °C, 1.01325 bar'],
  checks: [
    {
      inputs: { volume: '2 l', pressureStart: '3 bar', pressureEnd: '2.95 bar', time: '5 min', limit: '25 cm³/min' },
      gives: { leakRate: '19.7 cm³/min', correctedDrop: '0.05 bar', verdict: 'within' },
      source: 'by hand: 2000 × 0.05/1.01325/5',
    },
    {
      inputs: {
        volume: '2 l',
        pressureStart: '3 bar',
        pressureEnd: '2.9453 bar',
        time: '5 min',
        temperatureStart: '20 °C',
        temperatureEnd: '16 °C',
        limit: '5 cm³/min',
      },
      gives: { leakRate: '0.0 cm³/min', verdict: 'within' },
      source: 'by hand: 4.01325 × 289.15/293.15 = 3.9585 bar absolute',
    },
    {
      inputs: { volume: '2 l', pressureStart: '-0.8 bar', pressureEnd: '-0.7 bar', time: '5 min', limit: '25 cm³/min' },
      gives: { leakRate: '-39.5 cm³/min', verdict: 'outside' },
      source: 'by hand: 2000 × 0.1/1.01325/5, inwards',
    },
  ],
  dangers: {
    'rises-by-itself': {
      harm: 'A gauge or a valve that is wrong passes a leak: oil on the brakes, gas in the cab.',
      fires: { pressureEnd: '3.001 bar' },
      silent: { pressureEnd: '2.999 bar' },
    },
    'air-is-a-bomb': {
      harm: 'A case bursts under air: it goes off like a bomb, where oil would only spill.',
      fires: { pressureStart: '10.1 bar', pressureEnd: '10.0 bar' },
      silent: { pressureStart: '10 bar', pressureEnd: '9.9 bar' },
    },
    unsteady: {
      harm: 'Air warmed by filling cools and looks like a leak, or hides one.',
      fires: {},
    },
    inwards: {
      harm: 'In a vacuum the leak runs inwards, and its minus is taken for nothing: dirt and water come in with it.',
      fires: { pressureStart: '-0.01 bar', pressureEnd: '-0.009 bar' },
      silent: { pressureStart: '0.01 bar', pressureEnd: '0.009 bar' },
    },
  },
  inputs: {
    volume: quantity('volume', 'Volume', { above: 0, max: 1e9 }),
    pressureStart: quantity('pressure', 'Pressure at the start, gauge', { min: -1.1, max: 2000 }),
    pressureEnd: quantity('pressure', 'Pressure at the end, gauge', { min: -1.1, max: 2000 }),
    time: quantity('time', 'Time', { above: 0, max: 1e7 }),
    temperatureStart: defaulted(quantity('temperature', 'Temperature at the start', { min: -100, max: 500 }), '20 °C'),
    temperatureEnd: optional(
      quantity('temperature', 'Temperature at the end', {
        min: -100,
        max: 500,
        help: 'as at the start, when left out',
      }),
    ),
    ambientPressure: more(
      defaulted(quantity('pressure', 'Air pressure, absolute', { min: 0.3, max: 1.2 }), '1.01325 bar'),
    ),
    limit: optional(quantity('leak', 'Leaks at most', { min: 0, max: 1e9 })),
    gaugeUncertainty: more(optional(quantity('pressure', 'Uncertainty of the gauge (k = 2)', { min: 0, max: 100 }))),
    temperatureUncertainty: more(
      optional(quantity('temperatureDifference', 'Uncertainty of the temperature (k = 2)', { min: 0, max: 50 })),
    ),
  },
  outputs: {
    leakRate: { label: 'Leak rate (inwards negative)', is: 'leak' },
    correctedDrop: { label: 'Fall that cooling does not explain', is: 'pressure' },
    uncertainty: { label: 'Uncertainty of the leak rate (k = 2)', is: 'leak', optional: true },
    verdict: { label: 'Verdict', is: 'word', optional: true },
  },
  compute(input, work) {
    const endC = input.temperatureEndC ?? input.temperatureStartC;
    if (input.temperatureEndC === undefined)
      work.assume('Temperature at the end', canonical(endC, 'temperature'), 'as at the start, not given');
    const p1 = input.pressureStartBar + input.ambientPressureBar;
    const p2 = input.pressureEndBar + input.ambientPressureBar;
    if (p1 <= 0) throw new ReckonError('out-of-range', 'pressureStart', input.pressureStartBar, 'above a full vacuum');
    if (p2 <= 0) throw new ReckonError('out-of-range', 'pressureEnd', input.pressureEndBar, 'above a full vacuum');
    const minutes = input.timeS / 60;
    const rate = (a: number, b: number, ta: number, tb: number): number =>
      (atReference(input.volumeMl, a, ta + KELVIN) - atReference(input.volumeMl, b, tb + KELVIN)) / minutes;
    const leak = rate(p1, p2, input.temperatureStartC, endC);
    const drop = p1 - (p2 * (input.temperatureStartC + KELVIN)) / (endC + KELVIN);
    work.step(
      'Absolute pressures',
      'gauge + air',
      `${f(input.pressureStartBar)} + ${f(input.ambientPressureBar)}; ${f(input.pressureEndBar)} + ${f(input.ambientPressureBar)}`,
      `${f(p1, 4)} and ${f(p2, 4)} bar`,
    );
    work.step(
      'Fall that cooling does not explain',
      'p1 − p2 T1/T2',
      `${f(p1, 4)} − ${f(p2, 4)} × ${f(input.temperatureStartC + KELVIN, 2)}/${f(endC + KELVIN, 2)}`,
      canonical(drop, 'pressure'),
    );
    work.step(
      'Leak rate',
      'V · fall · T0/(T1 p0) / t',
      `${f(input.volumeMl)} × ${f(drop, 5)} × 293.15/(${f(input.temperatureStartC + KELVIN, 2)} × 1.01325) / ${f(minutes)}`,
      canonical(leak, 'leak'),
    );
    const given = input.gaugeUncertaintyBar !== undefined || input.temperatureUncertaintyK !== undefined;
    const u = given
      ? propagate(
          rate,
          [p1, p2, input.temperatureStartC, endC],
          [
            input.gaugeUncertaintyBar ?? 0,
            input.gaugeUncertaintyBar ?? 0,
            input.temperatureUncertaintyK ?? 0,
            input.temperatureUncertaintyK ?? 0,
          ],
        )
      : 0;
    if (given)
      work.step('Uncertainty', 'both pressures and both temperatures, in squares', 'GUM', canonical(u, 'leak'));
    const vacuum = input.pressureStartBar < 0;
    if (vacuum)
      work.warn('inwards', 'In a vacuum the leak runs inwards and counts as negative; it is judged by its size.');
    if (!vacuum && leak < -Math.max(u, 1e-9))
      work.warn(
        'rises-by-itself',
        'The pressure rose more than warming explains: the gauge, the temperature or the valve is wrong.',
      );
    if (input.pressureStartBar > 10)
      work.warn('air-is-a-bomb', 'Air at this pressure is a bomb: test with water where you can, behind a guard.');
    work.warn(
      'unsteady',
      'Let it stand until the temperature is steady before the clock starts: filling warms the air.',
    );
    return {
      leakRate: canonical(leak, 'leak'),
      correctedDrop: canonical(drop, 'pressure'),
      uncertainty: given ? canonical(u, 'leak') : undefined,
      verdict:
        input.limitCm3PerMin === undefined ? undefined : judge(Math.abs(leak), u, { upper: input.limitCm3PerMin }),
    };
  },
});
