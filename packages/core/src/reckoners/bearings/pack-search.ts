/** Thickness in whole nanometres, so that sums are exact in millimetres and in thou. */
export interface DrawerSize {
  readonly nm: number;
  readonly count: number;
}
export interface FoundPack {
  /** Sizes, thickest first. */
  readonly pieces: readonly number[];
  readonly totalNm: number;
}

/**
 * Every pack of 1 to `maxPieces` pieces from the drawer, as a visitor: `visit(totalNm, pieces)` with a live array.
 * Sizes are taken thickest first; a branch that can no longer come down to `mostNm` is cut.
 */
function eachPack(
  drawer: readonly DrawerSize[],
  maxPieces: number,
  mostNm: number,
  visit: (totalNm: number, pieces: readonly number[]) => void,
): void {
  const pieces: number[] = [];
  const walk = (from: number, totalNm: number): void => {
    for (let i = from; i < drawer.length; i += 1) {
      const { nm, count } = drawer[i]!;
      let added = 0;
      let total = totalNm;
      while (added < count && pieces.length < maxPieces && total + nm <= mostNm) {
        total += nm;
        added += 1;
        pieces.push(nm);
        visit(total, pieces);
        if (pieces.length < maxPieces) walk(i + 1, total);
      }
      pieces.length -= added;
    }
  };
  walk(0, 0);
}

export interface PackSearch {
  /** Within tolerance: fewest pieces first, then least error, then the thicker pieces. */
  readonly within: readonly FoundPack[];
  readonly under?: FoundPack;
  readonly over?: FoundPack;
}

/**
 * Exact search for packs about `neededNm`. `under` and `over` are the nearest on each side, whether within or not
 * (a pack of exactly the size counts as both).
 * @param listed how many packs within tolerance are kept, best first
 */
export function searchPacks(
  drawer: readonly DrawerSize[],
  neededNm: number,
  toleranceNm: number,
  maxPieces: number,
  listed = Infinity,
): PackSearch {
  const sizes = drawer.filter((d) => d.count > 0).sort((a, b) => b.nm - a.nm);
  const within: FoundPack[] = [];
  let under: FoundPack | undefined;
  let over: FoundPack | undefined;
  const better = (best: FoundPack | undefined, gap: number, pieces: number): boolean => {
    if (!best) return true;
    const bestGap = Math.abs(best.totalNm - neededNm);
    return gap < bestGap || (gap === bestGap && pieces < best.pieces.length);
  };
  const order = (a: FoundPack, gapA: number, b: FoundPack): number =>
    a.pieces.length - b.pieces.length || gapA - Math.abs(b.totalNm - neededNm) || b.pieces[0]! - a.pieces[0]!;
  // Kept in order and no longer than the list: a wide tolerance would let nearly every pack in.
  const keepBest = (list: FoundPack[], pack: FoundPack, gap: number): void => {
    if (list.length >= listed && order(pack, gap, list.at(-1)!) >= 0) return;
    let at = list.length;
    while (at > 0 && order(pack, gap, list[at - 1]!) < 0) at -= 1;
    list.splice(at, 0, { totalNm: pack.totalNm, pieces: [...pack.pieces] });
    if (list.length > listed) list.pop();
  };
  // Anything as thick as the needed pack and one more thickest piece is already over by more than a neighbour is.
  const mostNm = neededNm + Math.max(toleranceNm, sizes[0]?.nm ?? 0);
  eachPack(sizes, maxPieces, mostNm, (totalNm, pieces) => {
    const gap = Math.abs(totalNm - neededNm);
    if (gap <= toleranceNm) keepBest(within, { totalNm, pieces }, gap);
    if (totalNm <= neededNm && better(under, gap, pieces.length)) under = { totalNm, pieces: [...pieces] };
    if (totalNm >= neededNm && better(over, gap, pieces.length)) over = { totalNm, pieces: [...pieces] };
  });
  return { within, under, over };
}
