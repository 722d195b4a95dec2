import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, list, more, quantity, ReckonError, record } from '../shape/index.ts';

/** A curve that levels off this far (last slope over first) is vapour; this straight is a leak: common practice. */
const LEVELS_OFF = 0.4;
const STRAIGHT = 0.7;
/** A curve that levels off higher than this many times the vapour pressure of water is no moisture: common practice. */
const OVER_VAPOUR = 1.25;
/** Absolute pressures above this are no vacuum: a gauge that shows vacuum below the air was read as absolute, bar. */
const NO_VACUUM_BAR = 0.3;
/** A fall of pressure larger than this is no noise, bar. */
const FALLS_BAR = 0.0005;

/** Vapour pressure of water over the liquid, bar (Magnus formula, WMO): 23.3 mbar at 20 °C. */
export function vapourPressureBar(celsius: number): number {
  return 0.0061094 * Math.exp((17.625 * celsius) / (celsius + 243.04));
}

/**
 * Does a vacuum hold, and if it does not, is it a leak or moisture? A leak lets the pressure rise on in a straight line
 * (the difference to the air hardly changes); moisture boils off and levels out at the vapour pressure of water, never
 * higher. Pressures are absolute, or are brought there from a gauge that reads against the air.
 */
export const vacuumHold = defineReckoner({
  id: 'vacuum-hold',
  title: 'Does the vacuum hold',
  subject: 'leaks',
  asks: ['vacuum test', 'evacuate', 'moisture', 'rise test'],
  formula:
    'rise ≤ limit: tight;  slope of the second half / first half: straight is a leak; levelling off at no more than the vapour pressure of water is moisture, higher is a leak',
  sources: ['common practice', 'vapour pressure of water: Magnus formula (WMO)'],
  checks: [
    {
      inputs: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '6 mbar' },
          { time: '10 min', pressure: '11 mbar' },
          { time: '15 min', pressure: '16 mbar' },
          { time: '20 min', pressure: '21 mbar' },
        ],
        limit: '2 mbar',
      },
      gives: { verdict: 'leak', 'riseRate.value': '1.00' },
      source: 'by hand: 1 mbar a minute, straight',
    },
    {
      inputs: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '12 mbar' },
          { time: '10 min', pressure: '17 mbar' },
          { time: '15 min', pressure: '19 mbar' },
          { time: '20 min', pressure: '20 mbar' },
        ],
        limit: '2 mbar',
      },
      gives: { verdict: 'moisture' },
      source: 'by hand: 16 mbar, then 3; 23 mbar is the vapour pressure at 20 °C',
    },
    {
      inputs: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '240 mbar' },
          { time: '10 min', pressure: '400 mbar' },
          { time: '15 min', pressure: '450 mbar' },
          { time: '20 min', pressure: '470 mbar' },
        ],
        limit: '2 mbar',
      },
      gives: { verdict: 'leak' },
      source: 'water at 20 °C cannot give more than 23 mbar',
    },
    {
      inputs: {
        readings: [
          { time: '0 min', pressure: '29.5 inHg' },
          { time: '5 min', pressure: '29.4 inHg' },
          { time: '10 min', pressure: '29.3 inHg' },
          { time: '15 min', pressure: '29.2 inHg' },
        ],
        limit: '2 mbar',
        readAs: 'vacuum',
      },
      gives: { verdict: 'leak', rise: '0.0102 bar' },
      source: 'by hand: 0.3 inHg less vacuum',
    },
  ],
  dangers: {
    moisture: {
      harm: 'Water left behind eats the system from inside and freezes in the valve; a small leak hides behind it.',
      fires: {
        temperature: '20 °C',
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '12 mbar' },
          { time: '10 min', pressure: '17 mbar' },
          { time: '20 min', pressure: '20 mbar' },
        ],
      },
      silent: {
        temperature: '10 °C',
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '12 mbar' },
          { time: '10 min', pressure: '17 mbar' },
          { time: '20 min', pressure: '20 mbar' },
        ],
      },
    },
    'above-vapour': {
      harm: 'A gross leak levels off towards the air and is called moisture: it is pumped for hours, filled, and lost.',
      fires: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '20 mbar' },
          { time: '10 min', pressure: '27 mbar' },
          { time: '20 min', pressure: '30 mbar' },
        ],
      },
      silent: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '20 mbar' },
          { time: '10 min', pressure: '26 mbar' },
          { time: '20 min', pressure: '28 mbar' },
        ],
      },
    },
    'few-readings': {
      harm: 'Two readings have no shape: leak and moisture are told apart by guessing.',
      fires: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '6 mbar' },
          { time: '10 min', pressure: '11 mbar' },
        ],
      },
      silent: {},
    },
    'between-the-two': {
      harm: 'A curve between straight and level is called what one hopes for.',
      fires: {
        readings: [
          { time: '0 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '6 mbar' },
          { time: '10 min', pressure: '11 mbar' },
          { time: '20 min', pressure: '16 mbar' },
        ],
      },
      silent: {},
    },
    'pump-shut-off': {
      harm: 'The pump’s own leak, or a valve left open, is counted as the unit’s.',
      fires: {},
    },
  },
  inputs: {
    readings: list(
      record(
        {
          time: quantity('time', 'Time', { min: 0, max: 1e7 }),
          pressure: quantity('pressure', 'Pressure', { min: -1.1, max: 2 }),
        },
        'Reading',
      ),
      'Readings',
      { minLength: 2, maxLength: 2000 },
    ),
    limit: quantity('pressure', 'May rise by', { min: 0, max: 2 }),
    readAs: defaulted(
      choice(['absolute', 'gauge', 'vacuum'], 'The gauge shows', {
        help: 'vacuum: so much below the air, as a compound gauge in inHg; gauge: below the air is negative',
      }),
      'absolute',
    ),
    temperature: defaulted(quantity('temperature', 'Temperature of the unit', { min: -40, max: 120 }), '20 °C'),
    ambientPressure: more(
      defaulted(quantity('pressure', 'Air pressure, absolute', { min: 0.3, max: 1.2 }), '1.01325 bar'),
    ),
  },
  outputs: {
    riseRate: { label: 'Rises by', is: 'own unit' },
    rise: { label: 'Rise', is: 'pressure' },
    vapourPressure: { label: 'Water boils off up to', is: 'pressure' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const { limitBar } = input;
    const readings = input.readings.map((r, i) => ({
      timeS: r.timeS,
      pressureBar: absolute(r.pressureBar, input.readAs, input.ambientPressureBar, i),
    }));
    if (input.readAs !== 'absolute')
      work.step(
        'Absolute pressure',
        input.readAs === 'gauge' ? 'air + reading' : 'air − vacuum',
        `air ${f(input.ambientPressureBar * 1000)} mbar`,
        readings.map((r) => f(r.pressureBar * 1000, 1)).join(', ') + ' mbar',
      );
    readings.forEach((r, i) => {
      if (i > 0 && r.timeS <= readings[i - 1]!.timeS)
        throw new ReckonError('inconsistent', `readings[${i}].time`, r.timeS, 'later than the one before');
    });
    readings.forEach((r, i) => {
      if (i > 0 && r.pressureBar < readings[i - 1]!.pressureBar - FALLS_BAR)
        throw new ReckonError(
          'inconsistent',
          `readings[${i}].pressure`,
          input.readings[i]!.pressureBar,
          'a pressure that does not fall while the pump is shut off',
          `readings[${i}].pressure: the absolute pressure falls: is the pump still on, or does the gauge show vacuum below the air (readAs: vacuum)?`,
        );
    });
    const first = readings[0]!;
    if (first.pressureBar > NO_VACUUM_BAR && input.readAs === 'absolute')
      throw new ReckonError(
        'inconsistent',
        'readings[0].pressure',
        first.pressureBar,
        `a vacuum: an absolute pressure up to ${NO_VACUUM_BAR * 1000} mbar, or readAs gauge or vacuum`,
        `readings[0].pressure: ${f(first.pressureBar * 1000)} mbar absolute is no vacuum: does the gauge show vacuum below the air (readAs: vacuum)?`,
      );
    const vapour = vapourPressureBar(input.temperatureC);
    work.warn(
      'pump-shut-off',
      'Shut the valve at the unit, not at the pump, and look at the gauge for a minute before the clock starts.',
    );
    const last = readings.at(-1)!;
    const minutes = (last.timeS - first.timeS) / 60;
    const rise = last.pressureBar - first.pressureBar;
    const rate = (rise * 1000) / minutes;
    const riseRate = { value: rate, unit: 'mbar/min' };
    work.step(
      'Rise',
      'last − first',
      `${f(last.pressureBar * 1000)} − ${f(first.pressureBar * 1000)} mbar`,
      canonical(rise, 'pressure'),
    );
    work.step('Rises by', 'rise / time', `${f(rise * 1000)} mbar / ${f(minutes)} min`, riseRate);
    work.step(
      'Vapour pressure of water',
      '6.1094 exp(17.625 t/(t + 243.04)) mbar',
      `${f(input.temperatureC)} °C`,
      canonical(vapour, 'pressure'),
    );
    const out = { riseRate, rise: canonical(rise, 'pressure'), vapourPressure: canonical(vapour, 'pressure') };
    if (rise <= limitBar + 1e-12) return { ...out, verdict: 'tight' };
    if (readings.length < 4) {
      work.warn('few-readings', 'Fewer than four readings do not show whether it levels off.');
      return { ...out, verdict: 'cannot-tell' };
    }
    const half = first.timeS + (last.timeS - first.timeS) / 2;
    const middle = pressureAt(readings, half);
    const ratio = (last.pressureBar - middle) / Math.max(middle - first.pressureBar, 1e-12);
    work.step(
      'Second half over first',
      '(p end − p mid)/(p mid − p start)',
      `${f((last.pressureBar - middle) * 1000)} / ${f((middle - first.pressureBar) * 1000)} mbar`,
      canonical(Math.min(Math.max(ratio, -1e6), 1e6), 'ratio'),
    );
    const level = last.pressureBar;
    const tooHigh = level > OVER_VAPOUR * vapour;
    const verdict = ratio >= STRAIGHT || tooHigh ? 'leak' : ratio <= LEVELS_OFF ? 'moisture' : 'cannot-tell';
    if (tooHigh && ratio < STRAIGHT)
      work.warn(
        'above-vapour',
        `It stands at ${f(level * 1000)} mbar, and water at ${f(input.temperatureC)} °C gives no more than ${f(vapour * 1000, 0)}: this is a leak, or what boils is not water (refrigerant in the oil).`,
      );
    if (verdict === 'moisture')
      work.warn(
        'moisture',
        `It levels off below the ${f(vapour * 1000, 0)} mbar at which water boils off: evacuate longer, warm, and test again. A small leak may hide behind it.`,
      );
    if (verdict === 'cannot-tell')
      work.warn('between-the-two', 'Between straight and levelling off: watch it for longer.');
    return { ...out, verdict };
  },
});

/** What a gauge shows, as absolute pressure, bar. @throws ReckonError where that is less than nothing */
function absolute(shown: number, readAs: 'absolute' | 'gauge' | 'vacuum', air: number, i: number): number {
  const bar = readAs === 'absolute' ? shown : readAs === 'gauge' ? air + shown : air - shown;
  if (bar < -FALLS_BAR || (readAs !== 'gauge' && shown < 0))
    throw new ReckonError(
      'out-of-range',
      `readings[${i}].pressure`,
      shown,
      readAs === 'absolute'
        ? 'at least 0: below the air is readAs gauge'
        : readAs === 'gauge'
          ? 'no lower than the air pressure allows'
          : 'a vacuum from 0 to the air pressure',
    );
  return Math.max(0, bar);
}

function pressureAt(readings: readonly { timeS: number; pressureBar: number }[], time: number): number {
  const after = readings.findIndex((r) => r.timeS >= time);
  const b = readings[after]!;
  const a = readings[Math.max(0, after - 1)]!;
  if (b.timeS === a.timeS) return b.pressureBar;
  return a.pressureBar + ((b.pressureBar - a.pressureBar) * (time - a.timeS)) / (b.timeS - a.timeS);
}
