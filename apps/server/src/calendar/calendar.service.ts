import { Injectable, NotFoundException } from '@nestjs/common';
import { followUpDay, followUpWords } from '@jubb/core/sheet';
import { lookAgainDay, timersRunning } from '@jubb/core/bench';
import ical, { ICalEventStatus } from 'ical-generator';
import { randomBytes } from 'node:crypto';
import { DataSource, Not } from 'typeorm';
import { Job } from '../jobs/job.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { JobLog } from '../jobs/job-log.ts';
import { UnitsService } from '../units/units.service.ts';

const MINUTE_MS = 60_000;
/** Visits that are over and may still say when to look again. */
const LATEST_VISITS = 200;

/** Promises, cures and deferrals as a calendar under a private address. */
@Injectable()
export class CalendarService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly units: UnitsService,
  ) {}

  async token(): Promise<string | null> {
    return (await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 })).calendarToken;
  }

  /** Makes a new private address; the one before stops working. */
  async renew(): Promise<string> {
    const token = randomBytes(24).toString('base64url');
    await this.db.getRepository(Workshop).update({ id: 1 }, { calendarToken: token });
    return token;
  }

  async revoke(): Promise<void> {
    await this.db.getRepository(Workshop).update({ id: 1 }, { calendarToken: null });
  }

  /** @throws NotFoundException for an address that is not, or no longer, in force */
  async feed(token: string, base: string): Promise<string> {
    const workshop = await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 });
    if (workshop.calendarToken === null || token !== workshop.calendarToken)
      throw new NotFoundException('There is no such calendar');
    const calendar = ical({ name: workshop.name, prodId: { company: 'Jubb', product: 'workshop' } });
    const open = await this.db.getRepository(Job).find({ where: { stage: Not('handed-over') } });
    for (const { job, state } of await this.log.loadAll(open)) {
      const what = `Job ${job.number}: ${job.title}, ${job.unit.serial}`;
      const url = `${base}/job/${job.id}`;
      if (job.deliveryDate)
        calendar.createEvent({
          id: `promise-${job.id}@jubb`,
          start: job.deliveryDate,
          end: new Date(job.deliveryDate.getTime() + 30 * MINUTE_MS),
          summary: `Promised: ${job.title} to ${job.customer.name}`,
          description: what,
          url,
          status: ICalEventStatus.CONFIRMED,
        });
      for (const t of timersRunning(state))
        calendar.createEvent({
          id: `timer-${t.id}@jubb`,
          start: new Date(t.at),
          end: new Date(t.due),
          summary: `${t.title}, job ${job.number}`,
          description: what,
          url,
        });
    }
    const over = await this.db
      .getRepository(Job)
      .find({ where: { stage: 'handed-over' }, order: { number: 'DESC' }, take: LATEST_VISITS });
    for (const job of over) {
      const visit = (await this.units.visits(job.unitId)).find((v) => v.jobId === job.id);
      if (!visit) continue;
      const left = new Date(visit.left ?? job.updatedAt);
      const again = [
        ...visit.deferrals.map((d) => ({
          id: d.part,
          title: d.title,
          when: `${d.again ?? ''} ${d.words}`,
          says: d.words,
        })),
        ...visit.lookAgain.map((words, i) => ({ id: `sheet-${i}`, title: words, when: words, says: words })),
      ];
      const runs = job.unit.hoursPerWeek ?? undefined;
      const due = [
        ...again.map((a) => ({ ...a, day: lookAgainDay(a.when, left, runs) })),
        ...visit.followUps.map((f, i) => ({
          id: `follow-up-${i}`,
          title: f.do,
          says: followUpWords(f),
          day: followUpDay(f, left, runs),
        })),
      ];
      for (const { id, title, says, day } of due) {
        if (day)
          calendar.createEvent({
            id: `deferral-${job.id}-${id}@jubb`,
            start: day,
            allDay: true,
            summary: `Look again: ${title}, ${job.title} of ${job.customer.name}`,
            description: `${says}. From job ${job.number}`,
            url: `${base}/unit/${job.unitId}`,
          });
      }
    }
    return calendar.toString();
  }
}
