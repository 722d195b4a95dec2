import { inCanonical, type Quantity } from '@jubb/core/quantities';
import { beltRun, routeWords, wheelsOf, type Route } from '@jubb/core/sheet';

/** As it stands on the bench: its height, the room above and below, and the room beside it for the names. */
const SHOWN = 330;
const ROOM = 26;
const BESIDE = 88;
const millimetres = (q: Quantity): number => inCanonical(q, 'length');

/** The route of a belt, seen from the front: pulleys with their names, the belt round them, its back run marked. */
export function BeltRoute({ route }: { readonly route: Route }): React.JSX.Element | null {
  const wheels = wheelsOf(route, millimetres);
  const run = beltRun(wheels);
  if (!run) return null;
  const ends = (of: (w: (typeof wheels)[number]) => number, by: number): number[] =>
    wheels.map((w) => of(w) + by * w.r);
  const [left, right] = [Math.min(...ends((w) => w.x, -1)), Math.max(...ends((w) => w.x, 1))];
  const [low, high] = [Math.min(...ends((w) => w.y, -1)), Math.max(...ends((w) => w.y, 1))];
  const scale = (SHOWN - 2 * ROOM) / (high - low);
  const wide = (right - left) * scale + 2 * BESIDE;
  // The plan's up is the drawing's up.
  const x = (v: number): number => (v - left) * scale + BESIDE;
  const y = (v: number): number => (high - v) * scale + ROOM;
  const path = run.wraps
    .map(({ from, to, r, wrap, turn }, i) => {
      const arc = `A${r * scale} ${r * scale} 0 ${wrap > Math.PI ? 1 : 0} ${turn === 1 ? 0 : 1} ${x(to[0])} ${y(to[1])}`;
      return `${i === 0 ? 'M' : 'L'}${x(from[0])} ${y(from[1])}${arc}`;
    })
    .join('');
  return (
    <svg
      viewBox={`0 0 ${wide} ${SHOWN}`}
      width={wide}
      height={SHOWN}
      className="beltroute"
      role="img"
      aria-label={`${route.title}, seen from the front: ${routeWords(route)}`}
    >
      {route.pulleys.map((p, i) => {
        const w = wheels[i]!;
        const back = p.side === 'back';
        const small = w.r * scale < 26;
        return (
          <g key={p.id}>
            <circle
              cx={x(w.x)}
              cy={y(w.y)}
              r={w.r * scale}
              fill={back ? 'var(--brasswash)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <circle cx={x(w.x)} cy={y(w.y)} r="2.5" fill="var(--ink)" />
            <text
              x={x(w.x)}
              y={y(w.y) + (small ? w.r * scale + 17 : 18)}
              textAnchor="middle"
              fontSize="14"
              fontWeight="640"
              fill="var(--ink)"
            >
              {p.title}
              {back ? ', on its back' : ''}
            </text>
          </g>
        );
      })}
      <path d={`${path}Z`} fill="none" stroke="var(--ink)" strokeWidth="4.5" strokeLinejoin="round" />
    </svg>
  );
}

/** The routes that a lead or part runs (all, where none is named), for a variant; of each variant while that is not known. */
export function routesOf(
  routes: Readonly<Record<string, Route>> | undefined,
  of: string | undefined,
  variant: string | undefined,
): readonly Route[] {
  return Object.values(routes ?? {}).filter(
    (r) =>
      (of === undefined || r.of === of) && (variant === undefined || r.variant === undefined || r.variant === variant),
  );
}
