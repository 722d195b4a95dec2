import { isMap, isScalar, isSeq, LineCounter, type Document, type Node } from 'yaml';
import type { Path } from '../compile/reader.ts';

/** Line and column, 1-based, of a path in a YAML document; of the nearest parent where the path itself is absent. */
export function positionOf(doc: Document, counter: LineCounter, path: Path): { line: number; column: number } {
  let node: Node | null = doc.contents as Node | null;
  let offset = node?.range?.[0] ?? 0;
  for (const step of path) {
    if (isMap(node)) {
      const pair = node.items.find((p) => isScalar(p.key) && String(p.key.value) === nameOf(step));
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
}

/** The thing as it is written: a copy made by `each` carries its side behind an @. */
function nameOf(step: string | number): string {
  return String(step).replace(/@.*$/, '');
}
