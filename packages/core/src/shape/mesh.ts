import type { Sheet } from '../sheet/index.ts';
import type { Placed } from './arrange.ts';
import type { Asked, Look } from './drawing-types.ts';
import { toothDepth, type Piece, type Point } from './outlines/index.ts';

/** So much of the gear in mesh shows beyond the teeth, as a share of how thick this one is. */
const SHOWS = 0.3;

/** A gear of the row, and the one of another row that runs in its teeth. */
export interface InMesh {
  readonly gear: string;
  readonly mate: string;
}

/**
 * The gears of a drawing that have the gear of another row in their teeth: both on the unit. A gear by itself on the
 * bench has none.
 * @param off parts of the whole unit that are off it now
 */
export function meshesOf(
  sheet: Sheet,
  placed: readonly Placed[],
  looks: ReadonlyMap<string, Look>,
  asked: Asked,
  off: ReadonlySet<string>,
): readonly InMesh[] {
  if (asked.view === 'row' || asked.hand?.goes !== undefined) return [];
  const inRow = new Set(placed.map((p) => p.standing.sized.part));
  return placed.flatMap(({ standing: { key, sized } }) => {
    if (sized.kind !== 'gear' || looks.get(key) === 'off') return [];
    return (sheet.meshes ?? []).flatMap((pair) => {
      const mate = pair[0] === sized.part ? pair[1] : pair[1] === sized.part ? pair[0] : undefined;
      return mate === undefined || off.has(mate) || inRow.has(mate) ? [] : [{ gear: key, mate }];
    });
  });
}

/** How far out from its axis a gear reaches with what is in mesh with it, mm. */
export const meshReach = (inside: number, outside: number): number => outside + (outside - inside) * SHOWS;

/** What shows of the gear in mesh, above the teeth of this one, in the coordinates of this one: cut off beyond. */
export function mateOutline(inside: number, outside: number, length: number): readonly Piece[] {
  const far = meshReach(inside, outside);
  const low = outside - toothDepth(inside, outside) * 0.1;
  const [from, to] = [length * 0.05, length * 0.95];
  const wave = (far - outside) * 0.16;
  // Where a drawing is broken off its edge is a wave.
  const edge = Array.from({ length: 9 }, (_, i): Point => [to + ((from - to) * i) / 8, far - (i % 2) * wave]);
  return [{ kind: 'area', points: [[from, low], [to, low], ...edge], fill: 'metal-back' }];
}
