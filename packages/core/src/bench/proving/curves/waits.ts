import { canonical, inCanonical } from '../../../quantities/index.ts';
import { pressureDecay } from '../../../reckoners/index.ts';
import type { Test } from '../../../sheet/index.ts';
import { earlyVerdict, type Early } from '../early.ts';
import { RunError, type CurveRun, type RunOutcome } from '../run.ts';
import { last, type Points } from './points.ts';

const KELVIN = 273.15;
const ATMOSPHERE_BAR = 1.01325;
/** What the leak tester and the rule at the platform are good for in a change: bar, mm. */
const DECAY_FLOOR_BAR = 0.002;
const DRIFT_FLOOR_MM = 0.1;

/** Gauge pressure of each point as it would be at the temperature of the first: what cooling explains is taken out. */
export function withoutCooling(points: Points): [number, number][] {
  const t0 = (points[0]?.[2] ?? 20) + KELVIN;
  return points.map(([s, bar, c]) => [
    s!,
    ((bar! + ATMOSPHERE_BAR) * t0) / ((c ?? t0 - KELVIN) + KELVIN) - ATMOSPHERE_BAR,
  ]);
}

/** What a fall of pressure or a sink says while it still runs; undefined for a run that is no wait. */
export function earlyOf(run: CurveRun, test: Test): Early | undefined {
  const stand = test.stand!;
  const time = stand.figures['time'];
  if (!time || (run.kind !== 'decay' && run.kind !== 'drift')) return undefined;
  const most = inCanonical(test.accept.high, test.dimension);
  const wholeS = inCanonical(time, 'time');
  return run.kind === 'decay'
    ? earlyVerdict(
        withoutCooling(run.points).map(([s, bar]) => [s, -bar]),
        wholeS,
        most,
        DECAY_FLOOR_BAR,
      )
    : earlyVerdict(
        run.points.map(([s, mm]) => [s!, mm!]),
        wholeS,
        most,
        DRIFT_FLOOR_MM,
      );
}

function shortOf(run: CurveRun, test: Test, early: Early): string[] {
  const whole = inCanonical(test.stand!.figures['time']!, 'time');
  const ran = last(run.points)[0]! - run.points[0]![0]!;
  if (ran >= whole * 0.999) return [];
  if (!early.stop)
    throw new RunError(
      `It has run ${Math.round(ran)} s of ${Math.round(whole)}, and it is not sure yet`,
      'Let it run on',
    );
  return [
    `Stopped after ${Math.round(ran)} s of ${Math.round(whole)}, ${Math.round(early.confidence * 1000) / 10} % sure`,
  ];
}

/** A fall of pressure, without what cooling explains of it. */
export function decay(run: CurveRun, test: Test): RunOutcome {
  const early = earlyOf(run, test)!;
  const said = shortOf(run, test, early);
  const first = run.points[0]!;
  const end = last(run.points);
  const reckoned = pressureDecay.reckon({
    volume: test.stand!.figures['volume']!,
    pressureStart: canonical(first[1]!, 'pressure'),
    pressureEnd: canonical(end[1]!, 'pressure'),
    time: canonical(end[0]! - first[0]!, 'time'),
    temperatureStart: canonical(first[2] ?? 20, 'temperature'),
    temperatureEnd: canonical(end[2] ?? first[2] ?? 20, 'temperature'),
  });
  const shown = first[1]! - end[1]!;
  const real = inCanonical(reckoned.results.correctedDrop, 'pressure');
  // Noise can make it rise a hair: nothing fell then.
  const value = canonical(Math.max(0, early.change), 'pressure');
  const leaks = early.change > inCanonical(test.accept.high, 'pressure');
  return {
    value,
    uncertainty: canonical(early.uncertainty, 'pressure'),
    checks: [{ name: 'Leak rate', value: reckoned.results.leakRate, verdict: leaks ? 'outside' : 'within' }],
    tells: leaks ? ['leak'] : [],
    says: [
      ...said,
      `The gauge fell by ${shown.toFixed(3)} bar; cooling explains ${(shown - real).toFixed(3)} of it`,
      ...(shown > inCanonical(test.accept.high, 'pressure') && !leaks ? ['It only cooled: it does not leak'] : []),
    ],
    working: [
      ...reckoned.working,
      {
        name: 'Fall in the whole time',
        formula: 'slope of p T0/T by least squares × time',
        figures: `${run.points.length} points`,
        value,
      },
    ],
  };
}

/** A sink under load. */
export function drift(run: CurveRun, test: Test): RunOutcome {
  const early = earlyOf(run, test)!;
  const said = shortOf(run, test, early);
  const value = canonical(Math.max(0, early.change), 'length');
  const sinks = early.change > inCanonical(test.accept.high, 'length');
  return {
    value,
    uncertainty: canonical(early.uncertainty, 'length'),
    checks: [],
    tells: sinks ? ['drift'] : [],
    says: said,
    working: [
      {
        name: 'Sink in the whole time',
        formula: 'slope by least squares × time',
        figures: `${run.points.length} points`,
        value,
      },
    ],
  };
}
