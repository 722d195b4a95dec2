import { line, scaleLinear } from 'd3';

/** What a drawing gets: figures in canonical units by name, typed words, and the answer. */
export const INK = 'var(--ink)';
export const BRASS = 'var(--brassfill)';
export const VERD = 'var(--verd)';
export const OXIDE = 'var(--oxide)';
export const PALE = 'var(--line2)';
export const SLATE = 'var(--slate)';

/** A frame for a drawing: its size, and what it says in words. */
export function Sheet({
  w = 560,
  h = 250,
  says,
  children,
}: {
  readonly w?: number;
  readonly h?: number;
  readonly says: string;
  readonly children: React.ReactNode;
}): React.JSX.Element {
  return (
    <svg viewBox={`0 0 ${w} ${h}`} role="img" aria-label={says}>
      <defs>
        <pattern id="reckon-hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--sheet)" />
          <path d="M0 0V8" stroke="#a9a392" strokeWidth="1.6" />
        </pattern>
      </defs>
      {children}
    </svg>
  );
}

export interface Series {
  readonly points: readonly (readonly [number, number])[];
  readonly color?: string;
  readonly dashed?: boolean;
  readonly name: string;
  readonly dots?: boolean;
}
/** Lines over two titled axes. */
export function Plot({
  series,
  x,
  y,
  says,
  h = 230,
  w = 560,
  zero = false,
}: {
  readonly series: readonly Series[];
  readonly x: string;
  readonly y: string;
  readonly says: string;
  readonly h?: number;
  readonly w?: number;
  readonly zero?: boolean;
}): React.JSX.Element {
  const all = series.flatMap((s) => s.points);
  const span = (i: 0 | 1): [number, number] => {
    const values = all.map((p) => p[i]);
    const [lo, hi] = [Math.min(...values), Math.max(...values)];
    const pad = (hi - lo || Math.abs(hi) || 1) * 0.08;
    return i === 0 ? [lo, hi === lo ? lo + 1 : hi] : [zero ? Math.min(0, lo) : lo - pad, hi + pad];
  };
  const sx = scaleLinear(span(0), [58, w - 30]);
  const legend = (i: number): number => w - 16 - (series.length - i) * 165;
  const sy = scaleLinear(span(1), [h - 40, 26]);
  return (
    <Sheet w={w} h={h} says={says}>
      {sy.ticks(4).map((t) => (
        <g key={t}>
          <path d={`M58 ${sy(t)}H${w - 16}`} stroke={PALE} />
          <text x="52" y={sy(t) + 5} textAnchor="end">
            {sy.tickFormat(4)(t)}
          </text>
        </g>
      ))}
      {sx.ticks(6).map((t) => (
        <text key={t} x={sx(t)} y={h - 20} textAnchor="middle">
          {sx.tickFormat(6)(t)}
        </text>
      ))}
      <path d={`M58 ${h - 40}H${w - 16}`} stroke={INK} strokeWidth="1.5" />
      <text x="58" y="16">
        {y}
      </text>
      <text x={w - 16} y={h - 3} textAnchor="end">
        {x}
      </text>
      {series.map((s, i) => (
        <g key={s.name}>
          <path
            d={
              line<readonly [number, number]>(
                (p) => sx(p[0]),
                (p) => sy(p[1]),
              )([...s.points]) ?? ''
            }
            fill="none"
            stroke={s.color ?? INK}
            strokeWidth="2.5"
            strokeDasharray={s.dashed ? '7 6' : undefined}
          />
          {s.dots && s.points.map((p, j) => <circle key={j} cx={sx(p[0])} cy={sy(p[1])} r="5" fill={s.color ?? INK} />)}
          {series.length > 1 && (
            <g>
              <path
                d={`M${legend(i)} 11h22`}
                stroke={s.color ?? INK}
                strokeWidth="3"
                strokeDasharray={s.dashed ? '7 5' : undefined}
              />
              <text x={legend(i) + 28} y="16">
                {s.name}
              </text>
            </g>
          )}
        </g>
      ))}
    </Sheet>
  );
}

export interface Bar {
  readonly name: string;
  readonly value: number;
  readonly shown: string;
  readonly color?: string;
}
/** Figures of one kind beside each other, to scale. */
export function Bars({ bars, says }: { readonly bars: readonly Bar[]; readonly says: string }): React.JSX.Element {
  const few = bars.slice(0, 8);
  const x = scaleLinear(
    [Math.min(0, ...few.map((b) => b.value)), Math.max(1e-12, ...few.map((b) => b.value))],
    [0, 250],
  );
  const h = few.length * 34 + 8;
  return (
    <Sheet w={560} h={h} says={says}>
      {few.map((b, i) => (
        <g key={b.name} transform={`translate(0 ${i * 34 + 6})`}>
          <text x="176" y="17" textAnchor="end">
            {b.name.length > 25 ? `${b.name.slice(0, 24)}…` : b.name}
          </text>
          <rect
            x={186 + Math.min(x(0), x(b.value))}
            y="2"
            width={Math.max(2, Math.abs(x(b.value) - x(0)))}
            height="20"
            fill={b.color ?? BRASS}
            stroke={INK}
          />
          <text x={194 + Math.max(x(0), x(b.value))} y="18" fontWeight="700">
            {b.shown}
          </text>
        </g>
      ))}
    </Sheet>
  );
}

/** Polar plot of vectors about a centre. */
export function Polar({
  cx,
  cy,
  r,
  title,
  vectors,
  most,
}: {
  readonly cx: number;
  readonly cy: number;
  readonly r: number;
  readonly title: string;
  readonly vectors: readonly {
    readonly length: number;
    readonly deg: number;
    readonly color: string;
    readonly dashed?: boolean;
  }[];
  readonly most: number;
}): React.JSX.Element {
  const at = (length: number, deg: number): [number, number] => {
    const a = (deg * Math.PI) / 180;
    return [cx + (length / most) * r * Math.cos(a), cy - (length / most) * r * Math.sin(a)];
  };
  return (
    <g>
      {[1, 0.5].map((k) => (
        <circle key={k} cx={cx} cy={cy} r={r * k} fill="none" stroke={k === 1 ? INK : PALE} strokeWidth="1.5" />
      ))}
      {[0, 90, 180, 270].map((d) => {
        const [x, y] = at(most * 1.17, d);
        return (
          <text key={d} x={x} y={y + 5} textAnchor="middle">
            {d}°
          </text>
        );
      })}
      {vectors.map((v, i) => {
        const [x, y] = at(v.length, v.deg);
        return (
          <g key={i}>
            <path
              d={`M${cx} ${cy}L${x} ${y}`}
              stroke={v.color}
              strokeWidth="4"
              strokeDasharray={v.dashed ? '6 5' : undefined}
            />
            <circle cx={x} cy={y} r="6" fill={v.color} />
          </g>
        );
      })}
      <text x={cx} y={cy + r + 42} textAnchor="middle" fontWeight="700">
        {title}
      </text>
    </g>
  );
}

/** A dimension line with its figure. */
export function Dim({
  x1,
  x2,
  y,
  text,
}: {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly text: string;
}): React.JSX.Element {
  return (
    <g>
      <path d={`M${x1} ${y}H${x2}M${x1} ${y - 6}v12M${x2} ${y - 6}v12`} stroke={INK} strokeWidth="1.5" />
      <text x={(x1 + x2) / 2} y={y - 6} textAnchor="middle">
        {text}
      </text>
    </g>
  );
}
