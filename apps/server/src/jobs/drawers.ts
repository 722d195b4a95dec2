import { piecesOfDrawer, type BenchState, type DrawerStock } from '@jubb/core/bench';
import { inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';
import type { EntityManager } from 'typeorm';
import { DrawerSize } from '../parts/drawer.entity.ts';

const NM_PER_MM = 1e6;
const toNm = (q: Quantity): number => Math.round(inCanonical(q, 'length') * NM_PER_MM);

/**
 * The drawers that a sheet's settings draw on, as they are now.
 * @param locked for a command that takes pieces out: whoever else wants to waits, and then sees what is left
 */
export async function drawersOf(
  manager: EntityManager,
  sheet: Sheet,
  locked?: 'locked',
): Promise<Record<string, DrawerStock[]>> {
  const names = [...new Set(Object.values(sheet.settings).flatMap((s) => (s.shims ? [s.shims.drawer] : [])))];
  const out: Record<string, DrawerStock[]> = {};
  // In the order of their names: two who want the same drawers never wait for each other.
  for (const drawer of names.sort()) {
    const sizes = await manager.getRepository(DrawerSize).find({
      where: { drawer },
      order: { thicknessNm: 'DESC' },
      ...(locked ? { lock: { mode: 'pessimistic_write' as const } } : {}),
    });
    out[drawer] = sizes.map((s) => ({ thickness: { value: s.thicknessNm / NM_PER_MM, unit: 'mm' }, count: s.count }));
  }
  return out;
}

/** The pieces of the drawer that are in the unit by a state, for each setting. */
function packsIn(sheet: Sheet, state: BenchState): ReadonlyMap<string, readonly Quantity[]> {
  return new Map(Object.keys(sheet.settings).map((id) => [id, piecesOfDrawer(state.settings[id])] as const));
}

/**
 * Brings the drawers to what a command left in the unit: pieces that came out go back, pieces that went in are taken.
 * By what the states say and not by the event, so that a pack taken back is put back too.
 */
export async function bookPacks(
  manager: EntityManager,
  sheet: Sheet,
  before: BenchState,
  after: BenchState,
): Promise<void> {
  const then = packsIn(sheet, before);
  for (const [id, pieces] of packsIn(sheet, after)) {
    const drawer = sheet.settings[id]?.shims?.drawer;
    if (!drawer) continue;
    const change = new Map<number, number>();
    for (const p of then.get(id) ?? []) change.set(toNm(p), (change.get(toNm(p)) ?? 0) + 1);
    for (const p of pieces) change.set(toNm(p), (change.get(toNm(p)) ?? 0) - 1);
    for (const [thicknessNm, by] of change) {
      if (by === 0) continue;
      await manager.query(
        `INSERT INTO drawer_size (drawer, thickness_nm, count) VALUES ($1, $2, GREATEST($3, 0))
         ON CONFLICT (drawer, thickness_nm) DO UPDATE SET count = drawer_size.count + $3`,
        [drawer, thicknessNm, by],
      );
    }
  }
}
