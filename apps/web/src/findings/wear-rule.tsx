import { placesRead, standsAt } from '@jubb/core/bench';
import type { BenchState } from '@jubb/core/bench';
import { formatQuantity, inCanonical, type Quantity, formatReading } from '@jubb/core/quantities';
import type { Measure } from '@jubb/core/sheet';
import { scaleLinear } from 'd3';

const WIDTH = 400;
const INK = { within: 'var(--verd)', outside: 'var(--oxide)', undecided: 'var(--slate)' } as const;

/** Where a part stands between new and worn out: its worst reading, the limit, and the guard on both sides of it. */
export function WearRule({
  measure,
  state,
}: {
  readonly measure: Measure;
  readonly state: BenchState;
}): React.JSX.Element | null {
  const places = placesRead(measure, state);
  const limits = [measure.min, measure.max].filter((l) => l !== undefined);
  if (places.length === 0 || limits.length === 0) return null;
  const own = (q: Quantity): number => inCanonical(q, measure.dimension);
  const away = (q: Quantity): number =>
    Math.min(...limits.map((l) => (l === measure.min ? own(q) - own(l) : own(l) - own(q))));
  const worst = [...places].sort((a, b) => away(standsAt(a).mean) - away(standsAt(b).mean))[0]!;
  const { mean, uncertainty } = standsAt(worst);
  const guard = own(uncertainty) - own({ value: 0, unit: uncertainty.unit });
  const points = [own(mean), ...limits.map(own), ...(measure.newSize ? [own(measure.newSize)] : [])];
  const span = Math.max(...points) - Math.min(...points) || Math.abs(points[0]!) * 0.01 || 1;
  const [from, to] = [Math.min(...points) - span * 0.3, Math.max(...points) + span * 0.3];
  const x = scaleLinear([from, to], [0, WIDTH]);
  const verdict = worst.newest.result?.verdict ?? 'undecided';
  const low = measure.min ? own(measure.min) : from;
  const high = measure.max ? own(measure.max) : to;
  const at = x(own(mean));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 64`}
      width="100%"
      role="img"
      aria-label={`${measure.title}: ${formatReading(mean)}, ${verdict}`}
    >
      <rect x="0" y="24" width={WIDTH} height="12" fill="var(--oxidewash)" />
      <rect x={x(low)} y="24" width={x(high) - x(low)} height="12" fill="var(--verdwash)" />
      {limits.map((l) => (
        <g key={own(l)}>
          <rect
            x={x(own(l) - guard)}
            y="24"
            width={Math.max(0, x(own(l) + guard) - x(own(l) - guard))}
            height="12"
            fill="#c3ccd3"
          />
          <path d={`M${x(own(l))} 20v20`} stroke="var(--ink)" strokeWidth="2" />
          <text x={x(own(l))} y="58" fontSize="15" textAnchor={anchor(x(own(l)))} fill="var(--ink2)">
            limit {formatQuantity(l)}
          </text>
        </g>
      ))}
      <path d={`M0 36H${WIDTH}`} stroke="var(--ink)" strokeWidth="2" />
      <path d={`M${at} 36l-9-13h18z`} fill={INK[verdict]} stroke="var(--sheet)" strokeWidth="1" />
      <text x={at} y="16" fontSize="17" fontWeight="720" textAnchor={anchor(at)} fill="var(--ink)">
        {formatReading(mean)}
      </text>
    </svg>
  );
}

const anchor = (x: number): 'start' | 'middle' | 'end' => (x < 60 ? 'start' : x > WIDTH - 60 ? 'end' : 'middle');
