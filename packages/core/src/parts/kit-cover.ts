/** A part that is needed, and what all of it costs as single parts; null when it is sold in kits only. */
export interface CoverNeed {
  readonly id: string;
  readonly singleMinor: number | null;
}
export interface CoverKit {
  readonly id: string;
  readonly priceMinor: number;
  readonly covers: readonly string[];
}
export interface KitCover {
  /** Ids of kits to buy, in the order in which they were given. */
  readonly kits: readonly string[];
  readonly singles: readonly string[];
  readonly totalMinor: number;
  /** All of it as single parts; null when some are sold in kits only. */
  readonly singlesMinor: number | null;
  /** In no kit, and without a price of their own: they are in no total. */
  readonly unpriced: readonly string[];
}

interface Column {
  readonly cost: number;
  /** Elements covered, as a bit set of 32-bit words. */
  readonly bits: Uint32Array;
  readonly elements: readonly number[];
  /** Absent for a single part. */
  readonly kit?: string;
}

/**
 * The cheapest way to buy what is needed, of kits and single parts: the weighted set cover problem, solved exactly by
 * branch and bound. The bound is the dual ascent of the linear relaxation (Balas and Ho 1980, in outline): each part is
 * worth at most what the cheapest of its columns still costs. Of equally cheap ways the one with fewer lines is taken.
 * @param needs each part once
 * @throws RangeError for a price that is negative or no whole number of minor units
 */
export function cheapestCover(needs: readonly CoverNeed[], kits: readonly CoverKit[]): KitCover {
  for (const price of [...needs.map((n) => n.singleMinor ?? 0), ...kits.map((k) => k.priceMinor)])
    if (!Number.isSafeInteger(price) || price < 0)
      throw new RangeError(`${price} is no price: whole minor units, from 0`);
  const inKit = new Set(kits.flatMap((k) => k.covers));
  const unpriced = needs.filter((n) => n.singleMinor === null && !inKit.has(n.id)).map((n) => n.id);
  const open = needs.filter((n) => !unpriced.includes(n.id));
  const chosen = solve(open, kits);
  const kitIds = new Set(chosen.flatMap((c) => c.kit ?? []));
  const priced = open.every((n) => n.singleMinor !== null);
  return {
    kits: kits.filter((k) => kitIds.has(k.id)).map((k) => k.id),
    singles: chosen.filter((c) => c.kit === undefined).map((c) => open[c.elements[0]!]!.id),
    totalMinor: chosen.reduce((sum, c) => sum + c.cost, 0),
    singlesMinor: priced ? open.reduce((sum, n) => sum + n.singleMinor!, 0) : null,
    unpriced,
  };
}

function solve(needs: readonly CoverNeed[], kits: readonly CoverKit[]): readonly Column[] {
  const words = Math.max(1, Math.ceil(needs.length / 32));
  const place = new Map(needs.map((n, i) => [n.id, i]));
  const column = (cost: number, elements: readonly number[], kit?: string): Column => {
    const bits = new Uint32Array(words);
    for (const e of elements) bits[e >> 5]! |= 1 << (e & 31);
    return { cost, elements, bits, ...(kit === undefined ? {} : { kit }) };
  };
  const singles = needs.flatMap((n, i) => (n.singleMinor === null ? [] : [column(n.singleMinor, [i])]));
  const boxes = kits
    .map((k) => column(k.priceMinor, [...new Set(k.covers.flatMap((p) => place.get(p) ?? []))], k.id))
    .filter((c) => c.elements.length > 0)
    // A kit that costs no less than its parts one by one is never needed.
    .filter((c) => c.elements.some((e) => needs[e]!.singleMinor === null) || c.cost < singleCost(c, needs));
  return new Search(needs.length, words, withoutDominated([...singles, ...boxes])).best();
}

const singleCost = (c: Column, needs: readonly CoverNeed[]): number =>
  c.elements.reduce((sum, e) => sum + needs[e]!.singleMinor!, 0);

/** Leaves out a column when another covers as much for no more. */
function withoutDominated(columns: readonly Column[]): readonly Column[] {
  return columns.filter(
    (c, i) =>
      !columns.some(
        (d, j) =>
          i !== j &&
          d.bits.every((w, k) => (c.bits[k]! & ~w) === 0) &&
          (d.cost < c.cost || (d.cost === c.cost && (d.elements.length > c.elements.length || j < i))),
      ),
  );
}

/** Depth first over the part with the fewest ways left; a branch ends where its bound shows that it cannot be cheaper. */
class Search {
  private readonly byElement: readonly (readonly number[])[];
  private readonly costs: Float64Array;
  private readonly seen = new Map<string, number>();
  private bestCost = Number.POSITIVE_INFINITY;
  private bestColumns: readonly number[] = [];

  constructor(
    count: number,
    private readonly words: number,
    private readonly columns: readonly Column[],
  ) {
    this.costs = Float64Array.from(columns, (c) => c.cost);
    this.byElement = Array.from({ length: count }, (_, e) =>
      columns.flatMap((c, i) => (c.elements.includes(e) ? [i] : [])),
    );
  }

  best(): readonly Column[] {
    const all = new Uint32Array(this.words);
    this.byElement.forEach((_, e) => (all[e >> 5]! |= 1 << (e & 31)));
    this.greedy(all);
    this.branch(all, 0, []);
    return [...this.bestColumns].sort((a, b) => a - b).map((i) => this.columns[i]!);
  }

  /** A first answer: again and again the column that costs least for each part it newly covers. */
  private greedy(all: Uint32Array): void {
    const left = all.slice();
    const chosen: number[] = [];
    let cost = 0;
    while (left.some((w) => w !== 0)) {
      let [at, least] = [-1, Number.POSITIVE_INFINITY];
      this.columns.forEach((c, i) => {
        const fresh = c.elements.filter((e) => left[e >> 5]! & (1 << (e & 31))).length;
        if (fresh > 0 && c.cost / fresh < least) [at, least] = [i, c.cost / fresh];
      });
      const c = this.columns[at]!;
      chosen.push(at);
      cost += c.cost;
      c.bits.forEach((w, k) => (left[k]! &= ~w));
    }
    this.offer(cost, chosen);
  }

  private offer(cost: number, chosen: readonly number[]): void {
    if (cost > this.bestCost || (cost === this.bestCost && chosen.length >= this.bestColumns.length)) return;
    this.bestCost = cost;
    this.bestColumns = [...chosen];
  }

  private branch(left: Uint32Array, cost: number, chosen: readonly number[]): void {
    const uncovered = this.elementsOf(left);
    if (uncovered.length === 0) return this.offer(cost, chosen);
    const key = left.join();
    // A line more is worth less than a minor unit: it only breaks ties.
    const reached = cost + chosen.length * 1e-6;
    if ((this.seen.get(key) ?? Number.POSITIVE_INFINITY) <= reached) return;
    this.seen.set(key, reached);
    uncovered.sort((a, b) => this.byElement[a]!.length - this.byElement[b]!.length);
    const { worth, residual } = this.dual(uncovered);
    const hopeless = (bound: number): boolean =>
      bound > this.bestCost || (bound === this.bestCost && chosen.length + 1 >= this.bestColumns.length);
    if (hopeless(cost + worth)) return;
    const fresh = (i: number): number =>
      this.columns[i]!.elements.filter((e) => left[e >> 5]! & (1 << (e & 31))).length;
    const ways = [...this.byElement[uncovered[0]!]!].sort(
      (a, b) => this.columns[a]!.cost / fresh(a) - this.columns[b]!.cost / fresh(b),
    );
    for (const i of ways) {
      // Taking a column costs what its parts are worth, and its residual on top (reduced cost).
      if (hopeless(cost + worth + residual[i]!)) continue;
      const next = left.slice();
      this.columns[i]!.bits.forEach((w, k) => (next[k]! &= ~w));
      this.branch(next, cost + this.columns[i]!.cost, [...chosen, i]);
    }
  }

  /** A lower bound on covering these elements: worths that no column's elements together exceed, and what each leaves. */
  private dual(uncovered: readonly number[]): { readonly worth: number; readonly residual: Float64Array } {
    const residual = this.costs.slice();
    let worth = 0;
    for (const e of uncovered) {
      const ways = this.byElement[e]!;
      let least = Number.POSITIVE_INFINITY;
      for (const i of ways) if (residual[i]! < least) least = residual[i]!;
      worth += least;
      for (const i of ways) residual[i]! -= least;
    }
    return { worth, residual };
  }

  private elementsOf(bits: Uint32Array): number[] {
    const out: number[] = [];
    for (let e = 0; e < this.byElement.length; e += 1) if (bits[e >> 5]! & (1 << (e & 31))) out.push(e);
    return out;
  }
}
