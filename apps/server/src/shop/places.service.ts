import { Injectable, UnprocessableEntityException } from '@nestjs/common';
import type { PlacesDto, ShopPlacesView } from '@jubb/contract';
import { DataSource, Not } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { ShopChangesService } from './shop-changes.service.ts';
import { wrongField } from '../problems/wrong-field.ts';

const named = (list: readonly string[]): string => list.join(', ');
const tidy = (list: readonly string[]): string[] => list.map((p) => p.trim());

/** The benches and the shelf of the shop, and the time zone that it stands in. */
@Injectable()
export class PlacesService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  async view(): Promise<ShopPlacesView> {
    const { places, shelves, zone } = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    return { places, shelves, zone, taken: await this.taken() };
  }

  /** @throws UnprocessableEntityException naming the field: a zone that is none, a bench with a unit on it that would go */
  async set(dto: PlacesDto, me: Person): Promise<ShopPlacesView> {
    const next = { places: tidy(dto.places), shelves: tidy(dto.shelves), zone: dto.zone };
    if (!isZone(next.zone)) throw refused('zone', `"${next.zone}" is no time zone; such as "Europe/London"`);
    const both = next.places.find((p) => next.shelves.includes(p));
    if (both !== undefined)
      throw refused('shelves', `${both} is a bench and a place on the shelf: name one of them anew`);
    const lost = (await this.taken()).filter((p) => !next.places.includes(p) && !next.shelves.includes(p));
    if (lost.length > 0) throw refused('places', `A unit is at ${named(lost)}: move it first`);
    await this.db.transaction(async (m) => {
      const was = await m.getRepository(Workshop).findOneByOrFail({ id: 1 });
      await m.getRepository(Workshop).update({ id: 1 }, next);
      await this.changes.note(m, me, [
        { what: 'benches', was: named(was.places), is: named(next.places) },
        { what: 'shelf', was: named(was.shelves), is: named(next.shelves) },
        { what: 'time zone', was: was.zone, is: next.zone },
      ]);
    });
    return this.view();
  }

  private async taken(): Promise<string[]> {
    const open = await this.db
      .getRepository(Job)
      .find({ where: { stage: Not('handed-over') }, select: { place: true } });
    return [...new Set(open.flatMap((j) => (j.place === null ? [] : [j.place])))].sort();
  }
}

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch (e) {
    if (e instanceof RangeError) return false;
    throw e;
  }
}

const refused = (field: string, says: string): UnprocessableEntityException =>
  new UnprocessableEntityException(wrongField(field, says));
