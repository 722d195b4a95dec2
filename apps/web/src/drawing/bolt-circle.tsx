import type { TighteningState } from '@jubb/core/bench';
import type { Joint } from '@jubb/core/sheet';
import { boltPlaces } from './bolt-places.ts';

const SIDE = 282;
const C = SIDE / 2;
/** As it stands on the bench: room is left below it for the wrench. */
const SHOWN = 240;

/** The fasteners where they sit, numbered; the one to pull now is lit, with a line from the last. */
export function BoltCircle({
  joint,
  tightening,
}: {
  readonly joint: Joint;
  readonly tightening: TighteningState;
}): React.JSX.Element {
  const { places, size, round } = boltPlaces(joint, SIDE);
  const at = (bolt: number): { x: number; y: number } => places[bolt - 1] ?? { x: C, y: C };
  const stage = Math.min(tightening.stage, tightening.within.length - 1);
  const within = tightening.within[stage]!;
  const doneInOrder = tightening.order.filter((b) => within.has(b));
  const last = doneInOrder.at(-1);
  const lit = tightening.unanswered?.bolt ?? tightening.bolt;
  const hex = (x: number, y: number): string =>
    Array.from(
      { length: 6 },
      (_, j) =>
        `${(x + size * Math.cos((j * Math.PI) / 3)).toFixed(1)},${(y + size * Math.sin((j * Math.PI) / 3)).toFixed(1)}`,
    ).join(' ');
  return (
    <svg
      viewBox={`0 0 ${SIDE} 300`}
      width={SHOWN}
      height={(SHOWN * 300) / SIDE}
      role="img"
      aria-label={
        lit
          ? `Fastener ${lit}${joint.takes?.[lit] ? ` (${joint.takes[lit]})` : ''} is next; order ${tightening.order.join(', ')}`
          : 'All pulled'
      }
    >
      {round ? (
        <>
          <circle cx={C} cy={C} r="136" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
          <circle cx={C} cy={C} r="52" fill="none" stroke="var(--line)" strokeWidth="2" />
          <path d={`M${C} 5v16`} stroke="var(--brass)" strokeWidth="5" />
        </>
      ) : (
        <rect
          x="6"
          y="6"
          width={SIDE - 12}
          height={SIDE - 12}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {last !== undefined && lit !== undefined && last !== lit && (
        <path
          d={`M${at(last).x} ${at(last).y}L${at(lit).x} ${at(lit).y}`}
          stroke="var(--brass)"
          strokeWidth="2.5"
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      )}
      {tightening.order.map((b) => {
        const { x, y } = at(b);
        const isLit = b === lit;
        const high = tightening.unanswered?.bolt === b;
        const done = within.has(b);
        return (
          <g key={b}>
            {isLit && (
              <circle
                cx={x}
                cy={y}
                r={size + 9}
                fill={high ? 'var(--oxidewash)' : 'var(--brasswash)'}
                stroke="var(--ink)"
                strokeWidth="2"
              />
            )}
            {joint.takes?.[b] && (
              <circle
                cx={x}
                cy={y}
                r={size + 4}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="2"
                strokeDasharray="5 3"
              />
            )}
            <polygon
              points={hex(x, y)}
              fill={high ? 'var(--oxide)' : done ? 'var(--verd)' : isLit ? 'var(--brassfill)' : 'var(--chalk)'}
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text
              x={x}
              y={y + size * 0.34}
              textAnchor="middle"
              fontSize={Math.max(14, size - 1)}
              fontWeight="740"
              fill={done || high ? '#fff' : 'var(--ink)'}
            >
              {b}
            </text>
            {done && (
              <path d={`M${x - size * 0.6} ${y + size + 6}h${size * 1.2}`} stroke="var(--verd)" strokeWidth="4" />
            )}
          </g>
        );
      })}
      {joint.takes && (
        <text x={C} y={C + 5} fontSize="14" textAnchor="middle" fill="var(--ink)">
          {`ringed: ${[...new Set(Object.values(joint.takes))].join(', ')}`}
        </text>
      )}
      {joint.count > 1 && (
        <text x={C} y="297" fontSize="14" textAnchor="middle" fill="var(--ink2)">
          {joint.pattern.kind === 'single' ? 'places not on the sheet' : 'seen from outside'}
        </text>
      )}
    </svg>
  );
}
