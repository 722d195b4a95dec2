import { ConflictException, Injectable, UnprocessableEntityException } from '@nestjs/common';
import type { PlanInForce, TakePlanDto } from '@jubb/contract';
import { planFaults, STALE_PLAN_MIN, type Slot } from '@jubb/core/planning';
import { DataSource } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { HoursService } from './hours.service.ts';
import { ShopService } from './shop.service.ts';

const MINUTE_MS = 60_000;

@Injectable()
export class PlanInForceService {
  constructor(
    private readonly db: DataSource,
    private readonly shop: ShopService,
    private readonly hours: HoursService,
  ) {}

  /**
   * Puts a plan in force, held against the shop once more and against whoever was quicker; with the hours that were agreed on
   * for it, both or neither.
   * @throws UnprocessableEntityException for a plan that is too old or cannot be worked
   * @throws ConflictException when another was put in force meanwhile
   */
  async take(dto: TakePlanDto, me: Person): Promise<PlanInForce> {
    const now = Date.now();
    const age = now / MINUTE_MS - dto.now;
    if (age > STALE_PLAN_MIN || age < -1)
      throw new UnprocessableEntityException(`now: this plan is of ${Math.round(age)} min ago; plan again`);
    const agreed = dto.agreed && this.hours.extraOf(dto.agreed, me);
    await this.hours.known(agreed?.person);
    // As it was when it was planned: what cures meanwhile has less of it left by now.
    const { problem } = await this.shop.view(new Date(dto.now * MINUTE_MS), agreed);
    const slots: Record<string, Slot> = {};
    for (const { activity, start, end, on, place } of dto.slots)
      slots[activity] = { start, end, on, ...(place === undefined ? {} : { place }) };
    const pins = dto.pins.map(({ activity, start, on }) => ({ activity, start, ...(on ? { on } : {}) }));
    const faults = planFaults({ ...problem, pins }, slots);
    if (faults.length > 0)
      throw new UnprocessableEntityException({
        message: `This plan cannot be worked: ${faults.slice(0, 3).join('; ')}`,
        errors: { slots: faults.slice(0, 20) },
      });
    // The agreement and its plan are written together or not at all.
    await this.db.transaction(async (m) => {
      if (agreed) await this.hours.keep(m, agreed);
      const rows = await m.query<unknown[]>(
        `INSERT INTO plan_in_force (version, slots, pins, by_name, at) SELECT 1, $1, $2, $3, now() WHERE $4 = 0
         ON CONFLICT (id) DO NOTHING RETURNING version`,
        [JSON.stringify(slots), JSON.stringify(pins), me.name, dto.version],
      );
      if (rows.length > 0) return;
      const [changed] = await m.query<[unknown[], number]>(
        `UPDATE plan_in_force SET version = version + 1, slots = $1, pins = $2, by_name = $3, at = now()
         WHERE version = $4 RETURNING version`,
        [JSON.stringify(slots), JSON.stringify(pins), me.name, dto.version],
      );
      if (changed.length === 0)
        throw new ConflictException('Somebody else has put a plan in force meanwhile: look at it, and plan again');
    });
    return (await this.shop.inForce())!;
  }
}
