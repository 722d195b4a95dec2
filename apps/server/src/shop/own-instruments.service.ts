import { Injectable, NotFoundException, UnprocessableEntityException } from '@nestjs/common';
import type { OwnInstrumentDto } from '@jubb/contract';
import { ownInstrumentProblem } from '@jubb/core/bench';
import { randomUUID } from 'node:crypto';
import { DataSource, IsNull } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { InstrumentsService } from '../instruments/instruments.service.ts';
import { ShopChangesService } from './shop-changes.service.ts';
import { wrongField } from '../problems/wrong-field.ts';

/** Wrenches, gauges and meters of the shop's own: added, put right, taken off the list. */
@Injectable()
export class OwnInstrumentsService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
    private readonly instruments: InstrumentsService,
  ) {}

  /** @throws UnprocessableEntityException naming the field */
  async add(dto: OwnInstrumentDto, me: Person): Promise<{ readonly id: string }> {
    const row = { id: `own-${randomUUID()}`, simulated: false, ...rowOf(dto) };
    await this.db.transaction(async (m) => {
      await m.getRepository(Instrument).insert(row);
      await this.changes.note(m, me, [{ what: dto.name, is: `on the list: ${said(row)}` }]);
    });
    await this.instruments.follow();
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
    await this.instruments.follow();
  }

  /** Takes one off the list; what was read with it stays in the records. @throws NotFoundException */
  async retire(id: string, me: Person, now: Date): Promise<void> {
    await this.db.transaction(async (m) => {
      const was = await m.getRepository(Instrument).findOneBy({ id, retiredAt: IsNull() });
      if (!was) throw new NotFoundException('There is no such instrument');
      await m.getRepository(Instrument).update(id, { retiredAt: now });
      await this.changes.note(m, me, [{ what: was.name, was: said(was), is: 'off the list' }]);
    });
    await this.instruments.follow();
  }
}

type Row = Pick<
  Instrument,
  'name' | 'kind' | 'number' | 'unit' | 'resolution' | 'uncertainty' | 'readBy' | 'line' | 'calibratedTo' | 'wrench'
>;

/** @throws UnprocessableEntityException naming the field that cannot be */
function rowOf(dto: OwnInstrumentDto): Row {
  const { name, kind, number, unit, resolution, uncertainty, readBy, line, calibratedTo, wrench } = dto;
  const wrong = ownInstrumentProblem(dto);
  if (wrong) throw new UnprocessableEntityException(wrongField(wrong.field, wrong.says));
  return {
    name: name.trim(),
    kind,
    number: number?.trim() || null,
    unit,
    resolution,
    uncertainty: { value: uncertainty, unit },
    readBy,
    line: readBy === 'port' ? (line ?? null) : null,
    calibratedTo: calibratedTo ?? null,
    wrench: kind === 'torque-wrench' && wrench ? { ...wrench, scaleUnit: unit } : null,
  };
}

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
