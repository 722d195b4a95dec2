import { formatNumber } from '@jubb/core/quantities';
import { format } from 'date-fns';
import { line, scaleLinear, scalePoint } from 'd3';
import type { Trend } from './history.ts';

const [W, H] = [370, 150];
const PAD = { left: 46, right: 14, top: 12, bottom: 30 };

/** A figure over the visits: as found open, after the work filled, the accepted band behind. */
export function TrendChart({ trend }: { readonly trend: Trend }): React.JSX.Element {
  const { points, low, high } = trend;
  const values = [...points.map((p) => p.value), ...[low, high].filter((v) => v !== undefined)];
  const span = Math.max(...values) - Math.min(...values) || Math.abs(values[0]!) * 0.1 || 1;
  const y = scaleLinear(
    [Math.min(...values) - span * 0.15, Math.max(...values) + span * 0.15],
    [H - PAD.bottom, PAD.top],
  );
  const x = scalePoint(
    points.map((_, i) => i),
    [PAD.left + 12, W - PAD.right - 12],
  );
  const path =
    line<(typeof points)[number]>(
      (_, i) => x(i)!,
      (p) => y(p.value),
    )(points) ?? '';
  const words = points.map(
    (p) =>
      `${format(new Date(p.at), 'MMM yyyy')} ${p.moment === 'now' ? 'after' : 'as found'} ${formatNumber(p.value)}`,
  );
  return (
    <figure className="trend">
      <figcaption>
        <b>{trend.title}</b>, {trend.unit}
      </figcaption>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        role="img"
        aria-label={`${trend.title}: ${words.join(', ')} ${trend.unit}`}
      >
        <rect
          x={PAD.left}
          width={W - PAD.left - PAD.right}
          y={high === undefined ? PAD.top : y(high)}
          height={(low === undefined ? H - PAD.bottom : y(low)) - (high === undefined ? PAD.top : y(high))}
          fill="var(--verdwash)"
        />
        {[low, high].map((l, i) =>
          l === undefined ? null : (
            <g key={i}>
              <path
                d={`M${PAD.left} ${y(l)}H${W - PAD.right}`}
                stroke="var(--ink)"
                strokeWidth="1"
                strokeDasharray="4 3"
              />
              <text x={PAD.left - 4} y={y(l) + 5} fontSize="13" textAnchor="end" fill="var(--ink2)">
                {formatNumber(l)}
              </text>
            </g>
          ),
        )}
        <path d={path} fill="none" stroke="var(--ink)" strokeWidth="2" />
        {points.map((p, i) => (
          <g key={`${p.job}-${p.moment}-${i}`}>
            <circle
              cx={x(i)}
              cy={y(p.value)}
              r="6"
              fill={p.moment === 'now' ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text x={x(i)} y={y(p.value) - 10} fontSize="13" fontWeight="680" textAnchor="middle" fill="var(--ink)">
              {formatNumber(p.value)}
            </text>
            {(i === 0 || points[i - 1]!.job !== p.job) && (
              <text x={x(i)} y={H - 8} fontSize="13" textAnchor="middle" fill="var(--ink2)">
                {format(new Date(p.at), 'MMM yy')}
              </text>
            )}
          </g>
        ))}
      </svg>
    </figure>
  );
}
