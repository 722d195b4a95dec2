import { canonical, formatQuantity, inCanonical } from '../../quantities/index.ts';
import { rectifierRipple, type Verdict } from '../../reckoners/index.ts';
import type { Test } from '../../sheet/index.ts';
import { RunError, type AlternatorRun, type Check, type RunOutcome, type SweepPoint } from './run.ts';

/** A belt that turns the shaft this much slower than it should slips (common practice: a few per cent is creep). */
const MOST_SLIP = 0.04;
const RIPPLE_WORDS: Readonly<Record<string, string>> = {
  healthy: 'Even ripple, six humps a turn',
  'open-diode': 'A hump in each turn is missing: one diode does not conduct',
  'open-phase': 'Two humps in a row are missing: a phase is open',
  'shorted-diode': 'It falls once a turn: a diode conducts both ways',
  'uneven-winding': 'One phase is lower than the others',
  'cannot-tell': 'The ripple says nothing that is sure',
};

/** What a sweep gives at a speed, between its points. @throws RunError when the sweep did not reach it */
function atSpeed(sweep: readonly SweepPoint[], rpm: number): SweepPoint {
  const sorted = [...sweep].sort((a, b) => a.drivenRpm - b.drivenRpm);
  const hi = sorted.findIndex((p) => p.drivenRpm >= rpm - 1e-9);
  if (hi < 0 || sorted.length === 0)
    throw new RunError(`The sweep did not reach ${rpm.toFixed(0)} rpm`, 'Let it run up to its speed');
  const b = sorted[hi]!;
  const a = sorted[Math.max(0, hi - 1)]!;
  const t = b.drivenRpm === a.drivenRpm ? 1 : (rpm - a.drivenRpm) / (b.drivenRpm - a.drivenRpm);
  const mix = (key: keyof SweepPoint): number => a[key] + t * (b[key] - a[key]);
  return {
    drivenRpm: rpm,
    speedRpm: mix('speedRpm'),
    currentA: mix('currentA'),
    voltageV: mix('voltageV'),
    temperatureC: mix('temperatureC'),
  };
}

/** Output at the test's speed, the regulator's voltage, the ripple, and whether the belt slips. */
export function judgeAlternator(run: AlternatorRun, test: Test): RunOutcome {
  const { figures, bands } = test.stand!;
  const rpm = inCanonical(figures['speed']!, 'speed');
  const at = atSpeed(run.sweep, rpm);
  const ripple = rectifierRipple.reckon({
    samples: [...run.ripple.samplesV],
    sampleRate: { value: run.ripple.sampleRateHz, unit: 'Hz' },
    polePairs: figures['pole-pairs']!.value,
    speed: { value: run.ripple.speedRpm, unit: 'rpm' },
  });
  const says = String(ripple.results.verdict);
  const slip = 1 - at.speedRpm / at.drivenRpm;
  const tells: string[] = [];
  const rippleVerdict: Verdict = says === 'healthy' ? 'within' : says === 'cannot-tell' ? 'undecided' : 'outside';
  if (rippleVerdict === 'outside') tells.push(says);
  const checks: Check[] = [
    {
      name: 'Ripple',
      value: ripple.results.ripplePercent,
      says: RIPPLE_WORDS[says] ?? says,
      verdict: rippleVerdict,
    },
    {
      name: 'Belt',
      value: { value: Math.max(0, slip) * 100, unit: '%' },
      says: slip > MOST_SLIP ? `It slips: ${at.speedRpm.toFixed(0)} rpm of ${rpm.toFixed(0)}` : 'It does not slip',
      verdict: slip > MOST_SLIP ? 'outside' : 'within',
    },
  ];
  if (slip > MOST_SLIP) tells.push('slipping');
  const regulated = bands['regulated'];
  if (regulated) {
    const ok =
      at.voltageV >= inCanonical(regulated.low, 'voltage') && at.voltageV <= inCanonical(regulated.high, 'voltage');
    checks.push({
      name: 'Regulated voltage',
      value: canonical(at.voltageV, 'voltage'),
      band: regulated,
      verdict: ok ? 'within' : 'outside',
    });
    // Weak output drags the voltage down too: the regulator is named only when the current is there.
    if (!ok && at.voltageV > inCanonical(regulated.high, 'voltage')) tells.push('regulator');
  }
  const amps = test.dimension === 'current';
  const value = amps ? canonical(at.currentA, 'current') : canonical(at.voltageV, 'voltage');
  const low = inCanonical(test.accept.low, test.dimension);
  if (amps && tells.length === 0 && at.currentA < low) tells.push('low-output');
  if (!amps && tells.length === 0 && (at.voltageV < low || at.voltageV > inCanonical(test.accept.high, 'voltage')))
    tells.push('regulator');
  return {
    value,
    uncertainty: amps ? canonical(0.01 * at.currentA, 'current') : canonical(0.05, 'voltage'),
    checks,
    tells,
    says: [`At ${formatQuantity(canonical(rpm, 'speed'), 0)} and ${at.temperatureC.toFixed(0)} °C`],
    working: [
      {
        name: amps ? 'Output' : 'Voltage',
        formula: 'between the two nearest points of the sweep',
        figures: `${run.sweep.length} points`,
        value,
      },
      ...ripple.working,
    ],
  };
}
