import { Injectable, NotFoundException, UnprocessableEntityException } from '@nestjs/common';
import type { OwnInstrumentDto } from '@jubb/contract';
import { couldGive } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { DataSource, IsNull } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { ShopChangesService } from './shop-changes.service.ts';

/** Wrenches, gauges and meters of the shop's own: added, put right, taken off the list. */
@Injectable()
export class OwnInstrumentsService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  /** @throws UnprocessableEntityException naming the field */
  async add(dto: OwnInstrumentDto, me: Person): Promise<{ readonly id: string }> {
    const row = { id: `own-${randomUUID()}`, simulated: false, ...rowOf(dto) };
    await this.db.transaction(async (m) => {
      await m.getRepository(Instrument).insert(row);
      await this.changes.note(m, me, [{ what: dto.name, is: `on the list: ${said(row)}` }]);
    });
    return { id: row.id };
  }

  /** @throws NotFoundException; UnprocessableEntityException naming the field, or for one that is simulated */
  async set(id: string, dto: OwnInstrumentDto, me: Person): Promise<void> {
    const row = rowOf(dto);
    await this.db.transaction(async (m) => {
      const was = await m.getRepository(Instrument).findOneBy({ id, retiredAt: IsNull() });
      if (!was) throw new NotFoundException('There is no such instrument');
      if (was.simulated) throw new UnprocessableEntityException(`${was.name} is simulated: it is as it is`);
      await m.getRepository(Instrument).update(id, row);
      await this.changes.note(m, me, [{ what: was.name, was: said(was), is: said(row) }]);
    });
  }

  /** Takes one off the list; what was read with it stays in the records. @throws NotFoundException */
  async retire(id: string, me: Person, now: Date): Promise<void> {
    await this.db.transaction(async (m) => {
      const was = await m.getRepository(Instrument).findOneBy({ id, retiredAt: IsNull() });
      if (!was) throw new NotFoundException('There is no such instrument');
      await m.getRepository(Instrument).update(id, { retiredAt: now });
      await this.changes.note(m, me, [{ what: was.name, was: said(was), is: 'off the list' }]);
    });
  }
}

type Row = Pick<
  Instrument,
  'name' | 'kind' | 'number' | 'unit' | 'resolution' | 'uncertainty' | 'readBy' | 'calibratedTo' | 'wrench'
>;

const refused = (field: string, says: string): UnprocessableEntityException =>
  new UnprocessableEntityException({ message: `${field}: ${says}`, errors: { [field]: [says] } });

function rowOf(dto: OwnInstrumentDto): Row {
  const { name, kind, number, unit, resolution, uncertainty, readBy, calibratedTo, wrench } = dto;
  if (!isUnitOf(kind, unit)) throw refused('unit', `${unit} is not what a ${kind.replace('-', ' ')} shows`);
  if (calibratedTo !== undefined && !isDay(calibratedTo))
    throw refused('calibratedTo', `${calibratedTo} is no day of the calendar`);
  if (kind === 'torque-wrench' && !wrench)
    throw refused('wrench', 'A torque wrench has a range, a length and a graduation');
  if (wrench && wrench.minNm >= wrench.maxNm) throw refused('wrench', 'Its scale ends above where it begins');
  return {
    name: name.trim(),
    kind,
    number: number?.trim() || null,
    unit,
    resolution,
    uncertainty: { value: uncertainty, unit },
    readBy,
    calibratedTo: calibratedTo ?? null,
    wrench: kind === 'torque-wrench' && wrench ? { ...wrench, scaleUnit: unit } : null,
  };
}

/** A unit of what this kind of instrument gives. */
function isUnitOf(kind: string, unit: string): boolean {
  try {
    return couldGive(kind, { value: 1, unit });
  } catch {
    // A unit that nobody knows is of no dimension.
    return false;
  }
}

const isDay = (day: string): boolean => {
  const at = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day);
};

const said = ({
  number,
  unit,
  resolution,
  calibratedTo,
}: Pick<Row, 'number' | 'unit' | 'resolution' | 'calibratedTo'>): string =>
  [
    number ? `no. ${number}` : 'no number',
    `to ${resolution} ${unit}`,
    calibratedTo ? `calibrated to ${calibratedTo}` : 'not calibrated',
  ].join(', ');
