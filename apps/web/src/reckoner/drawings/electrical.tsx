import { formatQuantity } from '@jubb/core/quantities';
import { COPPER_C } from '@jubb/core/reckoners';
import { BRASS, Bars, OXIDE, PALE, Plot, SLATE, VERD } from '../../drawing/kit.tsx';
import { friendly } from '../friendly.ts';
import { figure, sizeOf } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';
import { rowsOf } from './rows.ts';

/** Resistance on copper’s straight line, as read and at the stated temperature. */
export function CopperDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const t = input('temperature', 'temperature') ?? 20;
  const ref = input('referenceTemperature', 'temperature') ?? 20;
  const at = got('corrected') ?? 0;
  const r = (x: number): number => (at * (COPPER_C + x)) / (COPPER_C + ref);
  const [a, b] = [Math.min(t, ref) - 20, Math.max(t, ref) + 20];
  return (
    <Plot
      says={`${shown('corrected')} at ${ref} °C`}
      x="°C"
      y="Ω"
      series={[
        {
          name: 'copper',
          points: [
            [a, r(a)],
            [b, r(b)],
          ],
          color: SLATE,
        },
        {
          name: 'read, and corrected',
          points: [
            [t, r(t)],
            [ref, at],
          ],
          dots: true,
        },
      ]}
    />
  );
}

/** Readings beside each other. */
export function ReadingsDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const readings = (inputs['readings'] as readonly unknown[]).map(String);
  return (
    <Bars
      says={`Spread ${shown('spread')}: ${shown('verdict')}`}
      bars={readings.map((r, i) => ({ name: `Phase ${i + 1}`, value: sizeOf(r), shown: r }))}
    />
  );
}

/** A reading beside what it must be at least. */
export function LeastDrawing({ input, got, shown }: DrawProps): React.JSX.Element {
  const reading = input('reading', 'resistance') ?? 0;
  return (
    <Bars
      says={`At least ${shown('minimum')}: ${shown('verdict')}`}
      bars={[
        {
          name: 'Reading',
          value: reading,
          shown: formatQuantity(friendly({ value: reading, unit: 'Ω' })),
          color: shown('verdict') === 'within' ? VERD : OXIDE,
        },
        { name: 'At least', value: got('minimum') ?? 0, shown: shown('minimum'), color: PALE },
      ]}
    />
  );
}

/** Measured current against the rated curve. */
export function OutputDrawing({ inputs, shown }: DrawProps): React.JSX.Element {
  const points = (name: string): (readonly [number, number])[] =>
    rowsOf(inputs[name])
      .map((p) => [figure(p['speed'], 'speed') ?? 0, figure(p['current'], 'current') ?? 0] as const)
      .sort((a, b) => a[0] - b[0]);
  return (
    <Plot
      says={`Charging output: ${shown('verdict')}`}
      x="rpm"
      y="A"
      zero
      series={[
        { name: 'rated', points: points('rated'), color: SLATE, dashed: true },
        { name: 'measured', points: points('points'), dots: true },
      ]}
    />
  );
}

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
