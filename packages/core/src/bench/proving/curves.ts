import { canonical, convert, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import { bearingTones, pressureDecay, pumpUp, vacuumHold, type Verdict } from '../../reckoners/index.ts';
import type { Test } from '../../sheet/index.ts';
import { earlyVerdict, type Early } from './early.ts';
import { RunError, type Check, type CurveRun, type RunOutcome } from './run.ts';

const KELVIN = 273.15;
const ATMOSPHERE_BAR = 1.01325;
/** What the leak tester and the rule at the platform are good for in a change: bar, mm. */
const DECAY_FLOOR_BAR = 0.002;
const DRIFT_FLOOR_MM = 0.1;
const VACUUM_FLOOR_BAR = 0.0002;
/** A bearing's own line stands out when it is this much above the floor, within this share of its place. */
const TONE_OVER_FLOOR = 4;
const TONE_PLACE = 0.025;
/** The last part of a spin that is taken, and how much it may still change there. */
const SETTLED_SHARE = 0.2;
const STILL_SETTLING = 0.06;
/** Slip torque that swings more than this about its mean grabs. */
const GRABS = 0.2;

type Points = readonly (readonly number[])[];
const mean = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;
const last = (points: Points): readonly number[] => points.at(-1)!;

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

/** What a curve of a stand comes to. @throws RunError for one that is too short to be judged */
export function judgeCurve(run: CurveRun, test: Test): RunOutcome {
  if (run.points.length < 2) throw new RunError('Nothing has run yet', 'Start the run');
  switch (run.kind) {
    case 'decay':
      return decay(run, test);
    case 'drift':
      return drift(run, test);
    case 'vacuum':
      return vacuum(run, test);
    case 'pump-up':
      return fill(run, test);
    case 'spin':
      return spin(run, test);
    case 'stroke':
      return stroke(run, test);
    case 'damper':
      return damper(run, test);
    case 'slip':
      return slip(run, test);
  }
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

function decay(run: CurveRun, test: Test): RunOutcome {
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
  const real = inCanonical(reckoned.results.correctedDrop as Quantity, 'pressure');
  // Noise can make it rise a hair: nothing fell then.
  const value = canonical(Math.max(0, early.change), 'pressure');
  const leaks = early.change > inCanonical(test.accept.high, 'pressure');
  return {
    value,
    uncertainty: canonical(early.uncertainty, 'pressure'),
    checks: [
      { name: 'Leak rate', value: reckoned.results.leakRate as Quantity, verdict: leaks ? 'outside' : 'within' },
    ],
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

function drift(run: CurveRun, test: Test): RunOutcome {
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

function vacuum(run: CurveRun, test: Test): RunOutcome {
  const reckoned = vacuumHold.reckon({
    readings: run.points.map(([s, bar]) => ({
      time: canonical(s!, 'time'),
      pressure: canonical(Math.max(0, bar!), 'pressure'),
    })),
    limit: test.accept.high,
  });
  const says = String(reckoned.results.verdict);
  const verdict: Verdict = says === 'tight' ? 'within' : says === 'cannot-tell' ? 'undecided' : 'outside';
  return {
    // A rise of millibars is said in them, as the sheet does.
    value: convert(reckoned.results.rise as Quantity, test.accept.high.unit),
    uncertainty: canonical(VACUUM_FLOOR_BAR, 'pressure'),
    checks: [
      {
        name: 'Shape of the rise',
        says:
          says === 'moisture'
            ? 'It levels off: moisture that boils out, not a leak. Draw it down longer'
            : says === 'leak'
              ? 'It rises straight on: a leak'
              : says === 'tight'
                ? 'It holds'
                : 'Leak or moisture: it cannot be told yet',
        verdict,
      },
    ],
    tells: says === 'leak' || says === 'moisture' ? [says] : [],
    says: [],
    working: reckoned.working,
  };
}

function fill(run: CurveRun, test: Test): RunOutcome {
  const { volume, pressure } = test.stand!.figures;
  const to = inCanonical(pressure!, 'pressure');
  const at = run.points.findIndex((p) => p[1]! >= to);
  if (at < 1)
    throw new RunError(
      `It has not reached ${formatQuantity(pressure!)} yet`,
      'Let it run on; if it never does, type how long you waited',
    );
  const [t0, p0] = run.points[at - 1]!;
  const [t1, p1] = run.points[at]!;
  const seconds = t0! + ((to - p0!) / (p1! - p0!)) * (t1! - t0!) - run.points[0]![0]!;
  const value = canonical(seconds, 'time');
  const reckoned = pumpUp.reckon({
    tankVolume: volume!,
    pressureStart: canonical(run.points[0]![1]!, 'pressure'),
    pressureEnd: pressure!,
    time: value,
  });
  const slow = seconds > inCanonical(test.accept.high, 'time');
  return {
    value,
    uncertainty: canonical(Math.max(0.5, t1! - t0!), 'time'),
    checks: [
      { name: 'Free air', value: reckoned.results.freeAirDelivery as Quantity, verdict: slow ? 'outside' : 'within' },
    ],
    tells: slow ? ['slow'] : [],
    says: [],
    working: reckoned.working,
  };
}

function spin(run: CurveRun, test: Test): RunOutcome {
  const { time, speed, balls, ball, pitch } = test.stand!.figures;
  const whole = inCanonical(time!, 'time');
  const ran = last(run.points)[0]! - run.points[0]![0]!;
  if (ran < whole * 0.98)
    throw new RunError(
      `It has spun ${Math.round(ran)} s of ${Math.round(whole)}`,
      'The grease settles as it turns: let it run on',
    );
  const tail = run.points.filter((p) => p[0]! >= last(run.points)[0]! - SETTLED_SHARE * whole).map((p) => p[1]!);
  const half = tail.length >> 1;
  const settled = mean(tail);
  const moves = (mean(tail.slice(half)) - mean(tail.slice(0, half))) / settled;
  const value = canonical(settled, 'torque');
  const tells: string[] = [];
  const checks: Check[] = [
    {
      name: 'Settled',
      value: { value: moves * 100, unit: '%' },
      says: Math.abs(moves) > STILL_SETTLING ? 'It still changes: let it turn longer' : 'It has settled',
      verdict: Math.abs(moves) > STILL_SETTLING ? 'undecided' : 'within',
    },
  ];
  if (settled > inCanonical(test.accept.high, 'torque')) tells.push('drag-high');
  if (settled < inCanonical(test.accept.low, 'torque')) tells.push('drag-low');
  const working = [
    {
      name: 'Drag, settled',
      formula: `mean of the last ${SETTLED_SHARE * 100} %`,
      figures: `${tail.length} points`,
      value,
    },
  ];
  if (run.tones && run.floor !== undefined && balls && ball && pitch) {
    const tones = bearingTones.reckon({ balls: balls.value, ballDiameter: ball, pitchDiameter: pitch, speed: speed! });
    const lines = { 'outer-race': 'outerRace', 'inner-race': 'innerRace', ball: 'ballDefect' } as const;
    const names = { 'outer-race': 'the outer race', 'inner-race': 'the inner race', ball: 'a ball' } as const;
    const found = (Object.keys(lines) as (keyof typeof lines)[]).flatMap((tell) => {
      const hz = inCanonical(tones.results[lines[tell]] as Quantity, 'frequency');
      const line = run.tones!.find(
        (t) => Math.abs(t.hz / hz - 1) < TONE_PLACE && t.level > TONE_OVER_FLOOR * run.floor!,
      );
      return line ? [{ tell, hz: line.hz, over: line.level / run.floor! }] : [];
    });
    tells.push(...found.map((x) => x.tell));
    checks.push({
      name: 'Tones',
      says:
        found.length === 0
          ? 'None of the bearing’s own tones stands out'
          : found
              .map((x) => `${x.hz.toFixed(1)} Hz, ${x.over.toFixed(0)} times the floor: ${names[x.tell]}`)
              .join('; '),
      verdict: found.length === 0 ? 'within' : 'outside',
    });
    return {
      value,
      uncertainty: canonical(0.02 * settled, 'torque'),
      checks,
      tells,
      says: [],
      working: [...working, ...tones.working],
    };
  }
  return { value, uncertainty: canonical(0.02 * settled, 'torque'), checks, tells, says: [], working };
}

function stroke(run: CurveRun, test: Test): RunOutcome {
  const bite = inCanonical(test.stand!.figures['bite']!, 'force');
  const at = run.points.findIndex((p) => p[1]! >= bite);
  if (at < 1)
    return {
      value: canonical(last(run.points)[0]!, 'length'),
      uncertainty: canonical(0.5, 'length'),
      checks: [{ name: 'Bite', says: `It never reaches ${bite} N: the lever goes to its stop`, verdict: 'outside' }],
      tells: ['long-stroke'],
      says: [],
      working: [],
    };
  const [x0, f0] = run.points[at - 1]!;
  const [x1, f1] = run.points[at]!;
  const travel = x0! + ((bite - f0!) / (f1! - f0!)) * (x1! - x0!);
  const value = canonical(travel, 'length');
  const held = run.points.slice(at);
  const creep = last(held)[0]! - held[Math.min(held.length - 1, 2)]![0]!;
  const most = test.stand!.figures['creep'];
  const creeps = most !== undefined && creep > inCanonical(most, 'length');
  const tells = [
    ...(creeps ? ['creep'] : []),
    ...(travel > inCanonical(test.accept.high, 'length') ? ['long-stroke'] : []),
    ...(travel < inCanonical(test.accept.low, 'length') ? ['short-stroke'] : []),
  ];
  return {
    value,
    uncertainty: canonical(0.3, 'length'),
    checks:
      most === undefined
        ? []
        : [
            {
              name: 'Creep, held',
              value: canonical(creep, 'length'),
              band: { low: canonical(0, 'length'), high: most },
              says: creeps ? 'The lever sinks under the hand: fluid passes a ring' : 'It stands',
              verdict: creeps ? 'outside' : 'within',
            },
          ],
    tells,
    says: [],
    working: [
      {
        name: 'Stroke to bite',
        formula: `where the force passes ${bite} N`,
        figures: `${run.points.length} points`,
        value,
      },
    ],
  };
}

/** The steady height of one side of a stroke: the middle of its highest third, so that one spike says nothing. */
function plateau(forces: readonly number[]): number {
  const high = [...forces].sort((a, b) => b - a).slice(0, Math.max(1, Math.ceil(forces.length / 3)));
  return high[high.length >> 1]!;
}

function damper(run: CurveRun, test: Test): RunOutcome {
  const out = run.points.map((p) => p[1]!).filter((f) => f > 0);
  const press = run.points.map((p) => -p[1]!).filter((f) => f > 0);
  if (out.length < 3 || press.length < 3)
    throw new RunError('It has not been moved both ways', 'Run a whole stroke, out and in');
  const rebound = plateau(out);
  const inward = plateau(press);
  const value = canonical(rebound, 'force');
  const band = test.stand!.bands['press'];
  const weak = band !== undefined && inward < inCanonical(band.low, 'force');
  const hard = band !== undefined && inward > inCanonical(band.high, 'force');
  return {
    value,
    uncertainty: canonical(0.02 * rebound, 'force'),
    checks: [
      {
        name: 'On the way in',
        value: canonical(inward, 'force'),
        ...(band ? { band } : {}),
        verdict: weak || hard ? 'outside' : 'within',
      },
    ],
    tells: [
      ...(rebound < inCanonical(test.accept.low, 'force') ? ['weak-out'] : []),
      ...(weak ? ['weak-in'] : []),
      ...(hard ? ['uneven'] : []),
    ],
    says: [],
    working: [
      { name: 'Force on the way out', formula: 'middle of the highest third', figures: `${out.length} points`, value },
    ],
  };
}

function slip(run: CurveRun, test: Test): RunOutcome {
  const whole = inCanonical(test.stand!.figures['turn']!, 'angle');
  if (last(run.points)[0]! < whole * 0.98)
    throw new RunError('It has not slipped round yet', `Turn it on to ${whole} deg`);
  const steady = run.points.filter((p) => p[0]! > whole * 0.4).map((p) => p[1]!);
  const torque = mean(steady);
  const swing = (Math.max(...steady) - Math.min(...steady)) / 2 / torque;
  const value = canonical(torque, 'torque');
  return {
    value,
    uncertainty: canonical(0.03 * torque, 'torque'),
    checks: [
      {
        name: 'Evenness',
        value: { value: swing * 100, unit: '%' },
        says: swing > GRABS ? 'It grabs and lets go' : 'It slips evenly',
        verdict: swing > GRABS ? 'outside' : 'within',
      },
    ],
    tells: [
      ...(torque < inCanonical(test.accept.low, 'torque') ? ['slips'] : []),
      ...(swing > GRABS || torque > inCanonical(test.accept.high, 'torque') ? ['grabs'] : []),
    ],
    says: [],
    working: [
      { name: 'Torque, slipping', formula: 'mean after it has broken away', figures: `${steady.length} points`, value },
    ],
  };
}
