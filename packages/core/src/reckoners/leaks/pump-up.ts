import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, more, optional, quantity, ReckonError } from '../shape/index.ts';
import { KELVIN } from './gas.ts';

/** Free air that a compressor delivers, from the time it takes to fill a tank. Ideal gas; at the intake's state. */
export const pumpUp = defineReckoner({
  id: 'pump-up',
  title: 'Compressor by pump-up time',
  subject: 'leaks',
  asks: ['compressor output', 'free air delivery', 'how long to fill', 'is the compressor tired'],
  formula: 'FAD = V (p2 − p1)/pa · Tin/Ttank / t;  efficiency = FAD/(displacement · speed)',
  sources: ['ideal gas; ISO 1217 names the simple form (from memory)'],
  checks: [
    {
      inputs: { tankVolume: '100 l', pressureStart: '0 bar', pressureEnd: '7 bar', time: '120 s' },
      gives: { freeAirDelivery: '345 l/min' },
      source: 'by hand: 100 × 7/1.01325/2',
    },
  ],
  dangers: {
    'over-100': {
      harm: 'An impossible figure is put on a record, and the compressor is sold by it.',
      fires: { displacement: '230 ml', speed: '1450 rpm' },
      silent: { displacement: '240 ml', speed: '1450 rpm' },
    },
    'under-half': {
      harm: 'A worn machine is taken for a slow one: it runs hot, its valves break, and oil can burn in the line.',
      fires: { displacement: '480 ml', speed: '1450 rpm' },
      silent: { displacement: '470 ml', speed: '1450 rpm' },
    },
    'warm-tank': {
      harm: 'The delivery reads high off a warm tank: the customer’s tools starve.',
      fires: {},
    },
  },
  inputs: {
    tankVolume: quantity('volume', 'Tank', { above: 0, max: 1e9 }),
    pressureStart: quantity('pressure', 'From, gauge', { min: -1, max: 1000 }),
    pressureEnd: quantity('pressure', 'To, gauge', { min: -1, max: 1000 }),
    time: quantity('time', 'Time', { above: 0, max: 1e6 }),
    ambientPressure: more(
      defaulted(quantity('pressure', 'Air pressure, absolute', { min: 0.3, max: 1.2 }), '1.01325 bar'),
    ),
    intakeTemperature: more(
      defaulted(quantity('temperature', 'Temperature of the intake', { min: -60, max: 150 }), '20 °C'),
    ),
    tankTemperature: optional(
      quantity('temperature', 'Temperature of the tank', { min: -60, max: 300, help: 'as the intake, when left out' }),
    ),
    displacement: optional(quantity('volume', 'Displacement of one turn', { above: 0, max: 1e7 })),
    speed: optional(quantity('speed', 'Speed', { above: 0, max: 100000 })),
  },
  outputs: {
    freeAirDelivery: { label: 'Free air delivery', is: 'flow' },
    volumetricEfficiency: { label: 'Volumetric efficiency', is: 'percent', optional: true },
  },
  compute(input, work) {
    if (input.pressureEndBar <= input.pressureStartBar)
      throw new ReckonError(
        'inconsistent',
        'pressureEnd',
        input.pressureEndBar,
        `more than the start, ${f(input.pressureStartBar)} bar`,
      );
    const tankC = input.tankTemperatureC ?? input.intakeTemperatureC;
    if (input.tankTemperatureC === undefined)
      work.assume('Temperature of the tank', canonical(tankC, 'temperature'), 'as the intake, not given');
    const litres = input.tankVolumeMl / 1000;
    const minutes = input.timeS / 60;
    const warm = (input.intakeTemperatureC + KELVIN) / (tankC + KELVIN);
    const fad = (litres * (input.pressureEndBar - input.pressureStartBar) * warm) / input.ambientPressureBar / minutes;
    work.step(
      'Free air delivery',
      'V (p2 − p1)/pa · Tin/Ttank / t',
      `${f(litres)} × ${f(input.pressureEndBar - input.pressureStartBar)}/${f(input.ambientPressureBar)} × ${f(warm, 4)} / ${f(minutes)}`,
      canonical(fad, 'flow'),
    );
    if ((input.displacementMl === undefined) !== (input.speedRpm === undefined))
      throw new ReckonError(
        'missing-field',
        input.displacementMl === undefined ? 'displacement' : 'speed',
        null,
        'displacement and speed together',
      );
    let efficiency: number | undefined;
    if (input.displacementMl !== undefined) {
      const swept = (input.displacementMl / 1000) * input.speedRpm!;
      efficiency = (fad / swept) * 100;
      work.step(
        'Volumetric efficiency',
        'FAD/(displacement · speed)',
        `${f(fad)} / (${f(input.displacementMl / 1000)} × ${f(input.speedRpm!)})`,
        canonical(efficiency, 'percent'),
      );
      if (efficiency > 100)
        work.warn('over-100', 'More than it sweeps: a figure is wrong, or the tank is smaller than stated.');
      else if (efficiency < 50)
        work.warn('under-half', 'Under half of what it sweeps: valves, rings or the intake filter (common practice).');
    }
    work.warn(
      'warm-tank',
      'A tank warm from filling reads high: the delivery is less than this unless the tank’s temperature is given.',
    );
    return {
      freeAirDelivery: canonical(fad, 'flow'),
      volumetricEfficiency: efficiency === undefined ? undefined : canonical(efficiency, 'percent'),
    };
  },
});
