import type { Axis, Lain, ShapeKind } from '../sheet/index.ts';
import type { Sized } from './figures.ts';
import { carrierBody, headOf, IN_A_GROOVE, liesInside, seatsIn, type Head } from './carrier-body.ts';
import { coverSizes, lengthOf, outline, PLUG_SHANK, turned, wheelSizes, type Piece } from './outlines/index.ts';

/** A part in its place on the axis, with everything on. */
export interface Standing {
  /** The part, and which of its places on the axis: "cups", "cups#2". */
  readonly key: string;
  readonly sized: Sized;
  /** Left end when all is on, and length, mm. */
  readonly x: number;
  readonly length: number;
  /** In its own coordinates. */
  readonly pieces: readonly Piece[];
  readonly carrier?: string;
  /** It lies in the groove of a piston. */
  readonly inGroove?: boolean;
  /** Which end of the unit it comes off at. */
  readonly end: 'left' | 'right';
  readonly points: 'left' | 'right';
}

interface Taken {
  readonly from: number;
  readonly to: number;
  readonly inside: number;
  readonly outside: number;
}
/** They lie in another's groove or thread and keep nothing away. */
const IN_NOBODYS_WAY: ReadonlySet<ShapeKind> = new Set(['o-ring', 'pin', 'key', 'bolt', 'plug', 'circlip']);
/** Between two grooves of a piston, as a share of its length. */
const LAND = 0.08;
const BEARINGS: ReadonlySet<ShapeKind> = new Set(['cone', 'cup', 'ball-bearing', 'roller-bearing', 'gear']);
/** From this share of its outside on does a ring clamp the wide end of a boot. */
const CLAMPS = 0.85;
/** So much of its web, from its bore out, does a wheel meet the unit with. */
const WEB_FACE = 0.3;
/** So much of its radius does a shaft stand out beyond what it carries. */
const STUB = 0.5;
const overlap = (t: Taken, inside: number, outside: number): boolean =>
  t.inside < outside - 1e-6 && inside < t.outside - 1e-6;

/**
 * Puts the parts of an axis together as they would go together: each is pushed along the axis from its own end until it
 * meets what is there. What carries others gets its steps from what it carries.
 * @param sizes of every part of the axis
 * @returns in the order of the row; a part that is listed twice stands twice
 */
export function assemble(axis: Axis, sizes: ReadonlyMap<string, Sized>): readonly Standing[] {
  const at = axis.body === undefined ? -1 : axis.row.findIndex((l) => l.part === axis.body);
  const from = at < 0 ? 0 : at;
  const order = keysOf(axis.row);
  const points = pointing(axis.row, sizes, from);
  const right = new Row(sizes, points, order, 'right');
  axis.row.slice(from).forEach((l) => right.lay(l));
  const left = new Row(sizes, points, order, 'left', mirrored(right.taken));
  [...axis.row.slice(0, from)].reverse().forEach((l) => left.lay(l));
  return throughAll([...left.turnedBack(), ...right.standing], axis);
}

/** An axle that carries others at both its ends goes through the middle of them. */
function throughAll(all: readonly Standing[], { body, row }: Axis): readonly Standing[] {
  const at = row.findIndex((l) => l.part === body);
  const axle = all.find((s) => s.key === body);
  if (!axle || at < 1 || at === row.length - 1 || row[at]!.carries.length > 0 || !liesInside(axle.sized.kind))
    return all;
  const others = all.filter((s) => s !== axle);
  if (others.some((s) => s.sized.inside < axle.sized.outside - 1e-6)) return all;
  const [from, to] = [Math.min(...others.map((s) => s.x)), Math.max(...others.map((s) => s.x + s.length))];
  return all.map((s) => (s === axle ? { ...s, x: (from + to - s.length) / 2 } : s));
}

const mirrored = (taken: readonly Taken[]): Taken[] => taken.map((t) => ({ ...t, from: -t.to, to: -t.from }));

/** The keys of all entries, in the order of the row. */
function keysOf(row: readonly Lain[]): Map<Lain, string> {
  const seen = new Map<string, number>();
  const keys = new Map<Lain, string>();
  const walk = (lain: Lain): void => {
    const n = (seen.get(lain.part) ?? 0) + 1;
    seen.set(lain.part, n);
    keys.set(lain, n === 1 ? lain.part : `${lain.part}#${n}`);
    lain.carries.forEach(walk);
  };
  row.forEach(walk);
  return keys;
}

/** Which way each entry points, where its sheet does not say. */
function pointing(
  row: readonly Lain[],
  sizes: ReadonlyMap<string, Sized>,
  body: number,
): ReadonlyMap<Lain, 'left' | 'right'> {
  const flat: { readonly lain: Lain; readonly left: boolean; readonly kind: ShapeKind }[] = [];
  const walk = (lain: Lain, left: boolean): void => {
    const sized = sizes.get(lain.part);
    if (sized) flat.push({ lain, left, kind: sized.kind });
    lain.carries.forEach((c) => walk(c, left));
  };
  row.forEach((l, i) => walk(l, i < body));
  const cones = flat.filter((f) => f.kind === 'cone');
  const nearest = (i: number, kinds: ReadonlySet<ShapeKind>): number | undefined => {
    for (let d = 1; d < flat.length; d++)
      for (const j of [i + d, i - d]) if (flat[j] && kinds.has(flat[j].kind)) return j;
    return undefined;
  };
  const out = new Map<Lain, 'left' | 'right'>();
  flat.forEach(({ lain, left, kind }, i) => {
    const own = sizes.get(lain.part)!.points;
    const outward = left ? 'left' : 'right';
    if (own) out.set(lain, own);
    // Two taper bearings of a unit stand back to back unless its sheet says otherwise.
    else if (kind === 'cone') out.set(lain, cones.length > 1 && cones[0]!.lain === lain ? 'left' : outward);
    // A lip reaches to what it holds in: the bearing or gear that is next to it.
    else if (kind === 'seal') {
      const to = nearest(i, BEARINGS);
      out.set(lain, to === undefined ? (left ? 'right' : 'left') : to > i ? 'right' : 'left');
    } else out.set(lain, outward);
  });
  flat.forEach(({ lain, kind }, i) => {
    if (kind !== 'cup' || sizes.get(lain.part)!.points) return;
    const to = nearest(i, new Set<ShapeKind>(['cone']));
    if (to !== undefined) out.set(lain, out.get(flat[to]!.lain)!);
  });
  return out;
}

/** One end of an axis, laid from the body outward. */
class Row {
  readonly standing: Standing[] = [];
  readonly taken: Taken[];
  /** No part lies nearer the body than the one that was listed before it. */
  private floor = 0;

  constructor(
    private readonly sizes: ReadonlyMap<string, Sized>,
    private readonly points: ReadonlyMap<Lain, 'left' | 'right'>,
    private readonly keys: ReadonlyMap<Lain, string>,
    private readonly end: 'left' | 'right',
    taken: readonly Taken[] = [],
  ) {
    this.taken = [...taken];
    this.floor = Math.min(0, ...taken.map((t) => t.from));
  }

  lay(lain: Lain, carrier?: string): void {
    const sized = this.sizes.get(lain.part);
    if (!sized) return;
    if (lain.carries.length > 0) this.layCarrier(lain, sized, carrier);
    else if (sized.kind === 'wheel') this.layWheel(lain, sized, carrier);
    else if (sized.kind === 'cover') this.layCover(lain, sized, carrier);
    else if (sized.kind === 'bolt' || sized.kind === 'plug' || sized.circle !== undefined)
      this.layHeaded(lain, sized, carrier);
    else if (sized.kind === 'pin' || sized.kind === 'key') this.layAcross(lain, sized, carrier);
    else this.layRing(lain, sized, carrier);
  }

  private add(lain: Lain, sized: Sized, x: number, carrier: string | undefined, inGroove = false): void {
    const points = this.points.get(lain) ?? 'right';
    // A left end is laid in a mirror: what points left there points outward, as the right does here.
    const facing = this.end === 'left' ? (points === 'left' ? 'right' : 'left') : points;
    this.standing.push({
      key: this.keys.get(lain)!,
      sized,
      x,
      length: lengthOf(sized.kind, sized),
      pieces: outline(sized.kind, { ...sized, points: facing }, sized.dished),
      ...(carrier === undefined ? {} : { carrier }),
      inGroove,
      end: this.end,
      points,
    });
  }

  /** Where a ring of these radii comes to a stop. */
  private stop(inside: number, outside: number): number {
    return Math.max(this.floor, ...this.taken.filter((t) => overlap(t, inside, outside)).map((t) => t.to));
  }

  private layRing(lain: Lain, sized: Sized, carrier?: string): void {
    const groove = this.grooveOf(sized);
    if (groove !== undefined) {
      this.add(lain, sized, groove, carrier, true);
      return;
    }
    const clamps = this.wideEnd(sized);
    if (clamps !== undefined) {
      this.add(lain, sized, clamps, carrier, true);
      return;
    }
    const x = this.stop(sized.inside, sized.outside);
    const length = lengthOf(sized.kind, sized);
    this.add(lain, sized, x, carrier);
    if (IN_NOBODYS_WAY.has(sized.kind)) return;
    this.taken.push({ from: x, to: x + length, inside: sized.inside, outside: sized.outside });
    this.floor = Math.max(this.floor, x);
  }

  /** Where a clamp lies round the wide end of the boot that was laid before it; undefined where it does not. */
  private wideEnd({ kind, inside, length }: Sized): number | undefined {
    const boot = this.standing.at(-1);
    if (kind !== 'ring' || boot?.sized.kind !== 'boot' || inside < boot.sized.outside * CLAMPS) return undefined;
    const outward = (boot.points === 'right') === (this.end === 'right');
    return outward ? boot.x + boot.length - length : boot.x;
  }

  /** Where a ring lies in the piston that was laid before it; undefined where it does not. */
  private grooveOf(sized: Sized): number | undefined {
    const at = this.standing.findLastIndex((s) => s.sized.kind === 'piston');
    const piston = this.standing[at];
    if (!piston || !IN_A_GROOVE.has(sized.kind)) return undefined;
    const { inside, outside } = piston.sized;
    if (sized.inside < inside + (outside - inside) * 0.5 || sized.outside > outside * 1.05) return undefined;
    const before = this.standing.slice(at + 1).filter((s) => IN_A_GROOVE.has(s.sized.kind));
    const from = before.length === 0 ? piston.x : Math.max(...before.map((s) => s.x + s.length));
    return from + piston.length * LAND;
  }

  /** A wheel meets the unit with the face of its web, and reaches back over what stands there. */
  private layWheel(lain: Lain, sized: Sized, carrier?: string): void {
    const { web, rim, length } = wheelSizes(sized);
    const face = this.stop(sized.inside, sized.inside + (web.outside - sized.inside) * WEB_FACE);
    const over = sized.cut ? [] : this.taken.filter((t) => overlap(t, rim.inside, sized.outside)).map((t) => t.to);
    const x = Math.max(face - web.from, ...over);
    this.add(lain, sized, x, carrier);
    this.taken.push(
      { from: x + web.from, to: x + web.to, inside: sized.inside, outside: web.outside },
      { from: x, to: x + length, inside: rim.inside, outside: sized.outside },
    );
    this.floor = Math.max(this.floor, x + web.from);
  }

  /** A pin or key lies across or along what was laid last. */
  private layAcross(lain: Lain, sized: Sized, carrier?: string): void {
    const last = this.standing.at(-1);
    const middle = last ? last.x + last.length / 2 : this.floor;
    this.add(lain, sized, middle - sized.length / 2, carrier);
  }

  /** The head of a bolt stands on the face that is furthest out at its radius; its shank goes into what is there. */
  private layHeaded(lain: Lain, sized: Sized, carrier?: string): void {
    const [inside, outside] =
      sized.circle === undefined
        ? [sized.outside * 0.6, sized.outside]
        : [sized.circle - sized.outside, sized.circle + sized.outside];
    const shank = sized.kind === 'nut' ? 0 : sized.kind === 'plug' ? sized.length * PLUG_SHANK : sized.length;
    const face = this.stop(inside, outside);
    this.add(lain, sized, face - shank, carrier);
  }

  /** A lid meets the unit with its rim alone, and is as deep as what stands under it. */
  private layCover(lain: Lain, sized: Sized, carrier?: string): void {
    const { neck } = coverSizes(sized);
    const x = Math.max(
      Math.min(0, ...this.taken.map((t) => t.from)),
      ...this.taken.filter((t) => overlap(t, neck, sized.outside)).map((t) => t.to),
    );
    this.sealedBy(x);
    const wall = sized.outside * 0.08;
    const under = Math.max(x, ...this.taken.filter((t) => t.inside < neck).map((t) => t.to));
    const length = Math.max(sized.length, under - x > 1e-6 ? under - x + wall * 1.6 : 0);
    const tall: Sized = { ...sized, length };
    this.add(lain, tall, x, carrier);
    const { neck: bell, wall: rim } = coverSizes({ outside: sized.outside, length });
    this.taken.push(
      { from: x, to: x + length, inside: sized.inside, outside: bell },
      { from: x, to: x + rim, inside: bell, outside: sized.outside },
    );
  }

  /** A ring that was laid just before a lid lies in the joint between it and the unit. */
  private sealedBy(face: number): void {
    const ring = this.standing.at(-1);
    if (ring?.sized.kind !== 'o-ring' || ring.inGroove) return;
    this.standing[this.standing.length - 1] = { ...ring, x: face - ring.length / 2 };
  }

  /** What carries others lies under or round them all; what is carried is drawn over it. */
  private layCarrier(lain: Lain, sized: Sized, carrier?: string): void {
    const key = this.keys.get(lain)!;
    const inner = liesInside(sized.kind);
    const start = this.floor;
    const stub = inner ? sized.outside * STUB : 0;
    const place = this.standing.length;
    this.standing.push({ key, sized, x: start, length: 0, pieces: [], end: this.end, points: 'right' });
    this.floor = start + stub;
    const head = inner ? headOf(sized, lain, this.sizes) : undefined;
    const headAt = this.layCarried(lain, key, head);
    const kids = this.standing.slice(place + 1);
    const body = carrierBody({
      sized,
      start,
      stub,
      kids,
      held: kids.filter((k) => seatsIn(sized.kind, k) && (inner || this.touches(k, key))),
      ...(head && headAt !== undefined ? { head: { ...head, from: headAt } } : {}),
    });
    this.standing[place] = {
      key,
      // Its length and its steps are those of what it carries.
      sized: { ...sized, inside: body.inside, outside: body.outside, guessed: kids.length === 0 && sized.guessed },
      x: body.x,
      length: body.length,
      pieces: body.pieces,
      ...(carrier === undefined ? {} : { carrier }),
      end: this.end,
      points: 'right',
    };
    this.taken.push({ from: body.x, to: body.x + body.length, inside: body.inside, outside: body.clear });
    this.floor = headAt ?? Math.max(start, ...kids.map((k) => k.x), body.x);
  }

  /**
   * Lays what a part carries. Its own head stands before the first that does not come on from the far side of it.
   * @returns where the head stands
   */
  private layCarried(lain: Lain, key: string, head: Head | undefined): number | undefined {
    let at: number | undefined;
    const standHead = (): void => {
      if (!head || at !== undefined) return;
      at = this.stop(0, head.outside);
      this.taken.push({ from: at, to: at + head.length, inside: 0, outside: head.outside });
      this.floor = at;
    };
    for (const child of lain.carries) {
      if (this.sizes.get(child.part)?.points !== 'left') standHead();
      this.lay(child, key);
    }
    standHead();
    return at;
  }

  /** It lies in a housing itself, or on a shaft that does. */
  private touches(s: Standing, housing: string): boolean {
    if (s.carrier === housing) return true;
    const carrier = this.standing.find((c) => c.key === s.carrier);
    return carrier !== undefined && liesInside(carrier.sized.kind) && this.touches(carrier, housing);
  }

  /** The standing parts of a left end, out of the mirror. */
  turnedBack(): readonly Standing[] {
    return this.standing.map((s) => ({
      ...s,
      x: -(s.x + s.length),
      pieces: turned(s.pieces, s.length),
    }));
  }
}
