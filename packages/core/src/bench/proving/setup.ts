import { inCanonical } from '../../quantities/index.ts';
import { standFigures, type Test } from '../../sheet/index.ts';
import { MOST_POINTS, MOST_RIPPLE, type CurveKind, type Run } from './run.ts';

/** What a stand is told of a test, in canonical units by the sheet's names; `low` and `high` are what is accepted. */
export function figuresFor(test: Test): Readonly<Record<string, number>> {
  const { stand } = test;
  if (!stand) return {};
  const specs: Readonly<Record<string, { readonly is: string }>> = standFigures[stand.kind];
  const of = (name: string, value: { readonly value: number; readonly unit: string }): number => {
    const is = specs[name]!.is;
    return is === 'count' ? value.value : inCanonical(value, is as Parameters<typeof inCanonical>[1]);
  };
  return {
    low: inCanonical(test.accept.low, test.dimension),
    high: inCanonical(test.accept.high, test.dimension),
    ...Object.fromEntries(Object.entries(stand.figures).map(([name, q]) => [name, of(name, q)])),
    ...Object.fromEntries(
      Object.entries(stand.bands).flatMap(([name, b]) => [
        [`${name}-low`, of(name, b.low)],
        [`${name}-high`, of(name, b.high)],
      ]),
    ),
    ...(stand.kind === 'alternator' ? alternatorFigures(test) : {}),
  };
}

/** What the stand drives the regulator at, and whether it is the current that is looked for. */
function alternatorFigures(test: Test): Record<string, number> {
  const amps = test.dimension === 'current';
  const band = amps ? test.stand!.bands['regulated'] : test.accept;
  return {
    amps: amps ? 1 : 0,
    ...(band ? { volts: (inCanonical(band.low, 'voltage') + inCanonical(band.high, 'voltage')) / 2 } : {}),
  };
}

/** Every nth of what there is too much of, first and last kept. */
export function thinned<T>(points: readonly T[], most: number): readonly T[] {
  if (points.length <= most) return points;
  return Array.from({ length: most }, (_, i) => points[Math.round((i * (points.length - 1)) / (most - 1))]!);
}

/** What is kept of a wave: its end, in which the speed is the test's. */
export const keptWave = (samples: readonly number[]): readonly number[] => samples.slice(-MOST_RIPPLE);

/** What a stand gave, as a run to be judged and kept: points of a curve or sweep, a wave, and what was said at the end. */
export function runFrom(
  kind: 'alternator' | CurveKind,
  points: readonly (readonly number[])[],
  wave: readonly number[],
  done: {
    readonly sampleRateHz?: number;
    readonly speedRpm?: number;
    readonly tones?: readonly { readonly hz: number; readonly level: number }[];
    readonly floor?: number;
  },
): Run {
  if (kind !== 'alternator')
    return {
      kind,
      points: thinned(points, MOST_POINTS),
      ...(done.tones ? { tones: done.tones, floor: done.floor } : {}),
    };
  return {
    kind,
    sweep: points.map(([drivenRpm, speedRpm, currentA, voltageV, temperatureC]) => ({
      drivenRpm: drivenRpm!,
      speedRpm: speedRpm!,
      currentA: currentA!,
      voltageV: voltageV!,
      temperatureC: temperatureC!,
    })),
    ripple: { samplesV: keptWave(wave), sampleRateHz: done.sampleRateHz ?? 0, speedRpm: done.speedRpm ?? 0 },
  };
}
