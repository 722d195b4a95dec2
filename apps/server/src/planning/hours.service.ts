import { Injectable, NotFoundException, UnprocessableEntityException } from '@nestjs/common';
import type { ExtraHours, ExtraHoursDto, ShopHoursDto } from '@jubb/contract';
import { LONGEST_EXTRA_H, PlanError, workCalendar } from '@jubb/core/planning';
import { randomUUID } from 'node:crypto';
import { DataSource, type EntityManager } from 'typeorm';
import { Person } from '../auth/person.entity.ts';
import { Job } from '../jobs/job.entity.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { Workshop } from './workshop.entity.ts';

const MINUTE_MS = 60_000;

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const hoursWords = (hours: Workshop['hours']): string =>
  hours.map((day, i) => `${DAYS[i]} ${day.map(([from, to]) => `${from} to ${to}`).join(', ') || 'shut'}`).join('; ');
const toolWords = (tools: Workshop['tools']): string => tools.map((t) => `${t.capacity} × ${t.title}`).join(', ');

/** When the shop is open, who is off, which hours were agreed on beside the usual ones, and how much a late minute counts. */
@Injectable()
export class HoursService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  async dayOff(day: string, person: string | null): Promise<void> {
    await this.known(person);
    await this.db.query(`INSERT INTO day_off (day, person) VALUES ($1, $2) ON CONFLICT DO NOTHING`, [day, person]);
  }

  async dayOn(day: string, person: string | null): Promise<void> {
    await this.db.query(`DELETE FROM day_off WHERE day = $1 AND person IS NOT DISTINCT FROM $2`, [day, person]);
  }

  /** Agrees on hours beside the usual ones. @returns their id */
  async agree(dto: ExtraHoursDto, me: Person): Promise<string> {
    const extra = this.extraOf(dto, me);
    await this.known(extra.person);
    await this.keep(this.db.manager, extra);
    return extra.id;
  }

  async disagree(id: string): Promise<void> {
    await this.db.query(`DELETE FROM extra_hours WHERE id = $1`, [id]);
  }

  /** How much a late minute of a job counts. @throws NotFoundException */
  async weigh(id: string, weight: number): Promise<void> {
    const { affected } = await this.db.getRepository(Job).update({ id }, { weight });
    if (!affected) throw new NotFoundException('There is no such job');
  }

  /** Opening hours of a week, and how many there are of each tool. @throws UnprocessableEntityException naming the field */
  async setShop(dto: ShopHoursDto, me: Person): Promise<void> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    try {
      workCalendar('shop', dto.hours, workshop.zone, 0, 8);
    } catch (e) {
      if (!(e instanceof PlanError)) throw e;
      throw new UnprocessableEntityException({ message: e.message, errors: { [e.field]: [e.message] } });
    }
    if (dto.hours.every((day) => day.length === 0))
      throw new UnprocessableEntityException({
        message: 'hours: the workshop is never open',
        errors: { hours: ['Open on one day at least'] },
      });
    const known = new Map(dto.tools.map((t) => [t.id, t.capacity]));
    const tools = workshop.tools.map((t) => ({ ...t, capacity: known.get(t.id) ?? t.capacity }));
    await this.db.transaction(async (m) => {
      await m.getRepository(Workshop).update({ id: 1 }, { hours: dto.hours, tools });
      await this.changes.note(m, me, [
        { what: 'opening hours', was: hoursWords(workshop.hours), is: hoursWords(dto.hours) },
        { what: 'tools', was: toolWords(workshop.tools), is: toolWords(tools) },
      ]);
    });
  }

  /** @throws UnprocessableEntityException for a person that there is not; nobody in particular is always known */
  async known(person: string | null | undefined): Promise<void> {
    if (!person || (await this.db.getRepository(Person).existsBy({ id: person }))) return;
    throw new UnprocessableEntityException({
      message: 'person: there is no such person',
      errors: { person: ['There is no such person'] },
    });
  }

  /** Hours as they are agreed on by somebody. @throws UnprocessableEntityException when they run backwards or too long */
  extraOf({ from, to, helper, person }: ExtraHoursDto, me: Person): ExtraHours {
    const hours = (to - from) / 60;
    if (hours <= 0 || hours > LONGEST_EXTRA_H)
      throw new UnprocessableEntityException({
        message: `to: ${hours.toFixed(1)} h; more than nothing and at most ${LONGEST_EXTRA_H} h`,
        errors: { to: [`More than nothing, at most ${LONGEST_EXTRA_H} h`] },
      });
    return { id: randomUUID(), from, to, helper, person: helper ? null : (person ?? null), by: me.name };
  }

  async keep(m: EntityManager, { id, from, to, helper, person, by }: ExtraHours): Promise<void> {
    await m.query(
      `INSERT INTO extra_hours (id, starts, ends, helper, person, by_name) VALUES ($1, $2, $3, $4, $5, $6)`,
      [id, new Date(from * MINUTE_MS), new Date(to * MINUTE_MS), helper, person, by],
    );
  }
}
