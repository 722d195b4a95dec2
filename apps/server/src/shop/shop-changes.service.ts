import { Injectable } from '@nestjs/common';
import type { ShopChangeView } from '@jubb/contract';
import { DataSource, type EntityManager } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { ShopChange } from './shop-change.entity.ts';

/** Changes that are shown, the newest. */
const SHOWN = 300;

/** What a setting was and is, in words; null where there was, or is, none. */
export interface Change {
  readonly what: string;
  readonly was?: string | null;
  readonly is?: string | null;
}

/** Who changed which setting of the shop, and when. */
@Injectable()
export class ShopChangesService {
  constructor(private readonly db: DataSource) {}

  /** Writes changes down in the transaction that makes them; what is as it was is no change. */
  async note(manager: EntityManager, by: Pick<Person, 'name'>, changes: readonly Change[]): Promise<void> {
    for (const { what, was = null, is = null } of changes)
      if (was !== is)
        await manager.query(`INSERT INTO shop_change (by_name, what, was, is_now) VALUES ($1, $2, $3, $4)`, [
          by.name,
          what,
          was,
          is,
        ]);
  }

  /** The newest changes, the last one first. */
  async list(): Promise<ShopChangeView[]> {
    const all = await this.db.getRepository(ShopChange).find({ order: { id: 'DESC' }, take: SHOWN });
    return all.map(({ at, byName, what, was, isNow }) => ({ at: at.toISOString(), by: byName, what, was, is: isNow }));
  }
}
