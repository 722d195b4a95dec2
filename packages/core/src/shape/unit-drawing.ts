import { partsOfRow, type Sheet } from '../sheet/index.ts';
import { assemble, type Standing } from './assemble.ts';
import { inARow, looksOf, onTheBench, reachOf, section, type Placed } from './arrange.ts';
import type { Asked, DrawnMate, DrawnPart, Look, UnitDrawing } from './drawing-types.ts';
import { sizesOf } from './figures.ts';
import { labelsOf, marksOf, NAME_SIZE, nameRows, tellsSpans, wordsOf } from './marks.ts';
import { mateOutline, meshesOf, meshReach, type InMesh } from './mesh.ts';
import type { Piece } from './outlines/index.ts';

/** Clear of the frame at both sides, under the names and over what is said below, px. */
const MARGIN = 14;
const UNDER_NAMES = 14;
const BELOW = 34;
const NOTHING_BELOW = 8;

/**
 * The unit drawn from its figures, half-section about one axis: what is on together and hatched, what is at hand apart
 * from it with the way that it goes, what is off in a row in its order and this way round.
 * @param wanted width and height of the frame in px; how the unit stands; what the move is about
 */
export function unitDrawing(sheet: Sheet, wanted: Asked): UnitDrawing {
  const asked = onTheBench({ ...wanted, off: ofTheRow(wanted) });
  const standing = assemble(asked.axis, sizesOf(sheet, asked.axis));
  const looks = looksOf(standing, asked);
  const placed = asked.view === 'row' ? inARow(standing, sheet) : section(standing, looks, asked, sheet);
  const meshes = meshesOf(sheet, placed, looks, asked, wanted.off);
  const frame = frameOf(placed, asked, meshes);
  const numberOf = asked.numbersOf ? numbersIn(asked.numbersOf.parts) : numbers(placed);
  const parts = placed.map((p) => drawnPart(p, sheet, asked, frame, looks, numberOf));
  const labels = labelsOf(parts, asked);
  return {
    width: asked.width,
    height: asked.height,
    top: Math.max(0, Math.min(nameRows(asked).at(-1) ?? 0, ...labels.map((l) => l.y)) - NAME_SIZE - 4),
    axis: { y: frame.y, from: MARGIN / 2, to: asked.width - MARGIN / 2 },
    parts: [...parts].sort((a, b) => depth(a, placed) - depth(b, placed) || areaOf(b) - areaOf(a)),
    mates: meshes.map((m) => drawnMate(m, sheet, placed, frame)),
    labels,
    ...marksOf(parts, placed, asked, frame.y),
    says: wordsOf(parts, asked, (key) => meshes.filter((m) => m.gear === key).map((m) => sheet.parts[m.mate]!.title)),
  };
}

/** What is off of the parts of the axis; the whole unit's may be asked with. */
function ofTheRow({ axis, off }: Asked): ReadonlySet<string> {
  return new Set(partsOfRow(axis.row).filter((p) => off.has(p)));
}

/** From mm to px: where the axis lies, and the scales along it and out from it. */
interface Frame {
  readonly y: number;
  readonly x: (mm: number) => number;
  readonly along: number;
  readonly out: number;
}

function frameOf(placed: readonly Placed[], asked: Asked, meshes: readonly InMesh[]): Frame {
  const { width, height } = asked;
  const left = Math.min(...placed.map((p) => p.x));
  const right = Math.max(...placed.map((p) => p.x + p.standing.length));
  const meshed = new Set(meshes.map((m) => m.gear));
  const reach = Math.max(
    1,
    ...placed.map(({ standing }) =>
      meshed.has(standing.key) ? meshReach(standing.sized.inside, standing.sized.outside) : reachOf(standing),
    ),
  );
  const lowest = nameRows(asked).at(-1);
  const [top, bottom] = [
    (lowest ?? -NAME_SIZE / 2) + UNDER_NAMES,
    height - (tellsSpans(asked) ? BELOW : NOTHING_BELOW),
  ];
  const room = width - 2 * MARGIN;
  const [along, out] = scales(room / Math.max(1, right - left), (bottom - top) / (2 * reach));
  const from = MARGIN + (room - (right - left) * along) / 2;
  return { y: (top + bottom) / 2, x: (mm) => from + (mm - left) * along, along, out };
}

function drawnPart(
  { standing, x }: Placed,
  sheet: Sheet,
  asked: Asked,
  frame: Frame,
  looks: ReadonlyMap<string, Look>,
  numberOf: ReadonlyMap<string, number>,
): DrawnPart {
  const { part } = standing.sized;
  const pieces = bothHalves(standing, x, frame);
  return {
    key: standing.key,
    part,
    title: sheet.parts[part]!.title,
    look: looks.get(standing.key)!,
    guessed: standing.sized.guessed,
    box: boxOf(pieces),
    pieces,
    new: asked.renewed?.has(part) ?? false,
    worn: asked.worn?.has(part) ?? false,
    number: numberOf.get(part)!,
  };
}

function drawnMate({ gear, mate }: InMesh, sheet: Sheet, placed: readonly Placed[], frame: Frame): DrawnMate {
  const { standing, x } = placed.find((p) => p.standing.key === gear)!;
  const { inside, outside } = standing.sized;
  return {
    gear,
    part: mate,
    title: sheet.parts[mate]!.title,
    pieces: inFrame(mateOutline(inside, outside, standing.length), x, frame, 1),
  };
}

/** One scale for both directions where that fits; a long thin unit, or a flat wide one, is drawn fuller than it is. */
function scales(fitX: number, fitY: number): readonly [number, number] {
  const [sx, sy] = [Math.min(fitX, fitY * 3), Math.min(fitY, fitX * 2.6)];
  return [sx, sy];
}

/** A part above and below the axis, px; a key lies in its slot on one side alone. */
function bothHalves(s: Standing, x: number, frame: Frame): readonly Piece[] {
  const upper = inFrame(s.pieces, x, frame, 1);
  return s.sized.kind === 'key' ? upper : [...upper, ...inFrame(s.pieces, x, frame, -1)];
}

/** Pieces in their own mm, px of the frame: above the axis, or in its mirror below. */
function inFrame(pieces: readonly Piece[], x: number, frame: Frame, sign: 1 | -1): readonly Piece[] {
  const scale = Math.min(frame.along, frame.out);
  const at = ([along, r]: readonly [number, number]): [number, number] => [
    frame.x(x + along),
    frame.y - sign * r * frame.out,
  ];
  return pieces.map((p): Piece =>
    p.kind === 'round'
      ? { ...p, at: at(p.at), radius: Math.max(1.5, p.radius * scale) }
      : { ...p, points: p.points.map(at) },
  );
}

function boxOf(pieces: readonly Piece[]): DrawnPart['box'] {
  const xs = pieces.flatMap((p) =>
    p.kind === 'round' ? [p.at[0] - p.radius, p.at[0] + p.radius] : p.points.map((q) => q[0]),
  );
  const ys = pieces.flatMap((p) =>
    p.kind === 'round' ? [p.at[1] - p.radius, p.at[1] + p.radius] : p.points.map((q) => q[1]),
  );
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

/** Of what lies alike the smaller is over the larger, so that neither hides the other. */
const areaOf = (p: DrawnPart): number => p.box.width * p.box.height;

/** Fasteners and rings over what they are in; the part at hand over all. */
function depth(part: DrawnPart, placed: readonly Placed[]): number {
  const { sized } = placed.find((p) => p.standing.key === part.key)!.standing;
  const over = ['bolt', 'o-ring', 'key', 'pin', 'plug'].includes(sized.kind) || sized.circle !== undefined ? 2 : 0;
  const under = ['shaft', 'housing'].includes(sized.kind) ? 0 : 1;
  return (part.look === 'hand' ? 10 : 0) + over + under;
}

/** Parts numbered from left to right, each once. */
function numbers(placed: readonly Placed[]): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  for (const p of [...placed].sort((a, b) => a.x - b.x))
    if (!out.has(p.standing.sized.part)) out.set(p.standing.sized.part, out.size + 1);
  return out;
}

const numbersIn = (parts: readonly DrawnPart[]): ReadonlyMap<string, number> =>
  new Map(parts.map((p) => [p.part, p.number]));
