import { scaleLinear } from 'd3';

export interface RuleProps {
  readonly low?: number;
  readonly high?: number;
  readonly guard: number;
  readonly readings: readonly number[];
  readonly wanted?: number;
  readonly unit: string;
  readonly title: string;
}

/** A rule with its limits, the pale zone of the gauge on both sides of each limit, and the readings as ticks. */
export function Rule({ low, high, guard, readings, wanted, unit, title }: RuleProps): React.JSX.Element {
  const points = [low, high, wanted, ...readings].filter((v) => v !== undefined);
  const span = Math.max(...points) - Math.min(...points) || Math.max(guard * 8, Math.abs(points[0] ?? 1) * 0.01);
  const domain: [number, number] = [
    Math.min(...points) - span * 0.25 - guard,
    Math.max(...points) + span * 0.25 + guard,
  ];
  const x = scaleLinear(domain, [10, 380]);
  const ticks = x.ticks(5);
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
      viewBox="0 0 390 92"
      width="100%"
      role="img"
      aria-label={`${title}: ${readings.length ? `last reading ${readings.at(-1)} ${unit}` : 'no reading yet'}`}
    >
      <rect x={x(from)} y="30" width={x(to) - x(from)} height="16" fill="#1f6f63" />
      {[low, high].filter((l) => l !== undefined).map(zone)}
      <path d="M10 46H380" stroke="#1d2326" strokeWidth="2" />
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 46v8`} stroke="#1d2326" strokeWidth="1.5" />
          <text x={x(t)} y="70" fontSize="14.5" textAnchor="middle" fill="#4a5358">
            {x.tickFormat(5)(t)}
          </text>
        </g>
      ))}
      {wanted !== undefined && <path d={`M${x(wanted)} 30V14`} stroke="#1d2326" strokeWidth="2" />}
      {readings.map((r, i) => (
        <path
          key={`${i}-${r}`}
          d={`M${x(r)} 44l-7-16h14z`}
          fill={(low === undefined || r >= low) && (high === undefined || r <= high) ? '#1d2326' : '#a63a1e'}
          opacity={i === readings.length - 1 ? 1 : 0.45}
        />
      ))}
      <text x="10" y="88" fontSize="14" fill="#4a5358">
        {title}, {unit}; grey: too near the limit for this gauge
      </text>
    </svg>
  );
}
