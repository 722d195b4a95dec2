import type { Direction } from '@jubb/core/shape';

const C = 48;
const R = 38;

/** A part seen from its end, with the directions in which it is measured: the next one in brass. */
export function DirectionsView({
  directions,
  next,
}: {
  readonly directions: readonly Direction[];
  readonly next: string | undefined;
}): React.JSX.Element {
  const words = directions.map((d) => d.where).join(', ');
  return (
    <svg
      className="directions"
      viewBox="0 0 96 96"
      role="img"
      aria-label={`Seen from its end, to measure at ${words}${next === undefined ? '' : `; next at ${next}`}`}
    >
      <circle cx={C} cy={C} r="28" />
      {[...directions]
        .sort((a, b) => Number(a.where === next) - Number(b.where === next))
        .map((d) => (
          <g
            key={d.where}
            className={d.where === next ? 'next' : undefined}
            transform={`rotate(${d.degrees} ${C} ${C})`}
          >
            <path d={`M${C} ${C - R}V${C + R}`} />
            <path
              d={`M${C - 6} ${C - 28}L${C} ${C - 36}L${C + 6} ${C - 28}M${C - 6} ${C + 28}L${C} ${C + 36}L${C + 6} ${C + 28}`}
            />
          </g>
        ))}
    </svg>
  );
}
