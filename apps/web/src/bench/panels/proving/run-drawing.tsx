import { earlyOf, withoutCooling, type CurveKind } from '@jubb/core/bench';
import { inCanonical } from '@jubb/core/quantities';
import type { Test } from '@jubb/core/sheet';
import { RunChart } from '../../../drawing/stands/run-chart.tsx';

/** Titles of the axes of each curve. */
const axes: Readonly<Record<CurveKind, readonly [string, string]>> = {
  decay: ['time, s', 'bar'],
  vacuum: ['time, s', 'mbar'],
  'pump-up': ['time, s', 'bar'],
  spin: ['time, s', 'drag, N·m'],
  stroke: ['travel, mm', 'force, N'],
  damper: ['travel, mm', 'force, N: out is up'],
  slip: ['turn, degrees', 'torque, N·m'],
  drift: ['time, s', 'sunk, mm'],
};
type Points = readonly (readonly number[])[];
const xy = (points: Points, scale = 1): (readonly [number, number])[] => points.map((p) => [p[0]!, p[1]! * scale]);

/** A curve of a stand as it comes, with what it may come to. */
export function CurveDrawing({
  kind,
  points,
  test,
}: {
  readonly kind: CurveKind;
  readonly points: Points;
  readonly test: Test;
}): React.JSX.Element {
  const [x, y] = axes[kind];
  const low = inCanonical(test.accept.low, test.dimension);
  const high = inCanonical(test.accept.high, test.dimension);
  const { time, pressure } = test.stand!.figures;
  const whole = time && inCanonical(time, 'time');
  const early = points.length > 8 ? earlyOf({ kind, points }, test) : undefined;
  const first = points[0]?.[1] ?? (pressure ? inCanonical(pressure, 'pressure') : 0);
  const shown = {
    decay: {
      series: [
        { name: 'gauge', points: xy(points), dashed: true, color: 'var(--slate)' },
        { name: 'without cooling', points: withoutCooling(points) },
      ],
      band: [first - high, first] as const,
      wide: whole,
    },
    vacuum: {
      series: [{ name: 'pressure', points: xy(points, 1000) }],
      band: [first * 1000, (first + high) * 1000] as const,
      wide: whole,
    },
    'pump-up': { series: [{ name: 'tank', points: xy(points) }], at: high, wide: high },
    spin: { series: [{ name: 'drag', points: xy(points) }], band: [low, high] as const, wide: whole },
    stroke: { series: [{ name: 'force', points: xy(points) }], at: high },
    damper: { series: [{ name: 'force', points: xy(points) }], band: [low, high] as const },
    slip: { series: [{ name: 'torque', points: xy(points) }], band: [low, high] as const },
    drift: { series: [{ name: 'sunk', points: xy(points) }], band: [0, high] as const, wide: whole },
  }[kind];
  return (
    <>
      <RunChart {...shown} x={x} y={y} says={`${test.title}: ${points.length} points`} />
      {early && !early.stop && Number.isFinite(early.uncertainty) && (
        <p className="quiet m-0">
          Heading for {early.change.toFixed(3)} ± {early.uncertainty.toFixed(3)}; {(early.confidence * 100).toFixed(0)}{' '}
          % sure
        </p>
      )}
      {early?.stop && whole !== undefined && points.at(-1)![0]! < whole * 0.99 && (
        <p className="m-0">
          <b>It may be stopped:</b> {(early.confidence * 100).toFixed(1)} % sure already
        </p>
      )}
    </>
  );
}

/** A sweep of an alternator, its ripple, and the lines in it. */
export function AlternatorDrawing({
  points,
  wave,
  sampleRateHz,
  lines,
  test,
}: {
  readonly points: Points;
  readonly wave: readonly number[];
  readonly sampleRateHz: number;
  readonly lines: readonly { readonly n: number; readonly share: number }[];
  readonly test: Test;
}): React.JSX.Element {
  const amps = test.dimension === 'current';
  const at = inCanonical(test.stand!.figures['speed']!, 'speed');
  const band = [inCanonical(test.accept.low, test.dimension), inCanonical(test.accept.high, test.dimension)] as const;
  const millis = sampleRateHz > 0 ? wave.slice(-Math.round(sampleRateHz * 0.008)) : [];
  return (
    <>
      <RunChart
        series={[{ name: amps ? 'output' : 'voltage', points: points.map((p) => [p[0]!, p[amps ? 2 : 3]!]) }]}
        band={band}
        at={at}
        wide={at * 1.1}
        x="driven speed, rpm"
        y={amps ? 'A' : 'V'}
        says={`Output over the sweep: ${points.length} points`}
      />
      {millis.length > 0 && (
        <div className="ripple">
          <RunChart
            series={[{ name: 'ripple', points: millis.map((v, i) => [(1000 * i) / sampleRateHz, v]) }]}
            x="ms"
            y="V"
            says="Ripple of the last eight milliseconds"
            small
          />
          <Lines lines={lines} />
        </div>
      )}
    </>
  );
}

/** Lines of the ripple at multiples of the electrical frequency: a healthy bridge has only the sixths. */
function Lines({
  lines,
}: {
  readonly lines: readonly { readonly n: number; readonly share: number }[];
}): React.JSX.Element {
  const most = Math.max(0.02, ...lines.map((l) => l.share));
  const strongest = lines.reduce<(typeof lines)[number] | undefined>(
    (a, b) => (a && a.share >= b.share ? a : b),
    undefined,
  );
  return (
    <svg
      viewBox="0 0 170 180"
      width="100%"
      role="img"
      aria-label={`Lines: ${lines.map((l) => `${l.n} f ${(l.share * 100).toFixed(1)} %`).join(', ')}`}
      className="runchart"
    >
      <text x="164" y="18" textAnchor="end">
        % of the mean
      </text>
      <path d="M6 140H166" className="axis" />
      <text x="164" y="174" textAnchor="end">
        times f
      </text>
      {lines.map((l) => {
        const tall = (96 * l.share) / most;
        return (
          <g key={l.n} transform={`translate(${13 * l.n} 0)`}>
            <rect
              x="-6"
              width="12"
              y={140 - tall}
              height={tall}
              fill={l.n % 6 === 0 ? 'var(--verd)' : 'var(--oxide)'}
            />
            {(l.n % 6 === 0 || l.n === 2) && (
              <text y="158" textAnchor="middle">
                {l.n}
              </text>
            )}
            {l === strongest && (
              <text y={135 - tall} textAnchor="middle">
                {(l.share * 100).toFixed(0)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
