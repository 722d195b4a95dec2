import type { DrawerStock, JobEvent } from '@jubb/core/bench';
import { inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';
import type { EntityManager } from 'typeorm';
import { DrawerSize } from '../database/entities/drawer.entity.ts';

const NM_PER_MM = 1e6;
const toNm = (q: Quantity): number => Math.round(inCanonical(q, 'length') * NM_PER_MM);

/** The drawers that a sheet's settings draw on, as they are now. */
export async function drawersOf(manager: EntityManager, sheet: Sheet): Promise<Record<string, DrawerStock[]>> {
  const names = [...new Set(Object.values(sheet.settings).flatMap((s) => (s.shims ? [s.shims.drawer] : [])))];
  const out: Record<string, DrawerStock[]> = {};
  for (const drawer of names) {
    const sizes = await manager.getRepository(DrawerSize).find({ where: { drawer }, order: { thicknessNm: 'DESC' } });
    out[drawer] = sizes.map((s) => ({ thickness: { value: s.thicknessNm / NM_PER_MM, unit: 'mm' }, count: s.count }));
  }
  return out;
}

/** Takes the pieces of a fitted pack out of the drawer, and puts those of the pack before it back. */
export async function bookPack(
  manager: EntityManager,
  sheet: Sheet,
  event: Extract<JobEvent, { type: 'pack-fitted' }>,
  before: readonly Quantity[],
): Promise<void> {
  const drawer = sheet.settings[event.payload.setting]?.shims?.drawer;
  if (!drawer) return;
  const move = (piece: Quantity, by: number): Promise<unknown> =>
    manager.query(
      `INSERT INTO drawer_size (drawer, thickness_nm, count) VALUES ($1, $2, GREATEST($3, 0))
       ON CONFLICT (drawer, thickness_nm) DO UPDATE SET count = drawer_size.count + $3`,
      [drawer, toNm(piece), by],
    );
  for (const piece of before) await move(piece, 1);
  for (const piece of event.payload.pieces) await move(piece, -1);
}
