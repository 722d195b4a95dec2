import { INK, Plot, SLATE } from '../../drawing/kit.tsx';
import { figure } from '../inputs.ts';
import type { DrawProps } from './draw-props.ts';

/** Tank pressure against time. */
export function PumpDrawing({ input, shown }: DrawProps): React.JSX.Element {
  const minutes = (input('time', 'time') ?? 60) / 60;
  return (
    <Plot
      says={`Delivers ${shown('freeAirDelivery')}`}
      x="min"
      y="bar, gauge"
      zero
      series={[
        {
          name: 'tank',
          points: [
            [0, input('pressureStart', 'pressure') ?? 0],
            [minutes, input('pressureEnd', 'pressure') ?? 0],
          ],
          dots: true,
        },
      ]}
    />
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
  const points = readings.flatMap((r) => {
    const [time, pressure] = [figure(r.time, 'time'), figure(r.pressure, 'pressure')];
    return time === undefined || pressure === undefined ? [] : [[time / 60, pressure * 1000] as const];
  });
  return (
    <Plot
      says={`Rises by ${shown('riseRate')}: ${shown('verdict')}`}
      x="min"
      y="mbar, absolute"
      zero
      series={[{ name: 'pressure', points, dots: true }]}
    />
  );
}
