import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, list, quantity, record, ReckonError } from '../shape/index.ts';

/** A curve that levels off this far (last slope over first) is vapour; this straight is a leak: common practice. */
const LEVELS_OFF = 0.4;
const STRAIGHT = 0.7;

/**
 * Does a vacuum hold, and if it does not, is it a leak or moisture? A leak lets the pressure rise on in a straight line
 * (the difference to the air hardly changes); moisture boils off and levels out. Pressures are absolute.
 */
export const vacuumHold = defineReckoner({
  id: 'vacuum-hold',
  title: 'Does the vacuum hold',
  subject: 'leaks',
  asks: ['vacuum test', 'evacuate', 'moisture', 'rise test'],
  formula: 'rise ≤ limit: tight;  slope of the second half / first half: straight is a leak, levelling off is moisture',
  sources: ['common practice'],
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
      source: 'by hand: 16 mbar, then 3',
    },
  ],
  inputs: {
    readings: list(
      record(
        {
          time: quantity('time', 'Time', { min: 0, max: 1e7 }),
          pressure: quantity('pressure', 'Pressure, absolute', { min: 0, max: 2 }),
        },
        'Reading',
      ),
      'Readings',
      { minLength: 2, maxLength: 2000 },
    ),
    limit: quantity('pressure', 'May rise by', { min: 0, max: 2 }),
  },
  outputs: {
    riseRate: { label: 'Rises by', is: 'own unit' },
    rise: { label: 'Rise', is: 'pressure' },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute({ readings, limitBar }, work) {
    readings.forEach((r, i) => {
      if (i > 0 && r.timeS <= readings[i - 1]!.timeS)
        throw new ReckonError('inconsistent', `readings[${i}].time`, r.timeS, 'later than the one before');
    });
    const first = readings[0]!;
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
    const out = { riseRate, rise: canonical(rise, 'pressure') };
    if (rise <= limitBar + 1e-12) return { ...out, verdict: 'tight' };
    if (readings.length < 4) {
      work.warn('Fewer than four readings do not show whether it levels off.');
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
    const verdict = ratio >= STRAIGHT ? 'leak' : ratio <= LEVELS_OFF ? 'moisture' : 'cannot-tell';
    if (verdict === 'moisture')
      work.warn(
        'It levels off near the vapour pressure of water: evacuate longer, warm, and test again. A small leak may hide behind it.',
      );
    if (verdict === 'cannot-tell') work.warn('Between straight and levelling off: watch it for longer.');
    return { ...out, verdict };
  },
});

function pressureAt(readings: readonly { timeS: number; pressureBar: number }[], time: number): number {
  const after = readings.findIndex((r) => r.timeS >= time);
  const b = readings[after]!;
  const a = readings[Math.max(0, after - 1)]!;
  if (b.timeS === a.timeS) return b.pressureBar;
  return a.pressureBar + ((b.pressureBar - a.pressureBar) * (time - a.timeS)) / (b.timeS - a.timeS);
}
