import { scaleLinear } from 'd3';
import { BRASS, Dim, INK, OXIDE, PALE, Plot, Sheet, SLATE, VERD } from '../../drawing/kit.tsx';
import type { DrawProps } from './draw-props.ts';

/** Half section of a rolling bearing: bore, outside and width to scale. */
export function BearingDrawing({ mm, shown }: DrawProps): React.JSX.Element {
  const [bore, outside, width] = [mm('bore') ?? 1, mm('outside') ?? 2, mm('width') ?? 1];
  const k = Math.min(150 / outside, 200 / width);
  const [b, o, w] = [bore * k, outside * k, width * k];
  const wall = (o - b) / 2;
  const top = 30;
  const x = 180;
  return (
    <Sheet h={230} says={`Most likely ${shown('best')}`}>
      {[top, top + o - wall].map((y, i) => (
        <g key={y}>
          <rect x={x} y={y} width={w} height={wall} fill="url(#reckon-hatch)" stroke={INK} strokeWidth="2" />
          <circle
            cx={x + w / 2}
            cy={y + wall / 2}
            r={Math.min(wall * 0.3, w * 0.34)}
            fill={BRASS}
            stroke={INK}
            strokeWidth="2"
          />
          {i === 0 && (
            <path d={`M${x - 30} ${y}H${x - 6}M${x - 30} ${top + o}H${x - 6}M${x - 18} ${y}V${top + o}`} stroke={INK} />
          )}
        </g>
      ))}
      <path d={`M${x - 60} ${top + o / 2}H${x + w + 60}`} stroke={INK} strokeDasharray="14 5 3 5" />
      <text x={x - 36} y={top + o / 2 - 6} textAnchor="end">
        {outside} mm
      </text>
      <path d={`M${x + w + 18} ${top + wall}V${top + o - wall}`} stroke={INK} />
      <text x={x + w + 28} y={top + o / 2 - 6}>
        {bore} mm
      </text>
      <Dim x1={x} x2={x + w} y={top + o + 28} text={`${width} mm`} />
      <text x="548" y="60" textAnchor="end" fontWeight="740" style={{ fontSize: 30 }}>
        {shown('best')}
      </text>
    </Sheet>
  );
}

/** The clearance of a new bearing, and what fit and heat take of it. */
export function ClearanceDrawing({ got, mm, shown }: DrawProps): React.JSX.Element {
  const um = (v: number | undefined): number => (v ?? 0) * 1000;
  const steps = [
    { name: 'new', value: um(mm('clearance')), color: PALE },
    { name: 'shaft', value: -um(got('innerLoss')), color: BRASS },
    { name: 'housing', value: -um(got('outerLoss')), color: BRASS },
    { name: 'heat', value: -um(got('heatLoss')), color: OXIDE },
  ];
  const left = um(got('runningClearance'));
  const tops = steps.map((_, i) => steps.slice(0, i + 1).reduce((s, p) => s + p.value, 0));
  const y = scaleLinear([Math.min(0, left, ...tops), Math.max(1e-9, ...tops)], [190, 34]).nice();
  return (
    <Sheet h={236} says={`Left when running ${shown('runningClearance')}`}>
      {y.ticks(5).map((t) => (
        <g key={t}>
          <path d={`M56 ${y(t)}H548`} stroke={PALE} />
          <text x="48" y={y(t) + 5} textAnchor="end">
            {t}
          </text>
        </g>
      ))}
      {steps.map((s, i) => {
        const from = i === 0 ? 0 : tops[i - 1]!;
        const to = tops[i]!;
        return (
          <g key={s.name}>
            <rect
              x={76 + i * 96}
              y={Math.min(y(from), y(to))}
              width="66"
              height={Math.max(2, Math.abs(y(from) - y(to)))}
              fill={s.color}
              stroke={INK}
              strokeWidth="2"
            />
            <text x={109 + i * 96} y="224" textAnchor="middle">
              {s.name}
            </text>
          </g>
        );
      })}
      <rect
        x="460"
        y={Math.min(y(0), y(left))}
        width="66"
        height={Math.max(3, Math.abs(y(0) - y(left)))}
        fill={left < 0 ? 'var(--oxidewash)' : 'var(--verdwash)'}
        stroke={left < 0 ? OXIDE : VERD}
        strokeWidth="3"
      />
      <text x="493" y="224" textAnchor="middle" fontWeight="700">
        running
      </text>
      <path d={`M56 ${y(0)}H548`} stroke={INK} strokeWidth="2" />
      <text x="10" y="18">
        µm
      </text>
    </Sheet>
  );
}

/** Interference over temperature, to where it lets go. */
export function GripDrawing({ mm, got, input, shown }: DrawProps): React.JSX.Element {
  const grip = mm('interference') ?? 0;
  const loose = got('loosensAt');
  const now = input('temperature', 'temperature');
  const then = got('interferenceThen');
  const perK = loose === undefined || loose === 20 ? 0 : grip / (loose - 20);
  const far = Math.max(120, loose === undefined ? 0 : Math.min(loose, 300) + 20, (now ?? 0) + 10);
  const from = Math.min(0, now ?? 0, loose ?? 0);
  return (
    <Plot
      says={loose === undefined ? 'The interference does not change' : `Lets go at ${shown('loosensAt')}`}
      x="°C"
      y="mm"
      series={[
        {
          name: 'interference',
          points: [
            [from, grip - perK * (from - 20)],
            [far, grip - perK * (far - 20)],
          ],
          color: SLATE,
        },
        {
          name: 'loose',
          points: [
            [from, 0],
            [far, 0],
          ],
          color: OXIDE,
          dashed: true,
        },
        ...(now === undefined || then === undefined
          ? []
          : [
              {
                name: 'now',
                points: [
                  [now, then],
                  [now, 0],
                ] as const,
                color: BRASS,
                dots: true,
              },
            ]),
      ]}
    />
  );
}
