import { librarySheet } from '../bench/bench.fixtures.ts';
import type { Sheet } from '../sheet/index.ts';
import { assemble, axesOf, sizesOf, type Piece, type Standing } from './index.ts';

export const hub = librarySheet('hub-dolly');
export const spindle = axesOf(hub)[0]!;
/** The parts of an axis put together; of the first one where it is not said which. */
export const standing = (sheet: Sheet, axis = axesOf(sheet)[0]!): readonly Standing[] =>
  assemble(axis, sizesOf(sheet, axis));
export const of = (all: readonly Standing[], key: string): Standing => all.find((s) => s.key === key)!;
/** Furthest out that a drawn piece reaches at its left and at its right end. */
export function ends(pieces: readonly Piece[]): { readonly left: number; readonly right: number } {
  const points = pieces.flatMap((p) => (p.kind === 'round' ? [] : p.points));
  const [from, to] = [Math.min(...points.map((p) => p[0])), Math.max(...points.map((p) => p[0]))];
  const reach = (at: number): number =>
    Math.max(...points.filter((p) => Math.abs(p[0] - at) < (to - from) * 0.2).map((p) => p[1]));
  return { left: reach(from), right: reach(to) };
}
