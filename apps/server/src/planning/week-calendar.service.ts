import { Injectable } from '@nestjs/common';
import ical from 'ical-generator';
import { DataSource } from 'typeorm';
import { ShopService } from './shop.service.ts';
import { Workshop } from './workshop.entity.ts';

const MINUTE_MS = 60_000;

@Injectable()
export class WeekCalendarService {
  constructor(
    private readonly db: DataSource,
    private readonly shop: ShopService,
  ) {}

  /** The week in force as an iCalendar file (RFC 5545). */
  async week(): Promise<string> {
    const { problem, inForce, jobs } = await this.shop.view(new Date());
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    const calendar = ical({ name: `${workshop.name}, the week`, prodId: { company: 'Jubb', product: 'plan' } });
    const title = new Map(problem.resources.map((r) => [r.id, r.title]));
    for (const job of problem.jobs)
      for (const a of job.activities) {
        const slot = inForce?.slots[a.id];
        const label = jobs.find((j) => j.id === job.id);
        if (!slot) continue;
        calendar.createEvent({
          id: `plan-${a.id}@jubb`,
          start: new Date(slot.start * MINUTE_MS),
          end: new Date(slot.end * MINUTE_MS),
          summary: `${job.name}: ${a.title}`,
          description: `${label?.title ?? ''}\n${slot.on.map((r) => title.get(r) ?? r).join(', ')}`,
        });
      }
    return calendar.toString();
  }
}
