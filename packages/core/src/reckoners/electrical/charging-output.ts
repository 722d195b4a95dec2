import { canonical, formatNumber as f, type Quantity } from '../../quantities/index.ts';
import { choice, defaulted, defineReckoner, list, optional, quantity, record, ReckonError } from '../shape/index.ts';

/** Shares of the rated current: common practice. */
const GOOD = 90;
const WEAK = 75;
/**
 * Voltage at the B terminal, V: below the first the rating (stated at 13.5 or 27 V) is not reached, above the second the
 * regulator lets it run away. Common practice; a cold regulator goes to about 15 V.
 */
const VOLTAGES = { '12 V': [13, 15], '24 V': [26.5, 29.8] } as const;
/** What an alternator's rotor bears where its maker gives no figure, rpm: common practice. */
const FASTEST = '18000 rpm';

/** An alternator on the stand against its rated curve, and how its regulator follows the temperature. */
export const chargingOutput = defineReckoner({
  id: 'charging-output',
  title: 'Charging output',
  subject: 'electrical',
  asks: ['alternator test', 'output curve', 'amps at speed', 'regulator'],
  formula: 'n = engine × crank/alternator pulley;  share = measured / rated (linear between points);  slope of V on °C',
  sources: ['90 % good, under 75 % faulty: common practice'],
  checks: [
    {
      inputs: {
        engineSpeed: '2000 rpm',
        crankPulley: '150 mm',
        alternatorPulley: '60 mm',
        points: [
          { speed: '2000 rpm', current: '40 A', voltage: '14.4 V', temperature: '20 °C' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.1 V', temperature: '50 °C' },
        ],
        rated: [
          { speed: '1500 rpm', current: '30 A' },
          { speed: '3000 rpm', current: '60 A' },
          { speed: '6000 rpm', current: '90 A' },
        ],
      },
      // rated at 2000 is 40 A, at 5000 is 80 A; −0.3 V over 30 K
      gives: {
        alternatorSpeed: '5000 rpm',
        verdict: 'good',
        'shares.1.share': '106 %',
        'regulatorSlope.value': '-0.010',
      },
      source: 'by hand',
    },
  ],
  dangers: {
    runaway: {
      harm: 'Over its voltage an alternator boils the battery and burns every control unit on the machine.',
      fires: {
        points: [
          { speed: '2000 rpm', current: '40 A', voltage: '15.1 V' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.1 V' },
        ],
      },
      silent: {
        points: [
          { speed: '2000 rpm', current: '40 A', voltage: '15.0 V' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.1 V' },
        ],
      },
    },
    'too-low': {
      harm: 'The current looks right at a voltage that charges nothing: the battery is flat in the morning.',
      fires: { points: [{ speed: '2000 rpm', current: '40 A', voltage: '12.9 V' }] },
      silent: { points: [{ speed: '2000 rpm', current: '40 A', voltage: '13 V' }] },
    },
    'too-fast': {
      harm: 'Past its speed the rotor bursts, in the face of whoever stands by.',
      fires: { maxSpeed: '4999 rpm' },
      silent: { maxSpeed: '5001 rpm' },
    },
    'outside-the-curve': {
      harm: 'A point beyond the rated curve is counted as good.',
      fires: {
        points: [
          { speed: '6001 rpm', current: '90 A', voltage: '14.1 V' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.1 V' },
        ],
      },
      silent: { points: [{ speed: '6000 rpm', current: '90 A', voltage: '14.1 V' }] },
    },
    'rises-when-warm': {
      harm: 'A regulator that rises as it warms boils the battery in summer.',
      fires: {
        points: [
          { speed: '2000 rpm', current: '40 A', voltage: '14.00 V', temperature: '20 °C' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.07 V', temperature: '50 °C' },
        ],
      },
      silent: {
        points: [
          { speed: '2000 rpm', current: '40 A', voltage: '14.00 V', temperature: '20 °C' },
          { speed: '5000 rpm', current: '85 A', voltage: '14.05 V', temperature: '50 °C' },
        ],
      },
    },
    belts: {
      harm: 'Belts and pulleys take fingers; a battery that is parted while it charges dumps its load and can burst.',
      fires: {},
    },
  },
  inputs: {
    system: defaulted(choice(['12 V', '24 V'], 'System'), '12 V'),
    maxSpeed: defaulted(quantity('speed', 'The alternator bears', { above: 0, max: 100000 }), FASTEST),
    engineSpeed: quantity('speed', 'Engine', { min: 0, max: 50000 }),
    crankPulley: quantity('length', 'Pulley of the crank', { above: 0, max: 2000 }),
    alternatorPulley: quantity('length', 'Pulley of the alternator', { above: 0, max: 2000 }),
    points: list(
      record(
        {
          speed: quantity('speed', 'Speed of the alternator', { above: 0, max: 50000 }),
          current: quantity('current', 'Current', { min: 0, max: 10000 }),
          voltage: quantity('voltage', 'Voltage', { min: 0, max: 1000 }),
          temperature: optional(quantity('temperature', 'Temperature of the regulator', { min: -60, max: 300 })),
        },
        'Point',
      ),
      'Measured',
      { maxLength: 50 },
    ),
    rated: list(
      record(
        {
          speed: quantity('speed', 'Speed', { min: 0, max: 50000 }),
          current: quantity('current', 'Current', { above: 0, max: 10000 }),
        },
        'Point',
      ),
      'Rated curve',
      { minLength: 2, maxLength: 50 },
    ),
  },
  outputs: {
    alternatorSpeed: { label: 'Alternator turns at', is: 'speed' },
    shares: { label: 'Shares of the rated current', is: 'table' },
    regulatorSlope: { label: 'Regulator, volts a degree', is: 'own unit', optional: true },
    verdict: { label: 'Verdict', is: 'word' },
  },
  compute(input, work) {
    const speed = (input.engineSpeedRpm * input.crankPulleyMm) / input.alternatorPulleyMm;
    work.step(
      'Alternator turns at',
      'engine × crank / alternator pulley',
      `${f(input.engineSpeedRpm)} × ${f(input.crankPulleyMm)} / ${f(input.alternatorPulleyMm)}`,
      canonical(speed, 'speed'),
    );
    const curve = [...input.rated].sort((a, b) => a.speedRpm - b.speedRpm);
    curve.forEach((p, i) => {
      if (i > 0 && p.speedRpm === curve[i - 1]!.speedRpm)
        throw new ReckonError('inconsistent', 'rated', p.speedRpm, 'each speed once');
    });
    const ratedAt = (rpm: number): number | undefined => {
      const over = curve.findIndex((p) => p.speedRpm >= rpm);
      if (over === -1) return undefined;
      if (curve[over]!.speedRpm === rpm) return curve[over]!.currentA;
      if (over === 0) return undefined;
      const [a, b] = [curve[over - 1]!, curve[over]!];
      return a.currentA + ((b.currentA - a.currentA) * (rpm - a.speedRpm)) / (b.speedRpm - a.speedRpm);
    };
    const shares: { speed: Quantity; rated: Quantity; share: Quantity }[] = [];
    for (const p of input.points) {
      const rated = ratedAt(p.speedRpm);
      if (rated === undefined) {
        work.warn('outside-the-curve', `${f(p.speedRpm)} rpm is outside the rated curve: that point is not judged.`);
        continue;
      }
      const share = (p.currentA / rated) * 100;
      work.step(
        `Share at ${f(p.speedRpm)} rpm`,
        'measured / rated',
        `${f(p.currentA)} / ${f(rated)}`,
        canonical(share, 'percent'),
      );
      shares.push({
        speed: canonical(p.speedRpm, 'speed'),
        rated: canonical(rated, 'current'),
        share: canonical(share, 'percent'),
      });
    }
    if (shares.length === 0)
      throw new ReckonError('inconsistent', 'points', input.points.length, 'at least one point within the rated curve');
    const warm = input.points.filter((p) => p.temperatureC !== undefined);
    let regulatorSlope: Quantity | undefined;
    if (warm.length >= 2) {
      const mt = warm.reduce((s, p) => s + p.temperatureC!, 0) / warm.length;
      const mv = warm.reduce((s, p) => s + p.voltageV, 0) / warm.length;
      const stt = warm.reduce((s, p) => s + (p.temperatureC! - mt) ** 2, 0);
      if (stt > 1e-9) {
        const slope = warm.reduce((s, p) => s + (p.temperatureC! - mt) * (p.voltageV - mv), 0) / stt;
        regulatorSlope = { value: slope, unit: 'V/K' };
        work.step(
          'Regulator',
          'slope of voltage on temperature (least squares)',
          warm.map((p) => `${f(p.voltageV)} at ${f(p.temperatureC!)} °C`).join(', '),
          regulatorSlope,
        );
        if (slope > 0.002)
          work.warn('rises-when-warm', 'The voltage rises as it warms: a regulator should let it fall.');
      }
    }
    const least = Math.min(...shares.map((s) => s.share.value));
    const [lowest, highest] = VOLTAGES[input.system];
    const volts = input.points.map((p) => p.voltageV);
    const over = Math.max(...volts) > highest;
    const under = Math.min(...volts) < lowest;
    work.step(
      'Voltage may be',
      `${input.system} system, common practice`,
      volts.map((v) => f(v, 1)).join(', '),
      `${f(lowest)} to ${f(highest)} V`,
    );
    if (over)
      work.warn(
        'runaway',
        `${f(Math.max(...volts), 1)} V is past ${f(highest)} V: the regulator lets it run away. Stop, before the battery boils.`,
      );
    if (under)
      work.warn(
        'too-low',
        `${f(Math.min(...volts), 1)} V: the rating is stated at 13.5 V (27 V): load it less, or look at the regulator.`,
      );
    const fastest = Math.max(speed, ...input.points.map((p) => p.speedRpm));
    work.step('Fastest against its limit', 'of engine and stand', f(fastest), canonical(input.maxSpeedRpm, 'speed'));
    if (fastest > input.maxSpeedRpm)
      work.warn(
        'too-fast',
        `${f(fastest, 0)} rpm is past the ${f(input.maxSpeedRpm, 0)} rpm that the alternator bears: another pulley.`,
      );
    work.warn('belts', 'Belts and pulleys take fingers: guards on, sleeves in. Engine off before a lead is parted.');
    return {
      alternatorSpeed: canonical(speed, 'speed'),
      shares,
      regulatorSlope,
      verdict: over
        ? 'over-voltage'
        : fastest > input.maxSpeedRpm
          ? 'too-fast'
          : least < WEAK
            ? 'faulty'
            : under
              ? 'low-voltage'
              : least >= GOOD
                ? 'good'
                : 'weak',
    };
  },
});
