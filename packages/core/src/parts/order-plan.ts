import { coverOf, type BenchState, type OrderedLine } from '../bench/index.ts';
import type { Kit, Sheet } from '../sheet/index.ts';
import { cheapestCover } from './kit-cover.ts';
import { neededParts, type PartNeed } from './needs.ts';
import { newestNumber } from './supersessions.ts';

/** A number as a supplier lists it. */
export interface CatalogueItem {
  readonly number: string;
  readonly title: string;
  readonly priceMinor: number;
  readonly supplier: string;
  readonly supersededBy?: string;
}
/** What the desk knows when it makes a list: prices and supersessions, and what lies in the shop's own drawers. */
export interface PartsShelf {
  readonly catalogue: ReadonlyMap<string, CatalogueItem>;
  /** Number → how many lie in the drawer. */
  readonly stock: ReadonlyMap<string, number>;
}
/** How the list is made: the cheapest cover, single parts only, or every kit that covers something. */
export const buyingWays = ['cheapest', 'singles', 'kits'] as const;
export type BuyingWay = (typeof buyingWays)[number];

/** A line of the list: an order line before it has its id. */
export type PlanLine = Omit<OrderedLine, 'line'>;
export interface OrderPlan {
  readonly needs: readonly PartNeed[];
  readonly lines: readonly PlanLine[];
  /** Needed, and there is no number to order: the sheet names none. */
  readonly nameless: readonly PartNeed[];
  /** Needed, and how many is not known yet. */
  readonly uncounted: readonly PartNeed[];
  readonly totalMinor: number;
  /** The same as single parts; null when some are sold in kits only. */
  readonly singlesMinor: number | null;
}

/** Who is asked for a number that no list names. */
const NOBODY = 'no supplier';

/**
 * What the job needs and has not ordered: what no live line brings, what was missing from a kit that came, the rest of what is
 * ordered in part. What is fitted new already is not needed, whoever bought it.
 */
export function openNeeds(sheet: Sheet, state: BenchState): readonly PartNeed[] {
  const cover = coverOf(state);
  return neededParts(sheet, state).flatMap((need): PartNeed[] => {
    const { whole, share } = cover.get(need.part) ?? {};
    if (whole || state.renewed[need.part] !== undefined) return [];
    if (!share) return [need];
    const rest = need.count - share.count;
    return rest > 0 ? [{ ...need, count: rest, ordered: share.count }] : [];
  });
}

/**
 * The list that makes itself: what the job needs and has not ordered, numbers followed to the newest, the drawer first,
 * then kits and singles as `way` says. Money in minor units.
 */
export function orderPlan(sheet: Sheet, state: BenchState, shelf: PartsShelf, way: BuyingWay = 'cheapest'): OrderPlan {
  const open = openNeeds(sheet, state);
  const nameless = open.filter((n) => n.number === undefined && !inAKit(sheet, n.part));
  const uncounted = open.filter((n) => n.count === 0);
  const stock = new Map(shelf.stock);
  const lines: PlanLine[] = [];
  const toBuy: PartNeed[] = [];
  for (const need of open) {
    if (nameless.includes(need) || uncounted.includes(need)) continue;
    const found = need.number === undefined ? undefined : lookUp(shelf, need.number);
    const lying = found ? (stock.get(found.number) ?? 0) : 0;
    if (found && lying >= need.count) {
      stock.set(found.number, lying - need.count);
      lines.push({ ...lineOf(found, need), supplier: 'drawer', from: 'drawer' });
    } else toBuy.push(need);
  }
  const kits = Object.values(sheet.kits);
  const price = (n: PartNeed): number | null => {
    const each = n.number === undefined ? undefined : (lookUp(shelf, n.number).item?.priceMinor ?? n.priceMinor);
    return each === undefined ? null : each * n.count;
  };
  const singles = toBuy.map((n) => ({ id: n.part, singleMinor: price(n) }));
  const boxes = kits.map((k) => ({ id: k.id, priceMinor: kitPrice(shelf, k), covers: k.covers }));
  const priced = boxes.flatMap((k) => (k.priceMinor === undefined ? [] : [{ ...k, priceMinor: k.priceMinor }]));
  const offered =
    way === 'singles'
      ? []
      : way === 'kits'
        ? priced.map((k) => ({ ...k, priceMinor: 0 })) // Whatever a kit costs, it is preferred.
        : priced;
  const cover = cheapestCover(singles, offered);
  for (const id of cover.kits) {
    const kit = sheet.kits[id]!;
    const parts = kit.covers.filter((p) => toBuy.some((n) => n.part === p));
    const found = lookUp(shelf, kit.order);
    lines.push({
      number: found.number,
      title: kit.title,
      count: 1,
      priceMinor: kitPrice(shelf, kit) ?? null,
      supplier: found.item?.supplier ?? NOBODY,
      parts,
      kit: true,
      from: 'supplier',
      ...(found.number === kit.order ? {} : { instead: kit.order }),
    });
  }
  for (const id of [...cover.singles, ...cover.unpriced]) {
    const need = toBuy.find((n) => n.part === id)!;
    if (need.number === undefined) continue;
    lines.push(lineOf(lookUp(shelf, need.number), need));
  }
  const bought = lines.filter((l) => l.from === 'supplier');
  return {
    needs: open,
    lines,
    nameless,
    uncounted,
    totalMinor: bought.reduce((sum, l) => sum + (l.priceMinor ?? 0) * l.count, 0),
    singlesMinor: cover.singlesMinor,
  };
}

interface Found {
  readonly asked: string;
  readonly number: string;
  readonly item: CatalogueItem | undefined;
}

function lookUp(shelf: PartsShelf, asked: string): Found {
  const newer = new Map<string, string>();
  for (const item of shelf.catalogue.values()) if (item.supersededBy) newer.set(item.number, item.supersededBy);
  const number = newestNumber(asked, newer).at(-1)!;
  return { asked, number, item: shelf.catalogue.get(number) };
}

function lineOf({ asked, number, item }: Found, need: PartNeed): PlanLine {
  return {
    number,
    title: need.title,
    count: need.count,
    priceMinor: item?.priceMinor ?? need.priceMinor ?? null,
    supplier: item?.supplier ?? NOBODY,
    parts: [need.part],
    kit: false,
    from: 'supplier',
    ...(need.ordered === undefined ? {} : { needed: need.ordered + need.count }),
    ...(number === asked ? {} : { instead: asked }),
  };
}

const kitPrice = (shelf: PartsShelf, kit: Kit): number | undefined =>
  lookUp(shelf, kit.order).item?.priceMinor ?? kit.priceMinor;
const inAKit = (sheet: Sheet, part: string): boolean => Object.values(sheet.kits).some((k) => k.covers.includes(part));
