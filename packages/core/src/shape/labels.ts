/** A name that wants a place above what it names. */
export interface Wanted {
  readonly key: string;
  readonly text: string;
  /** Middle of what it names, and its upper edge, px. */
  readonly x: number;
  readonly top: number;
  /** It is placed before the others, and bold. */
  readonly first: boolean;
}
export interface Label {
  readonly key: string;
  readonly text: string;
  /** Middle of its text, and its baseline, px. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly bold: boolean;
  /** What it names. */
  readonly to: readonly [number, number];
}

/** Width of a text, px: the widest of the face that ships with the application, so that no name is wider than its place. */
export const widthOf = (text: string, size: number, bold: boolean): number => text.length * size * (bold ? 0.58 : 0.54);

/**
 * Places names in rows above a drawing so that none lies over another or outside the frame: the first ones first, then
 * from left to right; a name that finds no place is left out, and stands in the list alone.
 * @param frame left and right limit, px; baselines of the rows, the nearest to the drawing last
 */
export function placeLabels(
  wanted: readonly Wanted[],
  frame: { readonly left: number; readonly right: number; readonly rows: readonly number[]; readonly size: number },
): readonly Label[] {
  const placed: Label[] = [];
  const gap = 10;
  const order = [...wanted].sort((a, b) => Number(b.first) - Number(a.first) || a.x - b.x);
  for (const w of order) {
    const width = widthOf(w.text, frame.size, w.first);
    if (width > frame.right - frame.left) continue;
    const x = Math.min(Math.max(w.x, frame.left + width / 2), frame.right - width / 2);
    const row = frame.rows.find((y) =>
      placed.every(
        (p) =>
          // Neither over another name of its row, nor with its line through a name or the line of a name through it.
          (p.y !== y || Math.abs(p.x - x) >= (p.width + width) / 2 + gap) &&
          (p.y >= y || !(Math.abs(p.to[0] - x) < width / 2 + 3)) &&
          (p.y <= y || !(Math.abs(w.x - p.x) < p.width / 2 + 3)),
      ),
    );
    if (row === undefined) continue;
    placed.push({ key: w.key, text: w.text, x, y: row, width, bold: w.first, to: [w.x, w.top] });
  }
  return placed;
}
