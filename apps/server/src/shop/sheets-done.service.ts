import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { SheetsService } from '../sheets/sheets.service.ts';
import { ShopChangesService } from './shop-changes.service.ts';

/** Which units the shop takes in. Those that are here already are not touched by it. */
@Injectable()
export class SheetsDoneService {
  constructor(
    private readonly db: DataSource,
    private readonly sheets: SheetsService,
    private readonly changes: ShopChangesService,
  ) {}

  /** @throws NotFoundException for a sheet that there is not */
  async set(sheet: string, done: boolean, me: Person): Promise<void> {
    const { compiled } = await this.sheets.newestOf(sheet);
    await this.db.transaction(async (m) => {
      const [, changed] = await m.query<[unknown, number]>(`DELETE FROM sheet_not_done WHERE sheet = $1`, [sheet]);
      if (!done) await m.query(`INSERT INTO sheet_not_done (sheet) VALUES ($1)`, [sheet]);
      const words = (yes: boolean): string => (yes ? 'taken in' : 'not taken in');
      await this.changes.note(m, me, [{ what: compiled.title, was: words(changed === 0), is: words(done) }]);
    });
  }
}
