const INK = 'var(--ink)';
const W = 392;

/** A window on a bar: what is allowed, and where the ring stands. */
function Bar({
  y,
  name,
  value,
  low,
  high,
  most,
  verdict,
}: {
  readonly y: number;
  readonly name: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly most: number;
  readonly verdict: string;
}): React.JSX.Element {
  const x = (v: number): number => 96 + (Math.min(v, most) / most) * 210;
  const good = verdict === 'within' || verdict === 'preferred';
  return (
    <g>
      <text x="4" y={y + 14} fontSize="15">
        {name}
      </text>
      <path d={`M96 ${y + 9}H306`} stroke="var(--line)" strokeWidth="2" />
      <rect
        x={x(low)}
        y={y + 2}
        width={Math.max(2, x(high) - x(low))}
        height="14"
        fill="var(--verdwash)"
        stroke="var(--verd)"
      />
      <path d={`M${x(value)} ${y - 2}v22`} stroke={good ? INK : 'var(--oxide)'} strokeWidth="4" />
      <text x="314" y={y + 14} fontSize="15" fontWeight="700" fill={good ? INK : 'var(--oxide)'}>
        {value.toFixed(1)} %
      </text>
    </g>
  );
}

export interface RingWindow {
  readonly name: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly most: number;
  readonly verdict: string;
}

/** A ring in its groove, pressed flat by its squeeze, over the windows that it must lie in. */
export function RingSection({
  squeeze,
  windows,
}: {
  readonly squeeze: number;
  readonly windows: readonly RingWindow[];
}): React.JSX.Element {
  const flat = 40 * (1 - Math.min(0.5, squeeze / 100));
  return (
    <svg
      viewBox={`0 0 ${W} ${134 + windows.length * 30}`}
      width="100%"
      role="img"
      aria-label={`Ring squeezed by ${squeeze.toFixed(1)} %`}
    >
      <path d="M20 14H372V44H20Z" fill="var(--line2)" stroke={INK} strokeWidth="2" />
      <path d={`M20 104V62H150V${44 + 2 * flat}H250V62H372V104Z`} fill="var(--line2)" stroke={INK} strokeWidth="2" />
      <ellipse
        cx="200"
        cy={44 + flat}
        rx={40 * (1 + squeeze / 200)}
        ry={flat}
        fill="var(--brassfill)"
        stroke={INK}
        strokeWidth="2.5"
      />
      {windows.map((w, i) => (
        <Bar key={w.name} y={130 + i * 30} {...w} />
      ))}
    </svg>
  );
}
