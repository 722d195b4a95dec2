import type { TighteningState } from '@jubb/core/bench';

const C = 141;
const R = 96;
/** Place of fastener `bolt` of `count`, clockwise from twelve. */
export function boltPlace(bolt: number, count: number): { x: number; y: number } {
  if (count === 1) return { x: C, y: C + 5 };
  const a = -Math.PI / 2 + ((bolt - 1) * 2 * Math.PI) / count;
  return { x: C + R * Math.cos(a), y: C + 5 + R * Math.sin(a) };
}

/** The fasteners where they sit, numbered clockwise; the one to pull now is lit, with a line from the last. */
export function BoltCircle({
  count,
  tightening,
}: {
  readonly count: number;
  readonly tightening: TighteningState;
}): React.JSX.Element {
  const stage = Math.min(tightening.stage, tightening.within.length - 1);
  const within = tightening.within[stage]!;
  const doneInOrder = tightening.order.filter((b) => within.has(b));
  const last = doneInOrder.at(-1);
  const lit = tightening.unanswered?.bolt ?? tightening.bolt;
  const hex = (x: number, y: number): string =>
    Array.from(
      { length: 6 },
      (_, j) =>
        `${(x + 24 * Math.cos((j * Math.PI) / 3)).toFixed(1)},${(y + 24 * Math.sin((j * Math.PI) / 3)).toFixed(1)}`,
    ).join(' ');
  return (
    <svg
      width="282"
      height="300"
      role="img"
      aria-label={lit ? `Fastener ${lit} is next; order ${tightening.order.join(', ')}` : 'All pulled'}
    >
      <circle cx={C} cy={C + 5} r="136" fill="#fffdf8" stroke="#1d2326" strokeWidth="2" />
      <circle cx={C} cy={C + 5} r="52" fill="none" stroke="#cdc7b8" strokeWidth="2" />
      <path d={`M${C} 10v16`} stroke="#8a6414" strokeWidth="5" />
      {last !== undefined && lit !== undefined && last !== lit && (
        <path
          d={`M${boltPlace(last, count).x} ${boltPlace(last, count).y}L${boltPlace(lit, count).x} ${boltPlace(lit, count).y}`}
          stroke="#8a6414"
          strokeWidth="2.5"
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      )}
      {tightening.order.map((b) => {
        const { x, y } = boltPlace(b, count);
        const isLit = b === lit;
        const high = tightening.unanswered?.bolt === b;
        const done = within.has(b);
        return (
          <g key={b}>
            {isLit && (
              <circle cx={x} cy={y} r="33" fill={high ? '#f5ddd3' : '#f6e9c4'} stroke="#1d2326" strokeWidth="2" />
            )}
            <polygon
              points={hex(x, y)}
              fill={high ? '#a63a1e' : done ? '#1f6f63' : isLit ? '#e0b03a' : '#f6f4ee'}
              stroke="#1d2326"
              strokeWidth="2"
            />
            <text
              x={x}
              y={y + 8}
              textAnchor="middle"
              fontSize="23"
              fontWeight="740"
              fill={done || high ? '#fff' : '#1d2326'}
            >
              {b}
            </text>
            {done && <path d={`M${x - 14} ${y + 31}h28`} stroke="#1f6f63" strokeWidth="4" />}
          </g>
        );
      })}
      {count > 1 && (
        <text x={C} y="297" fontSize="14" textAnchor="middle" fill="#4a5358">
          seen from outside
        </text>
      )}
    </svg>
  );
}
