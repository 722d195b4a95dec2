import { partsOfRow, type Axis, type Lain, type ShapeKind, type Sheet } from '../sheet/index.ts';
import { givenSizes } from './given-sizes.ts';
import { guessedSizes, type InRow } from './guessed-sizes.ts';
import { kindOf } from './kinds.ts';

/** A part with its sizes in mm, and which of them nobody gave. */
export interface Sized {
  readonly part: string;
  readonly kind: ShapeKind;
  readonly count: number;
  /** Radii and length, mm. */
  readonly inside: number;
  readonly outside: number;
  readonly length: number;
  /** Radius of the circle that it stands on, mm: bolts round a cover. */
  readonly circle?: number;
  /** Only its inner part is drawn. */
  readonly cut?: boolean;
  /** A size of it is guessed from its neighbours. */
  readonly guessed: boolean;
  readonly lengthGiven: boolean;
  readonly outsideGiven: boolean;
  /** Hollow on one side. */
  readonly dished: boolean;
  /** Which way its lip, wide end, hollow or head points along the axis. */
  readonly points?: 'left' | 'right';
}

/**
 * The sizes of all parts of an axis: what the sheet gives, and the rest guessed from the nearest part of the row that
 * has the figure.
 */
export function sizesOf(sheet: Sheet, axis: Axis): ReadonlyMap<string, Sized> {
  const order = [...new Set(partsOfRow(axis.row))].filter((id) => sheet.parts[id]);
  const carried = carriedIn(axis.row);
  const row = order.map((id): InRow => {
    const part = sheet.parts[id]!;
    const kind = kindOf(part);
    return { kind, given: givenSizes(sheet, part, kind), carried: carried.has(id) };
  });
  const sized = new Map(
    order.map((id, i): [string, Sized] => {
      const part = sheet.parts[id]!;
      const { kind, given } = row[i]!;
      const is: Sized = {
        part: id,
        kind,
        count: part.count,
        ...guessedSizes(row, i),
        ...(given.circle === undefined ? {} : { circle: given.circle }),
        guessed: given.length === undefined || (given.outside === undefined && given.inside === undefined),
        lengthGiven: given.length !== undefined,
        outsideGiven: given.outside !== undefined,
        dished: (kind === 'washer' || kind === 'spring') && /hollow|cup outward|cup to/.test(part.goes ?? ''),
        ...(part.points ? { points: part.points } : {}),
      };
      return [id, is];
    }),
  );
  standRound(order, sized);
  cutWheels(sized);
  return sized;
}

/** A wheel this much wider than all else of its axis is cut off, and then it reaches so far. */
const CUT_FROM = 1.7;
const CUT_AT = 1.35;

/** A tyre would leave the hub in the middle of it too small to see: of a wheel that is much wider only the inner part is drawn. */
function cutWheels(sized: Map<string, Sized>): void {
  const others = [...sized.values()].filter((s) => s.kind !== 'wheel' && s.circle === undefined);
  const widest = Math.max(0, ...others.map((s) => s.outside));
  for (const [id, s] of sized)
    if (s.kind === 'wheel' && widest > 0 && s.outside > widest * CUT_FROM && s.inside < widest)
      sized.set(id, { ...s, outside: widest * CUT_AT, cut: true });
}

/** Several fasteners stand round the axis, not on it: without a circle, near the rim of what is beside them. */
function standRound(order: readonly string[], sized: Map<string, Sized>): void {
  order.forEach((id, i) => {
    const s = sized.get(id)!;
    if ((s.kind !== 'bolt' && s.kind !== 'nut') || s.count < 2 || s.circle !== undefined) return;
    const rim = nearestRim(order, sized, i);
    if (rim !== undefined) sized.set(id, { ...s, circle: Math.max(rim * 0.88, s.outside * 1.2), guessed: true });
  });
}

const RIMS: ReadonlySet<ShapeKind> = new Set(['cover', 'disc', 'housing', 'wheel', 'plate', 'gasket']);
function nearestRim(order: readonly string[], sized: ReadonlyMap<string, Sized>, at: number): number | undefined {
  for (let d = 1; d < order.length; d++)
    for (const i of [at - d, at + d]) {
      const beside = sized.get(order[i] ?? '');
      if (beside && RIMS.has(beside.kind)) return beside.outside;
    }
  return undefined;
}

/** The parts that lie in or on another. */
function carriedIn(row: readonly Lain[], by = false, out = new Set<string>()): ReadonlySet<string> {
  for (const lain of row) {
    if (by) out.add(lain.part);
    carriedIn(lain.carries, true, out);
  }
  return out;
}
