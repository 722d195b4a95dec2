/** What a part looks like in section. */
export const shapeKinds = [
  'ring',
  'seal',
  'o-ring',
  'cone',
  'cup',
  'ball-bearing',
  'roller-bearing',
  'thrust-bearing',
  'shaft',
  'sleeve',
  'spacer',
  'bush',
  'shim',
  'washer',
  'gasket',
  'nut',
  'bolt',
  'disc',
  'plate',
  'gear',
  'pulley',
  'wheel',
  'impeller',
  'spring',
  'housing',
  'cover',
  'circlip',
  'pin',
  'key',
  'ball',
  'plug',
  'piston',
  'winding',
  'boot',
  'pipe',
  'box',
] as const;
export type ShapeKind = (typeof shapeKinds)[number];

/** What lies in a row: a part, or a part with what lies in it or on it. */
export interface Lain {
  readonly part: string;
  /** In their own order; none for a part that carries nothing. */
  readonly carries: readonly Lain[];
}

/** The parts of one axis, in the order in which they would lie in a row on the bench, left to right. */
export interface Axis {
  readonly id: string;
  readonly title: string;
  readonly row: readonly Lain[];
  /** The part that all is built on: what lies left of it comes off to the left. None: all comes off to the right. */
  readonly body?: string;
  /** Its parts do not lie in each other: they are drawn in a row. */
  readonly apart?: boolean;
}

/** Every part of a row, what carries before what it carries. */
export function partsOfRow(row: readonly Lain[]): readonly string[] {
  return row.flatMap((l) => [l.part, ...partsOfRow(l.carries)]);
}
