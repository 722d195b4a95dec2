import { describe, expect, test } from '@jest/globals';
import { librarySheet, libraryNames } from '../bench/bench.fixtures.ts';
import { inCanonical } from '../quantities/index.ts';
import { asItComes, change, ladder, ladders, ofVariant, partsOfRow, type Lain, type Sheet } from '../sheet/index.ts';
import {
  aboutOp,
  assemble,
  axesOf,
  axisWith,
  NAME_SIZE,
  partAt,
  sizesOf,
  unitDrawing,
  widthOf,
  type DrawnPart,
  type UnitDrawing,
} from './index.ts';

/** Kinds whose section is full from their inside to their outside. */
const SOLID: ReadonlySet<string> = new Set([
  'ring', 'spacer', 'sleeve', 'bush', 'shim', 'washer', 'nut', 'disc', 'plate', 'gear', 'ball-bearing', 'roller-bearing', 'cone', 'seal',
]); // prettier-ignore
/** Of measures under this it is not known whether they are sizes, mm. */
const SMALLEST = 3;
/** Measured on what the drawing does not show. */
const NOT_DRAWN: ReadonlySet<string> = new Set([
  'knuckle-boot: Lower pivot, where the bush runs',
  'knuckle-boot: Upper pivot, where the bush runs',
  'lever-piston: Pivot pin',
]);
/** Heights of a small drawing under a panel: too low for a name, and with room for what is at hand, px. */
const SMALL = [70, 130] as const;
/** Places on a part: its corners, the middles of its edges, and just beside them inwards. */
const spotsOf = (part: DrawnPart): readonly (readonly [number, number])[] =>
  part.pieces.flatMap((p): (readonly [number, number])[] => {
    if (p.kind === 'round') return [p.at];
    const middle = [0, 1].map((i) => p.points.reduce((sum, q) => sum + q[i]!, 0) / p.points.length) as [number, number];
    return p.points.flatMap((a, i) => {
      const b = p.points[(i + 1) % p.points.length]!;
      const half: [number, number] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
      const inward = (q: readonly [number, number], by: number): [number, number] => [
        q[0] + (middle[0] - q[0]) * by,
        q[1] + (middle[1] - q[1]) * by,
      ];
      return [a, half, inward(half, 0.1), inward(a, 0.1), inward(half, 0.5)];
    });
  });
/** Where a piece is met on the way down at a place along the axis, px. */
function distancesDown(piece: DrawnPart['pieces'][number], x: number): readonly number[] {
  if (piece.kind === 'round') return Math.abs(piece.at[0] - x) <= piece.radius ? [piece.at[1] - piece.radius] : [];
  const ring = [...piece.points, piece.points[0]!];
  return ring.slice(1).flatMap(([bx, by], i) => {
    const [ax, ay] = ring[i]!;
    if (x < Math.min(ax, bx) || x > Math.max(ax, bx)) return [];
    return [ax === bx ? Math.min(ay, by) : ay + ((x - ax) * (by - ay)) / (bx - ax)];
  });
}
/** Does one part of a row carry the other? */
function carries(a: string, b: string, row: readonly Lain[]): boolean {
  const [one, other] = [a, b].map((k) => k.replace(/#\d+$/, '')) as [string, string];
  return row.some(
    (l) =>
      (l.part === one && partsOfRow(l.carries).includes(other)) ||
      (l.part === other && partsOfRow(l.carries).includes(one)) ||
      carries(a, b, l.carries),
  );
}

/** Every drawing that a bench shows while a sheet is worked through in one variant: a move a drawing, in both views. */
function* drawings(
  whole: Sheet,
  variant: string | undefined,
): Generator<{ readonly at: string; readonly drawing: UnitDrawing }> {
  const choices = ladders(whole).find((c) => c.variant === variant)!;
  const sheet = ofVariant(whole, variant);
  const unit = asItComes(sheet);
  const axes = axesOf(sheet);
  for (const step of ladder(sheet, choices).all)
    for (const op of step.ops) {
      const about = aboutOp(sheet, op);
      const axis = about && axisWith(axes, [...about.parts][0]!);
      if (axis) {
        const off = new Set([...unit.parts].filter(([, s]) => s === 'off').map(([p]) => p));
        for (const view of ['section', 'row'] as const)
          yield {
            at: `${op.id} ${view}`,
            drawing: unitDrawing(sheet, { axis, view, width: 630, height: 260, off, hand: about }),
          };
        for (const height of SMALL)
          yield {
            at: `${op.id} small, ${height} px`,
            drawing: unitDrawing(sheet, { axis, view: 'section', width: 630, height, small: true, off, hand: about }),
          };
      }
      change(op, sheet, unit);
    }
}

/** What is wrong with a drawing: names over each other or outside, parts outside, sizes that are no numbers. */
function wrongWith({ width, height, labels, parts }: UnitDrawing): readonly string[] {
  const out: string[] = [];
  const within = (x: number, y: number, w: number, h: number, what: string): void => {
    if (!(x >= -0.5 && y >= -0.5 && x + w <= width + 0.5 && y + h <= height + 0.5)) out.push(`${what} outside`);
  };
  for (const p of parts) within(p.box.x, p.box.y, p.box.width, p.box.height, p.key);
  const boxes = labels.map((l) => {
    const w = widthOf(l.text, NAME_SIZE, l.bold);
    return { x: l.x - w / 2, y: l.y - NAME_SIZE, w, h: NAME_SIZE * 1.25, text: l.text };
  });
  boxes.forEach((b, i) => {
    within(b.x, b.y, b.w, b.h, `name ${b.text}`);
    for (const c of boxes.slice(i + 1))
      if (b.x < c.x + c.w && c.x < b.x + b.w && b.y < c.y + c.h && c.y < b.y + b.h)
        out.push(`${b.text} over ${c.text}`);
  });
  return out;
}

describe.each(libraryNames.map((name) => ({ name })))('drawings of $name', ({ name }) => {
  const whole = librarySheet(name);
  const variants = [...new Set(ladders(whole).map((c) => c.variant))];

  test.each(variants.map((v) => ({ variant: v })))(
    'on every move of $variant: every part inside the frame, no name over another',
    ({ variant }) => {
      let drawn = 0;
      for (const { at, drawing } of drawings(whole, variant)) {
        drawn++;
        const wrong = wrongWith(drawing);
        if (wrong.length > 0) throw new Error(`${at}: ${wrong.join(', ')}`);
        const hand = drawing.parts.filter((p) => p.look === 'hand').map((p) => p.key);
        expect(hand).not.toEqual([]);
        const named = drawing.labels.map((l) => l.key);
        if (drawing.height > SMALL[0] && !named.some((key) => hand.includes(key)))
          throw new Error(`${at}: no name for what is at hand`);
        if (drawing.height <= SMALL[1] && named.some((key) => !hand.includes(key)))
          throw new Error(`${at}: a name of what is not at hand`);
      }
      expect(drawn).toBeGreaterThan(4);
    },
  );

  test('what comes off, goes on, is set, tightened or measured is shown', () => {
    const kinds: ReadonlySet<string> = new Set(['off', 'place', 'press', 'set', 'read', 'tighten', 'measure']);
    const ops = whole.steps.flatMap((s) => s.ops).filter((o) => kinds.has(o.kind) && !('what' in o && !o.part));
    const axes = axesOf(whole);
    const notShown = ops.filter((o) => {
      const about = aboutOp(whole, o);
      return about === undefined || axisWith(axes, [...about.parts][0]!) === undefined;
    });
    expect(notShown.map((o) => o.id)).toEqual([]);
  });

  test('the line of each name ends on the metal of what it names', () => {
    for (const axis of axesOf(whole)) {
      const drawing = unitDrawing(whole, { axis, view: 'section', width: 630, height: 260, off: new Set() });
      for (const { key, to } of drawing.labels) {
        const part = drawing.parts.find((p) => p.key === key)!;
        const met = { ...drawing, parts: [part] };
        if (partAt(met, [to[0], to[1] + 0.5])?.key !== key)
          throw new Error(`${axis.title}: ${key} at ${to.join(', ')}`);
        // Between the coils of a spring it ends at their height.
        const down = part.pieces.flatMap((p) => distancesDown(p, to[0]));
        expect(down.length === 0 ? part.box.y : Math.min(...down)).toBeCloseTo(to[1], 0);
      }
    }
  });

  test('every part is drawn on some axis', () => {
    const lain = new Set(axesOf(whole).flatMap((a) => partsOfRow(a.row)));
    expect(Object.keys(whole.parts).filter((p) => !lain.has(p))).toEqual([]);
  });

  test('put together, no ring lies in the metal of another', () => {
    for (const axis of axesOf(whole)) {
      const rings = assemble(axis, sizesOf(whole, axis)).filter((s) => SOLID.has(s.sized.kind) && !s.sized.circle);
      for (const [i, a] of rings.entries())
        for (const b of rings.slice(i + 1)) {
          const radial = a.sized.inside < b.sized.outside - 1e-6 && b.sized.inside < a.sized.outside - 1e-6;
          if (radial && a.x < b.x + b.length - 1e-6 && b.x < a.x + a.length - 1e-6 && !carries(a.key, b.key, axis.row))
            throw new Error(`${axis.title}: ${a.key} lies in ${b.key}`);
        }
    }
  });

  test('every part of a drawing is met by a press somewhere on it', () => {
    for (const axis of axesOf(whole))
      for (const view of ['section', 'row'] as const) {
        const drawing = unitDrawing(whole, { axis, view, width: 630, height: 260, off: new Set() });
        const missed = drawing.parts.filter((p) => !spotsOf(p).some((at) => partAt(drawing, at)?.key === p.key));
        if (missed.length > 0) throw new Error(`${axis.title}, ${view}: ${missed.map((p) => p.key).join(', ')}`);
      }
  });

  test('what the sheet measures of a part is drawn so, or fits what it is drawn with', () => {
    const strange = Object.values(whole.measures).flatMap((m) => {
      const asked = m.newSize ?? m.min ?? m.max;
      const axis = axisWith(axesOf(whole), m.part);
      if (m.dimension !== 'length' || !asked || !axis || NOT_DRAWN.has(`${name}: ${m.title}`)) return [];
      const size = inCanonical(asked, 'length');
      const drawn = [...sizesOf(whole, axis).values()].flatMap((s) => [s.inside * 2, s.outside * 2, s.length]);
      const near = drawn.some((d) => Math.abs(d - size) / size < 0.02);
      // Depths of a scratch, run-outs and the like are no sizes of a part.
      return size > SMALLEST && !near ? [`${m.title}, ${size} mm`] : [];
    });
    expect(strange).toEqual([]);
  });

  test('on the manual page every part has its number, and each number its place', () => {
    for (const axis of axesOf(whole)) {
      const asked = { axis, width: 640, height: 250, off: new Set<string>(), numbered: true, view: 'row' } as const;
      const drawing = unitDrawing(whole, asked);
      expect(wrongWith(drawing)).toEqual([]);
      const numbers = new Set(drawing.parts.map((p) => String(p.number)));
      expect(new Set(drawing.labels.map((l) => l.text))).toEqual(numbers);
    }
  });
});
