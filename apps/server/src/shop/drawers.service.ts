import { Injectable, NotFoundException } from '@nestjs/common';
import type { DrawerDto, ShopDrawerView } from '@jubb/contract';
import { currentSheet } from '@jubb/core/sheet';
import { DataSource, In, Not, type EntityManager } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { DrawerSize } from '../parts/drawer.entity.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { ShopChangesService } from './shop-changes.service.ts';

const NM_PER_MM = 1e6;
const words = (sizes: readonly { readonly mm: number; readonly count: number }[]): string =>
  sizes.map((s) => `${s.count} × ${s.mm}`).join(', ') || 'empty';

/** The drawers of shims and selectable plates that the sheets draw on: what lies in each, as it was counted. */
@Injectable()
export class DrawersService {
  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetsService,
    private readonly changes: ShopChangesService,
  ) {}

  /** Every drawer that a sheet of the library names, and those that have something in them; the thickest size first. */
  async list(): Promise<ShopDrawerView[]> {
    const users = await this.users();
    const sizes = await this.db.getRepository(DrawerSize).find({ order: { drawer: 'ASC', thicknessNm: 'DESC' } });
    const names = [...new Set([...users.keys(), ...sizes.map((s) => s.drawer)])].sort();
    return names.map((drawer) => ({
      drawer,
      sheets: users.get(drawer) ?? [],
      sizes: sizes.filter((s) => s.drawer === drawer).map((s) => ({ mm: s.thicknessNm / NM_PER_MM, count: s.count })),
    }));
  }

  /** What lies in a drawer by a count: a size that is not named lies there no more. @throws NotFoundException */
  async count(drawer: string, { sizes }: DrawerDto, me: Person): Promise<ShopDrawerView[]> {
    if (!(await this.list()).some((d) => d.drawer === drawer))
      throw new NotFoundException(`No sheet draws on a drawer "${drawer}"`);
    const counted = sizes
      .map(({ mm, count }) => ({ thicknessNm: Math.round(mm * NM_PER_MM), count }))
      .sort((a, b) => b.thicknessNm - a.thicknessNm);
    await this.db.transaction(async (m) => {
      const was = await this.locked(m, drawer);
      await m.getRepository(DrawerSize).delete({ drawer, thicknessNm: Not(In(counted.map((s) => s.thicknessNm))) });
      // The level of a size stays what it was set to.
      await m.getRepository(DrawerSize).upsert(
        counted.map((s) => ({ drawer, ...s })),
        ['drawer', 'thicknessNm'],
      );
      const said = (all: readonly { readonly thicknessNm: number; readonly count: number }[]): string =>
        words(all.map((s) => ({ mm: s.thicknessNm / NM_PER_MM, count: s.count })));
      await this.changes.note(m, me, [{ what: `drawer ${drawer}, counted`, was: said(was), is: said(counted) }]);
    });
    return this.list();
  }

  private locked(m: EntityManager, drawer: string): Promise<DrawerSize[]> {
    return m.getRepository(DrawerSize).find({
      where: { drawer },
      order: { thicknessNm: 'DESC' },
      lock: { mode: 'pessimistic_write' },
    });
  }

  private async users(): Promise<Map<string, string[]>> {
    const users = new Map<string, string[]>();
    for (const { compiled } of await this.sheets.newest()) {
      const { title, settings } = currentSheet(compiled);
      for (const drawer of new Set(Object.values(settings).flatMap((s) => (s.shims ? [s.shims.drawer] : []))))
        users.set(drawer, [...(users.get(drawer) ?? []), title]);
    }
    return users;
  }
}
