import { isMap, isScalar, isSeq, LineCounter, type Document, type Node, type Pair, type YAMLMap } from 'yaml';
import type { Path } from '../compile/reader.ts';

/** Line and column, 1-based, of a path in the text. */
export type PositionOf = (path: Path) => { line: number; column: number };

/**
 * Finds paths in a YAML document; of one that is absent, its nearest parent. The keys of each map are gone through once,
 * however many paths are asked for.
 */
export function positionsIn(doc: Document, counter: LineCounter): PositionOf {
  const indexes = new WeakMap<YAMLMap, ReadonlyMap<string, Pair>>();
  const indexOf = (map: YAMLMap): ReadonlyMap<string, Pair> => {
    let index = indexes.get(map);
    if (!index) {
      // The first of two that say the same counts, as it does for a reader.
      index = new Map(map.items.map((p) => [isScalar(p.key) ? String(p.key.value) : '', p] as const).reverse());
      indexes.set(map, index);
    }
    return index;
  };
  return (path) => {
    let node: Node | null = doc.contents;
    let offset = node?.range?.[0] ?? 0;
    for (const step of path) {
      if (isMap(node)) {
        const pair = indexOf(node).get(nameOf(step));
        if (!pair || !isScalar(pair.key)) break;
        offset = pair.key.range?.[0] ?? offset;
        node = pair.value as Node | null;
      } else if (isSeq(node)) {
        node = (node.items[Number(step)] as Node | undefined) ?? null;
        offset = node?.range?.[0] ?? offset;
      } else break;
    }
    const { line, col } = counter.linePos(offset);
    return { line, column: col };
  };
}

/** The thing as it is written: a copy made by `each` carries its side behind an @. */
function nameOf(step: string | number): string {
  return String(step).replace(/@.*$/, '');
}
