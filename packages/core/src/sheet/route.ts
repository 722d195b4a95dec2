import type { Quantity } from '../quantities/index.ts';

/** A pulley or roller of a route: where its middle lies, how large it is, and which side of the belt runs on it. */
export interface RoutePulley {
  readonly id: string;
  readonly title: string;
  /** Millimetres, seen from the front: to the right and up. */
  readonly at: readonly [number, number];
  readonly diameter: Quantity;
  /** The belt's inside, with its ribs, or its back. */
  readonly side: 'inside' | 'back';
}
/** How a belt or hose runs: drawn, not told. */
export interface Route {
  readonly id: string;
  readonly title: string;
  /** The lead or part that runs this way. */
  readonly of: string;
  /** Only of this variant. */
  readonly variant?: string;
  /** In the order in which the belt meets them. */
  readonly pulleys: readonly RoutePulley[];
  /** Of the belt. */
  readonly length?: Quantity;
}

/** A circle that a belt runs on, mm; `turn` 1 where it lies to the left of the belt, −1 to the right. */
export interface Wheel {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly turn: 1 | -1;
}
/** One wheel of a run: where the belt comes on and leaves it, and how far it goes round, radians. */
export interface Wrap extends Wheel {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly wrap: number;
}
export interface BeltRun {
  readonly wraps: readonly Wrap[];
  /** Millimetres: straights and arcs. */
  readonly length: number;
}

const FULL = 2 * Math.PI;
const around = (angle: number): number => ((angle % FULL) + FULL) % FULL;
/** Further round a wheel than this no belt lies (common practice): the plan has it on the wrong side. */
const MOST_WRAP = (270 * Math.PI) / 180;

/**
 * The run of a belt round wheels in order: common tangents between each and the next, arcs on each. Plane geometry: a line
 * of direction θ whose left normal is n stands n·c = n·p + turn·r from each middle, so that sin(φ − θ) = (r₂ turn₂ − r₁ turn₁) / D.
 * @param wheels two at least, mm
 * @returns undefined where two lie in each other, or the belt cannot touch one of them
 */
export function beltRun(wheels: readonly Wheel[]): BeltRun | undefined {
  if (wheels.length < 2) return undefined;
  const spans = wheels.map((a, i) => {
    const b = wheels[(i + 1) % wheels.length]!;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const apart = Math.hypot(dx, dy);
    const delta = b.turn * b.r - a.turn * a.r;
    if (apart <= Math.abs(delta) || apart < 1e-9) return undefined;
    const angle = Math.atan2(dy, dx) - Math.asin(delta / apart);
    const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
    const on = (w: Wheel): readonly [number, number] => [w.x - w.turn * w.r * nx, w.y - w.turn * w.r * ny];
    return { angle, leaves: on(a), meets: on(b), long: Math.sqrt(apart * apart - delta * delta) };
  });
  if (spans.some((s) => s === undefined)) return undefined;
  const wraps = wheels.map((w, i): Wrap => {
    const before = spans[(i + wheels.length - 1) % wheels.length]!;
    const after = spans[i]!;
    return { ...w, from: before.meets, to: after.leaves, wrap: around(w.turn * (after.angle - before.angle)) };
  });
  if (wraps.some((w) => w.wrap > MOST_WRAP)) return undefined;
  return { wraps, length: wraps.reduce((sum, w, i) => sum + w.r * w.wrap + spans[i]!.long, 0) };
}

/** The wheels of a route, with the inside on the left whichever way round it is written; diameters in mm. */
export function wheelsOf(route: Pick<Route, 'pulleys'>, millimetres: (q: Quantity) => number): readonly Wheel[] {
  const inside = route.pulleys.filter((p) => p.side === 'inside');
  const area = inside.reduce((sum, p, i) => {
    const q = inside[(i + 1) % inside.length]!;
    return sum + p.at[0] * q.at[1] - q.at[0] * p.at[1];
  }, 0);
  const way = area < 0 ? -1 : 1;
  return route.pulleys.map((p) => ({
    x: p.at[0],
    y: p.at[1],
    r: millimetres(p.diameter) / 2,
    turn: ((p.side === 'inside' ? 1 : -1) * way) as 1 | -1,
  }));
}

/** "Crank, tensioner (back of the belt), fan": a route in words, for whoever hears it. */
export const routeWords = ({ pulleys }: Pick<Route, 'pulleys'>): string =>
  pulleys
    .map((p) => (p.side === 'back' ? `${p.title.toLowerCase()} (back of the belt)` : p.title.toLowerCase()))
    .join(', ');
