import { scaleLinear } from 'd3';

export interface RuleProps {
  readonly low?: number;
  readonly high?: number;
  readonly guard: number;
  readonly readings: readonly number[];
  readonly wanted?: number;
  /** Size when new. */
  readonly fresh?: number;
  readonly unit: string;
  readonly title: string;
  /** Of the drawing, in its own units. */
  readonly width?: number;
}

/** A rule with its limits, the pale zone of the gauge on both sides of each limit, and the readings as ticks. */
export function Rule({
  low,
  high,
  guard,
  readings,
  wanted,
  fresh,
  unit,
  title,
  width = 390,
}: RuleProps): React.JSX.Element {
  const points = [low, high, wanted, fresh, ...readings].filter((v) => v !== undefined);
  const span = Math.max(...points) - Math.min(...points) || Math.max(guard * 8, Math.abs(points[0] ?? 1) * 0.01);
  const domain: [number, number] = [
    Math.min(...points) - span * 0.25 - guard,
    Math.max(...points) + span * 0.25 + guard,
  ];
  const x = scaleLinear(domain, [10, width - 10]);
  // A figure at the very end would be cut.
  const ticks = x.ticks(width / 80).filter((t) => x(t) > 24 && x(t) < width - 24);
  const zone = (limit: number): React.JSX.Element => (
    <rect
      key={limit}
      x={x(limit - guard)}
      y="30"
      width={Math.max(2, x(limit + guard) - x(limit - guard))}
      height="16"
      fill="#b9c3cb"
    />
  );
  const from = low ?? domain[0];
  const to = high ?? domain[1];
  return (
    <svg
      viewBox={`0 0 ${width} 92`}
      width="100%"
      role="img"
      aria-label={`${title}: ${readings.length ? `last reading ${readings.at(-1)} ${unit}` : 'no reading yet'}`}
    >
      <rect x={x(from)} y="30" width={x(to) - x(from)} height="16" fill="var(--verd)" />
      {[low, high].filter((l) => l !== undefined).map(zone)}
      {[low, high].map(
        (l) => l !== undefined && <path key={l} d={`M${x(l)} 24V52`} stroke="var(--oxide)" strokeWidth="2.5" />,
      )}
      <path d={`M10 46H${width - 10}`} stroke="var(--ink)" strokeWidth="2" />
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 46v8`} stroke="var(--ink)" strokeWidth="1.5" />
          <text x={x(t)} y="70" fontSize="14.5" textAnchor="middle" fill="var(--ink2)">
            {x.tickFormat(width / 80)(t)}
          </text>
        </g>
      ))}
      {wanted !== undefined && <path d={`M${x(wanted)} 30V14`} stroke="var(--ink)" strokeWidth="2" />}
      {fresh !== undefined && (
        <g>
          <path d={`M${x(fresh)} 46V16`} stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="3 2" />
          <text
            x={x(fresh)}
            y="12"
            fontSize="14"
            textAnchor={x(fresh) > width - 50 ? 'end' : 'middle'}
            fill="var(--ink2)"
          >
            new
          </text>
        </g>
      )}
      {readings.map((r, i) => (
        <path
          key={`${i}-${r}`}
          d={`M${x(r)} 44l-7-16h14z`}
          fill={(low === undefined || r >= low) && (high === undefined || r <= high) ? 'var(--ink)' : 'var(--oxide)'}
          opacity={i === readings.length - 1 ? 1 : 0.45}
        />
      ))}
      <text x="10" y="88" fontSize="14" fill="var(--ink2)">
        {title}, {unit}
        {title.length * 7.4 + 290 < width ? '; grey: too near the limit for this gauge' : ''}
      </text>
    </svg>
  );
}
