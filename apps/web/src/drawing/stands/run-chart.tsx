import { line, scaleLinear } from 'd3';

export interface RunSeries {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  readonly dashed?: boolean;
  readonly color?: string;
}
const H = 180;
const EDGE = { left: 44, right: 14, top: 14, bottom: 40 };

/** A run over two titled axes, with the accepted band behind it. */
export function RunChart({
  series,
  band,
  at,
  x: xTitle,
  y: yTitle,
  says,
  wide,
  small = false,
}: {
  readonly series: readonly RunSeries[];
  /** Accepted from, to, on the vertical axis. */
  readonly band?: readonly [number, number];
  /** A line at this place of the horizontal axis. */
  readonly at?: number;
  readonly x: string;
  readonly y: string;
  readonly says: string;
  /** Where the horizontal axis ends, when the run has not got there yet. */
  readonly wide?: number;
  /** Half as wide: its words stay as large. */
  readonly small?: boolean;
}): React.JSX.Element {
  const W = small ? 170 : 350;
  const PAD = small ? { ...EDGE, left: 34, right: 6 } : EDGE;
  const all = series.flatMap((s) => s.points);
  const xs = [...all.map((p) => p[0]), ...(wide === undefined ? [] : [wide]), ...(at === undefined ? [] : [at])];
  const ys = [...all.map((p) => p[1]), ...(band ?? [])];
  const span = Math.max(...ys) - Math.min(...ys) || 1;
  const x = scaleLinear([Math.min(0, ...xs), Math.max(1e-9, ...xs)], [PAD.left, W - PAD.right]);
  const y = scaleLinear([Math.min(...ys) - span * 0.08, Math.max(...ys) + span * 0.08], [H - PAD.bottom, PAD.top]);
  const path = line<readonly [number, number]>(
    (p) => x(p[0]),
    (p) => y(p[1]),
  );
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" role="img" aria-label={says} className="runchart">
      {band && (
        <rect
          x={PAD.left}
          width={W - PAD.left - PAD.right}
          y={y(band[1])}
          height={Math.max(2, y(band[0]) - y(band[1]))}
          className="band"
        />
      )}
      {y.ticks(5).map((t) => (
        <g key={t}>
          <path d={`M${PAD.left} ${y(t)}H${W - PAD.right}`} className="grid" />
          <text x={PAD.left - 6} y={y(t) + 5} textAnchor="end">
            {t}
          </text>
        </g>
      ))}
      {x.ticks(4).map((t) => (
        <text key={t} x={x(t)} y={H - PAD.bottom + 18} textAnchor="middle">
          {t}
        </text>
      ))}
      {at !== undefined && <path d={`M${x(at)} ${PAD.top}V${H - PAD.bottom}`} className="here" />}
      <path d={`M${PAD.left} ${PAD.top}V${H - PAD.bottom}H${W - PAD.right}`} className="axis" />
      {series.map((s) => (
        <path
          key={s.name}
          d={path(s.points) ?? ''}
          fill="none"
          stroke={s.color ?? 'var(--ink)'}
          strokeWidth={s.dashed ? 2 : 2.6}
          strokeDasharray={s.dashed ? '7 5' : undefined}
        />
      ))}
      <text x={W - PAD.right} y={H - 6} textAnchor="end">
        {xTitle}
      </text>
      <text x={PAD.left + 6} y={PAD.top + 4}>
        {yTitle}
      </text>
      {series.length > 1 &&
        series.map((s, i) => (
          <g key={s.name} transform={`translate(${PAD.left + 12} ${H - PAD.bottom - 30 + 18 * i})`}>
            <path
              d="M0 0H22"
              stroke={s.color ?? 'var(--ink)'}
              strokeWidth="2.6"
              strokeDasharray={s.dashed ? '7 5' : undefined}
            />
            <text x="28" y="5">
              {s.name}
            </text>
          </g>
        ))}
    </svg>
  );
}
