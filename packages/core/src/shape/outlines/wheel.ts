import { box, type Piece, type Point, type Sizes } from './piece.ts';

type WheelSizes = Pick<Sizes, 'inside' | 'outside' | 'length' | 'cut'>;

/** A web with a wide rim: where each lies along the wheel, and how far out, mm; what is cut off has no rim. */
export function wheelSizes({ inside, outside, length, cut }: WheelSizes): {
  readonly web: { readonly from: number; readonly to: number; readonly outside: number };
  readonly rim: { readonly inside: number };
  readonly length: number;
} {
  const inner = cut ? outside : outside - (outside - inside) * 0.2;
  return { web: { from: length * 0.55, to: length * 0.75, outside: inner }, rim: { inside: inner }, length };
}

/** Tyre or rim on a disc: a web with a wide rim; cut off, a web whose end is a wave. */
export function wheel(sizes: Sizes): readonly Piece[] {
  const { web, rim, length } = wheelSizes(sizes);
  if (sizes.cut) return [{ kind: 'area', points: cutOff(web, sizes.inside), fill: 'metal' }];
  return [box([web.from, web.to], [sizes.inside, web.outside]), box([0, length], [rim.inside, sizes.outside])];
}

function cutOff(web: ReturnType<typeof wheelSizes>['web'], inside: number): readonly Point[] {
  const dip = (web.to - web.from) * 0.25;
  const edge = Array.from({ length: 5 }, (_, i): Point => [
    web.to + ((web.from - web.to) * i) / 4,
    web.outside - (i % 2) * dip,
  ]);
  return [[web.from, inside], [web.to, inside], ...edge];
}
