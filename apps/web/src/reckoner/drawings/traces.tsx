import type { DrawProps } from './draw-props.ts';
import { BRASS, Bars, INK, OXIDE, Plot, Polar, Sheet, SLATE, VERD } from '../../drawing/kit.tsx';

/** A few cycles of the trace, and its lines beside it. */
export function RippleDrawing({ inputs, results, got, input, shown }: DrawProps): React.JSX.Element {
  const samples = (inputs['samples'] as readonly number[]) ?? [];
  const rate = input('sampleRate', 'frequency') ?? 1;
  const f = got('fundamental');
  const show = Math.min(samples.length, Math.max(60, f ? Math.ceil((3 * rate) / f) : 400));
  const points = samples.slice(0, show).map((v, i) => [(i / rate) * 1000, v] as const);
  const lines = (results['harmonics'] as readonly number[] | undefined) ?? [];
  return (
    <>
      <Plot
        series={[{ name: 'voltage', points }]}
        x="ms"
        y="V"
        h={190}
        says={`Trace with a ripple of ${shown('ripplePercent')}: ${shown('verdict').replace('-', ' ')}`}
      />
      {lines.length > 0 && (
        <Bars
          says="Spectrum: lines at multiples of the electrical frequency, percent of the mean"
          bars={lines.map((v, i) => ({
            name: `${i + 1} f${f ? `, ${Math.round((i + 1) * f)} Hz` : ''}`,
            value: v,
            shown: `${v} %`,
            color: v > 2 ? BRASS : 'var(--line)',
          }))}
        />
      )}
    </>
  );
}

interface Vibration {
  readonly amplitude: { readonly value: number };
  readonly phase: { readonly value: number };
}
/** Two polar plots: the vibration as it is and what will be left, and where the weights go. */
export function BalanceDrawing({ inputs, results, shown }: DrawProps): React.JSX.Element {
  const initial = (inputs['initial'] as readonly { amplitude: unknown; phase: unknown }[]).map((v) => ({
    length: parseFloat(String(v.amplitude)),
    deg: parseFloat(String(v.phase)),
  }));
  const residual = results['predictedResidual'] as unknown as readonly Vibration[];
  const corrections = results['corrections'] as readonly { mass: { value: number }; angle: { value: number } }[];
  const most = Math.max(...initial.map((v) => v.length), 1e-9);
  const heaviest = Math.max(...corrections.map((c) => c.mass.value), 1e-12);
  return (
    <Sheet
      h={290}
      says={`Add ${corrections.map((c) => `${(c.mass.value * 1000).toFixed(1)} g at ${c.angle.value.toFixed(0)}°`).join(' and ')}; condition ${shown('condition')}`}
    >
      {[0, 1].map((k) => (
        <Polar
          key={k}
          cx={140 + k * 280}
          cy={120}
          r={88}
          most={most}
          title={`Plane ${k + 1}: add ${(corrections[k]!.mass.value * 1000).toFixed(1)} g at ${corrections[k]!.angle.value.toFixed(0)}°`}
          vectors={[
            { ...initial[k]!, color: OXIDE },
            { length: (corrections[k]!.mass.value / heaviest) * most, deg: corrections[k]!.angle.value, color: BRASS },
            { length: residual[k]!.amplitude.value, deg: residual[k]!.phase.value, color: VERD, dashed: true },
          ]}
        />
      ))}
      <text x="280" y="282" textAnchor="middle">
        red: as it is · brass: the weight · green: what is left
      </text>
    </Sheet>
  );
}

/** Pressure against time, as read and with the temperature taken out. */
export function DecayDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const minutes = (input('time', 'time') ?? 60) / 60;
  const p1 = input('pressureStart', 'pressure') ?? 0;
  const p2 = input('pressureEnd', 'pressure') ?? 0;
  const corrected = p1 - (got('correctedDrop') ?? 0);
  return (
    <Plot
      says={`Leaks ${shown('leakRate')}; ${shown('correctedDrop')} of the fall is not cooling`}
      x="min"
      y="bar, gauge"
      series={[
        {
          name: 'as read',
          points: [
            [0, p1],
            [minutes, p2],
          ],
          color: SLATE,
          dashed: true,
          dots: true,
        },
        {
          name: 'without cooling',
          points: [
            [0, p1],
            [minutes, corrected],
          ],
          color: INK,
          dots: true,
        },
      ]}
    />
  );
}

/** The rise of a vacuum. */
export function RiseDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const readings = inputs['readings'] as readonly { time: unknown; pressure: unknown }[];
  const points = readings
    .map((r) => [parseFloat(String(r.time)), parseFloat(String(r.pressure))] as const)
    .filter(([a, b]) => Number.isFinite(a) && Number.isFinite(b));
  const unitOf = (v: unknown): string => String(v).replace(/^[\d.\s]+/, '');
  return (
    <Plot
      says={`Rises by ${shown('riseRate')}: ${shown('verdict')}`}
      x={unitOf(readings[0]?.time)}
      y={unitOf(readings[0]?.pressure)}
      zero
      series={[{ name: 'pressure', points, dots: true }]}
    />
  );
}
