import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { chargingOutput } from './charging-output.ts';
import { insulation } from './insulation.ts';
import { phaseBalance } from './phase-balance.ts';
import { chance, outputPeriod, sampled, type Bridge, type Fault } from './rectifier-model.fixtures.ts';
import { rectifierRipple } from './rectifier-ripple.ts';
import { sixPulse } from './six-pulse.ts';
import { windingResistance } from './winding-resistance.ts';

const FAULTS: readonly Fault[] = ['healthy', 'open-diode', 'open-phase', 'shorted-diode', 'uneven-winding'];

/** A bridge picked by chance; the unevenness of a faulty winding is 10 to 45 %, of a sound one up to 1.5 %. */
function randomBridge(fault: Fault, random: () => number): Bridge {
  const slightly = (): number => 1 + (random() - 0.5) * 0.03;
  const amplitudes: [number, number, number] = [slightly(), slightly(), slightly()];
  const which = Math.floor(random() * 6);
  if (fault === 'uneven-winding') amplitudes[which % 3] = 0.55 + random() * 0.35;
  return { fault, which, amplitudes, resistance: 0.01 + random() * 0.2, drop: random() * 0.06 };
}
interface Seen {
  readonly right: number;
  readonly wrong: number;
  readonly cannot: number;
}
function tally(
  count: number,
  seed: number,
  record: (random: () => number) => { seconds: number; perCycle: number; noise: number },
  known: boolean,
): Seen {
  const random = chance(seed);
  let [right, wrong, cannot] = [0, 0, 0];
  for (let i = 0; i < count; i += 1) {
    const fault = FAULTS[i % FAULTS.length]!;
    const electricalHz = 60 + random() * 700;
    const { seconds, perCycle, noise } = record(random);
    const rateHz = electricalHz * perCycle;
    const samples = sampled(
      outputPeriod(randomBridge(fault, random), 96),
      { count: Math.round(rateHz * seconds), rateHz, electricalHz, phase: random(), noise, scale: 5 + random() * 20 },
      random,
    );
    const speed = known
      ? { polePairs: 6, speed: { value: electricalHz * 10 * (1 + (random() - 0.5) * 0.02), unit: 'rpm' } }
      : {};
    const { verdict } = rectifierRipple.reckon({
      samples,
      sampleRate: { value: rateHz, unit: 'Hz' },
      ...speed,
    }).results;
    if (verdict === fault) right += 1;
    else if (verdict === 'cannot-tell') cannot += 1;
    else wrong += 1;
  }
  return { right, wrong, cannot };
}

describe('rectifier-ripple against a circuit model', () => {
  test('at least 99 % right on 1,000 random waveforms with 2 % noise, speed, load and windings varied', () => {
    const seen = tally(
      1000,
      20261124,
      (r) => ({ seconds: 0.15 + r() * 0.2, perCycle: 30 + r() * 40, noise: 0.02 }),
      false,
    );
    expect(seen.right).toBeGreaterThanOrEqual(990);
    expect(seen.wrong).toBe(0);
  });
  test('the same with pole pairs and speed known', () => {
    const seen = tally(300, 7, (r) => ({ seconds: 0.15 + r() * 0.2, perCycle: 30 + r() * 40, noise: 0.02 }), true);
    expect(seen.right).toBeGreaterThanOrEqual(297);
    expect(seen.wrong).toBe(0);
  });
  test('short records: "cannot tell" rather than wrong', () => {
    const seen = tally(300, 11, (r) => ({ seconds: 0.002 + r() * 0.008, perCycle: 30 + r() * 20, noise: 0.02 }), false);
    expect(seen.wrong).toBe(0);
    expect(seen.cannot).toBeGreaterThan(30);
  });
  test('noise of 20 %: "cannot tell" rather than wrong', () => {
    const seen = tally(200, 13, () => ({ seconds: 0.2, perCycle: 40, noise: 0.2 }), false);
    expect(seen.wrong).toBe(0);
    expect(seen.cannot).toBeGreaterThan(150);
  });
  test('sampled too slowly: never healthy by mistake', () => {
    const seen = tally(200, 17, (r) => ({ seconds: 0.3, perCycle: 6 + r() * 6, noise: 0.02 }), false);
    expect(seen.wrong).toBe(0);
  });
  test('an ideal six-pulse bridge: mean 1.3505 U, ripple 4.2 % rms, lowest line 6f, 14 % peak to peak', () => {
    const samples = sixPulse(8000, 48000, 150, 12);
    const { results } = rectifierRipple.reckon({ samples, sampleRate: '48 kHz' });
    expect(results.mean.value / 12).toBeCloseTo(1.3505, 3);
    expect(results.ripplePercent.value).toBeCloseTo(4.2, 1);
    // 1 − cos 30°, over the mean.
    expect((Math.max(...samples) - Math.min(...samples)) / results.mean.value).toBeCloseTo(0.14, 2);
    expect(results).toMatchObject({ verdict: 'healthy', fundamental: { value: expect.closeTo(150, 0) } });
  });
  test('a speed that contradicts the ripple is said', () => {
    const samples = sixPulse(8000, 48000, 150, 12);
    const { results } = rectifierRipple.reckon({ samples, sampleRate: '48 kHz', polePairs: 6, speed: '4000 rpm' });
    expect(results.verdict).toBe('cannot-tell');
  });
  test('a flat line, silence, a few samples', () => {
    const at = (samples: number[]): string => rectifierRipple.reckon({ samples, sampleRate: '10 kHz' }).results.verdict;
    expect(at(new Array<number>(500).fill(14))).toBe('cannot-tell');
    expect(at(Array.from({ length: 40 }, (_, i) => 14 + Math.sin(i)))).toBe('cannot-tell');
    expect(() => at(new Array<number>(500).fill(0))).toThrow(ReckonError);
    expect(() => at([...new Array<number>(100).fill(1), Number.NaN])).toThrow(
      expect.objectContaining({ field: 'samples[100]' }),
    );
  });
});

describe('windings', () => {
  test('copper: 0.393 % a degree about 20 °C (IEC 60034-1: 1/255), and there and back', () => {
    const { corrected } = windingResistance.reckon({ reading: '10 Ω', temperature: '21 °C' }).results;
    expect((10 / corrected.value - 1) * 100).toBeCloseTo(100 / 255, 6);
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: -20, max: 150, noNaN: true }),
        (r, t) => {
          const at20 = windingResistance.reckon({
            reading: { value: r, unit: 'Ω' },
            temperature: { value: t, unit: '°C' },
          }).results.corrected;
          const back = windingResistance.reckon({
            reading: at20,
            temperature: '20 °C',
            referenceTemperature: { value: t, unit: '°C' },
          }).results.corrected;
          expect(back.value).toBeCloseTo(r, 9);
        },
      ),
    );
  });
  test('the uncertainty of the thermometer counts, and the verdict uses it', () => {
    const base = { reading: '2.90 Ω', temperature: '45 °C', limitLow: '2.6 Ω', limitHigh: '2.65 Ω' };
    expect(windingResistance.reckon(base).results.verdict).toBe('within');
    const { results } = windingResistance.reckon({
      ...base,
      temperatureUncertainty: '3 K',
      readingUncertainty: '0.01 Ω',
    });
    // 2.641 × 3/280 and 0.01 × 255/280, in squares.
    expect(results.uncertainty!.value).toBeCloseTo(Math.hypot((2.6411 * 3) / 280, 0.01 * (255 / 280)), 4);
    expect(results.verdict).toBe('undecided');
  });
  test('balance: units may differ, kinds may not', () => {
    expect(phaseBalance.reckon({ readings: ['0.1 Ω', '100 mΩ', '0.1 Ω'] }).results.spread.value).toBeCloseTo(0, 9);
    expect(() => phaseBalance.reckon({ readings: ['0.1 Ω', '0.1 V', '0.1 Ω'] })).toThrow(
      expect.objectContaining({ field: 'readings[1]' }),
    );
    expect(phaseBalance.reckon({ readings: ['1.00 Ω', '1.04 Ω', '1.00 Ω'] }).results.verdict).toBe('suspect');
  });
  test('insulation above 1 kV', () =>
    expect(insulation.reckon({ reading: '50 MΩ', ratedVoltage: '3.3 kV' }).results).toMatchObject({
      minimum: { value: 1e8 },
      verdict: 'outside',
    }));
});

describe('charging-output', () => {
  const base = {
    engineSpeed: '2000 rpm',
    crankPulley: '150 mm',
    alternatorPulley: '60 mm',
    rated: [
      { speed: '1500 rpm', current: '30 A' },
      { speed: '6000 rpm', current: '90 A' },
    ],
  };
  test('weak, faulty, and a point off the curve', () => {
    const at = (current: string): string =>
      chargingOutput.reckon({ ...base, points: [{ speed: '1500 rpm', current, voltage: '14 V' }] }).results.verdict;
    expect([at('28 A'), at('25 A'), at('20 A')]).toEqual(['good', 'weak', 'faulty']);
    expect(() =>
      chargingOutput.reckon({ ...base, points: [{ speed: '900 rpm', current: '5 A', voltage: '12 V' }] }),
    ).toThrow(expect.objectContaining({ field: 'points' }));
  });
  test('a regulator that rises with heat is warned of', () => {
    const { warnings } = chargingOutput.reckon({
      ...base,
      points: [
        { speed: '1500 rpm', current: '30 A', voltage: '14.0 V', temperature: '20 °C' },
        { speed: '6000 rpm', current: '90 A', voltage: '14.6 V', temperature: '60 °C' },
      ],
    });
    expect(warnings.join(' ')).toContain('rises');
  });
});
