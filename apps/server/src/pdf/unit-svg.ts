import {
  axesOf,
  axesWith,
  NAME_SIZE,
  unitDrawing,
  type DrawnPart,
  type Piece,
  type UnitDrawing,
} from '@jubb/core/shape';
import type { Sheet } from '@jubb/core/sheet';
import type { Content } from 'pdfmake/interfaces.js';

const INK = '#1d2326';
const QUIET = '#4a5358';
/** On paper worn and new parts are tinted; their heavier line and bold name tell them without the colour. */
const LOOK = { worn: '#d9b4a6', new: '#b9d6cc', plain: '#ffffff' } as const;
const escaped = (s: string): string => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);
const n = (v: number): string => v.toFixed(1);

function piece(p: Piece, part: Partial<Pick<DrawnPart, 'worn' | 'new'>>): string {
  const fill = part.worn
    ? LOOK.worn
    : part.new
      ? LOOK.new
      : p.kind === 'line' || p.fill !== 'rubber'
        ? LOOK.plain
        : QUIET;
  const stroke = `stroke="${INK}" stroke-width="${part.worn || part.new ? 2 : 1.2}"`;
  if (p.kind === 'round')
    return `<circle cx="${n(p.at[0])}" cy="${n(p.at[1])}" r="${n(p.radius)}" fill="${fill}" ${stroke}/>`;
  const points = p.points.map(([x, y]) => `${n(x)},${n(y)}`).join(' ');
  return p.kind === 'area'
    ? `<polygon points="${points}" fill="${fill}" ${stroke}/>`
    : `<polyline points="${points}" fill="none" stroke="${QUIET}" stroke-width="1"/>`;
}

/** A drawing of the unit as SVG for a page: the same geometry as on the bench. */
export function unitSvg(drawing: UnitDrawing): string {
  const { width, height, top, axis } = drawing;
  const names = drawing.labels.map(
    (l) =>
      `<line x1="${n(l.to[0])}" x2="${n(l.to[0])}" y1="${n(l.y + 5)}" y2="${n(Math.max(l.y + 5, l.to[1] - 2))}" stroke="${QUIET}" stroke-width="0.8"/>` +
      `<text x="${n(l.x)}" y="${n(l.y)}" font-size="${NAME_SIZE}" text-anchor="middle"${l.bold ? ' font-weight="bold"' : ''}>${escaped(l.text)}</text>`,
  );
  const mates = drawing.mates.flatMap((m) => m.pieces.map((p) => piece(p, {}))).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 ${top} ${width} ${height - top}"><line x1="${axis.from}" x2="${axis.to}" y1="${n(axis.y)}" y2="${n(axis.y)}" stroke="${QUIET}" stroke-width="1" stroke-dasharray="12 4 3 4"/>${mates}${drawing.parts
    .map((p) => p.pieces.map((q) => piece(q, p)).join(''))
    .join('')}${names.join('')}</svg>`;
}

/** Most figures of a page. */
const MOST_FIGURES = 3;

/** The axes on which parts are worn or new, drawn whole, with these parts marked; the first few, for a page. */
export function markedUnit(
  sheet: Sheet,
  {
    absent,
    ...marked
  }: {
    readonly worn?: ReadonlySet<string>;
    readonly renewed?: ReadonlySet<string>;
    /** Parts that are not on this unit. */
    readonly absent?: ReadonlySet<string>;
  },
): readonly string[] {
  const about = new Set([...(marked.worn ?? []), ...(marked.renewed ?? [])]);
  return axesWith(axesOf(sheet, absent), about)
    .slice(0, MOST_FIGURES)
    .map((axis) =>
      unitSvg(unitDrawing(sheet, { axis, view: 'section', width: 640, height: 210, off: new Set(), ...marked })),
    );
}

/** Figures under a heading; nothing where there are none. */
export const figures = (title: string, svgs: readonly string[]): Content[] =>
  svgs.length === 0
    ? []
    : [
        { text: title, bold: true, fontSize: 12, margin: [0, 10, 0, 2] },
        ...svgs.map((svg): Content => ({ svg, width: 420, margin: [0, 2, 0, 4] })),
      ];
