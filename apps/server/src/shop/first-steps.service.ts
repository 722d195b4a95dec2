import { Injectable } from '@nestjs/common';
import type { FirstStepView } from '@jubb/contract';
import { DataSource, IsNull } from 'typeorm';
import { AuthService } from '../auth/auth.service.ts';
import { Person } from '../auth/person.entity.ts';
import { FIRST_NAME, FIRST_WORKSHOP } from '../auth/first-owner.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { DrawerSize } from '../parts/drawer.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { ShopChange } from './shop-change.entity.ts';

/** What a new shop has still to do: read from what is there, so that it is left and taken up again at will. */
@Injectable()
export class FirstStepsService {
  constructor(
    private readonly db: DataSource,
    private readonly auth: AuthService,
  ) {}

  async list(): Promise<FirstStepView[]> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    const people = await this.db.getRepository(Person).find({ where: { leftAt: IsNull() } });
    const own = await this.db.getRepository(Instrument).existsBy({ simulated: false, retiredAt: IsNull() });
    const counted = await this.db.getRepository(DrawerSize).count();
    const looked = await this.db
      .getRepository(ShopChange)
      .find({ where: [{ what: 'benches' }, { what: 'shelf' }], take: 1 });
    const booked = await this.db.getRepository(Job).count();
    return [
      { id: 'yourself', done: people.every((p) => p.name !== FIRST_NAME) && !this.auth.hasFirstPin() },
      { id: 'money', done: workshop.name !== FIRST_WORKSHOP },
      { id: 'places', done: looked.length > 0 },
      { id: 'people', done: people.length > 1 },
      { id: 'instruments', done: own },
      { id: 'drawers', done: counted > 0 },
      { id: 'job', done: booked > 0 },
    ];
  }
}
