import { inCanonical, type Quantity } from '@jubb/core/quantities';
import { beltRun, routeWords, wheelsOf, type Route } from '@jubb/core/sheet';

/** As it stands on the bench: its height, the room above and below, and the room beside it for the names. */
const SHOWN = 290;
const ROOM = 26;
const BESIDE = 96;
/** How far a name stands off its pulley. */
const OFF = 9;
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
  const middle = {
    x: wheels.reduce((sum, w) => sum + x(w.x), 0) / wheels.length,
    y: wheels.reduce((sum, w) => sum + y(w.y), 0) / wheels.length,
  };
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
        // Outward from the middle of the loop, where no belt runs.
        const [dx, dy] = [x(w.x) - middle.x, y(w.y) - middle.y];
        const out = Math.hypot(dx, dy) || 1;
        const side = Math.abs(dx / out) > 0.5;
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
            {[p.title, ...(back ? ['on its back'] : [])].map((line, k) => (
              <text
                key={line}
                x={side ? x(w.x) + Math.sign(dx) * (w.r * scale + OFF) : x(w.x)}
                y={(side ? y(w.y) + 5 : y(w.y) + (dy > 0 ? w.r * scale + OFF + 11 : -w.r * scale - OFF)) + 16 * k}
                textAnchor={side ? (dx > 0 ? 'start' : 'end') : 'middle'}
                fontSize="14"
                fontWeight={k === 0 ? 640 : 400}
                fill="var(--ink)"
              >
                {line}
              </text>
            ))}
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
