import { orderOf } from '@jubb/core/bench';
import type { Joint } from '@jubb/core/sheet';
import { boltPlaces } from '../bolt-places.ts';

const SIDE = 150;
const C = SIDE / 2;

/** The fasteners of a joint in plan, as they sit: each with its turn in the order of tightening. */
export function JointPlan({ joint }: { readonly joint: Joint }): React.JSX.Element {
  const { places, size, round } = boltPlaces(joint, SIDE);
  const turn = new Map(orderOf(joint).map((bolt, i) => [bolt, i + 1]));
  const radius = Math.min(size, 12);
  return (
    <figure className="jointplan">
      <svg
        viewBox={`0 0 ${SIDE} ${SIDE}`}
        width={SIDE}
        height={SIDE}
        role="img"
        aria-label={`${joint.title} in plan, pulled in the order ${orderOf(joint).join(', ')}`}
      >
        {round ? (
          <circle cx={C} cy={C} r={C - 3} className="body" />
        ) : (
          <rect x="3" y="3" width={SIDE - 6} height={SIDE - 6} className="body" />
        )}
        {places.map(({ x, y }, i) => (
          <g key={i}>
            <circle cx={x} cy={y} r={radius} className="head" />
            <text x={x} y={y + 5} textAnchor="middle" fontSize="14">
              {turn.get(i + 1)}
            </text>
          </g>
        ))}
      </svg>
      <figcaption>
        {joint.title}, {joint.count} × {joint.thread}
      </figcaption>
    </figure>
  );
}
