import type { TracePoint } from '@jubb/core/bench';
import { line, scaleLinear } from 'd3';

/** Torque against turn of the last pull, with the window it should end in. */
export function TorqueTrace({
  trace,
  lowNm,
  highNm,
  factor,
}: {
  readonly trace: readonly TracePoint[];
  readonly lowNm: number;
  readonly highNm: number;
  readonly factor: number;
}): React.JSX.Element {
  const w = 340;
  const h = 96;
  const most = Math.max(highNm * 1.25, ...trace.map(([, t]) => t * factor));
  const x = scaleLinear([0, Math.max(40, ...trace.map(([a]) => a)) * 1.1], [44, w - 8]);
  const y = scaleLinear([0, most], [h - 26, 8]);
  const path = line<TracePoint>(
    (d) => x(d[0]),
    (d) => y(d[1] * factor),
  )([...trace]);
  const end = trace.at(-1);
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      width="100%"
      role="img"
      aria-label={
        end ? `Trace of the last pull: ${(end[1] * factor).toFixed(1)} N·m after ${end[0]} degrees` : 'No pull yet'
      }
    >
      <rect
        x={44}
        y={y(highNm)}
        width={w - 52}
        height={y(lowNm) - y(highNm)}
        fill="var(--verdwash)"
        stroke="var(--verd)"
      />
      {y.ticks(2).map((t) => (
        <g key={t}>
          <path d={`M44 ${y(t)}H${w - 8}`} stroke="var(--line2)" />
          <text x="38" y={y(t) + 5} fontSize="14" textAnchor="end" fill="var(--ink2)">
            {t}
          </text>
        </g>
      ))}
      <text x="4" y={h - 8} fontSize="13" fill="var(--ink2)">
        N·m
      </text>
      <path d={`M44 ${y(0)}H${w - 8}`} stroke="var(--ink)" strokeWidth="1.5" />
      {x.ticks(4).map((t) => (
        <text key={t} x={x(t)} y={h - 8} fontSize="14" textAnchor="middle" fill="var(--ink2)">
          {t}
        </text>
      ))}
      <text x={w - 8} y={h - 30} fontSize="13" textAnchor="end" fill="var(--ink2)">
        turn, degrees
      </text>
      {path && <path d={path} fill="none" stroke="var(--ink)" strokeWidth="3" />}
      {end && <circle cx={x(end[0])} cy={y(end[1] * factor)} r="5" fill="var(--ink)" />}
    </svg>
  );
}
