import { ConflictException, Injectable, NotFoundException } from '@nestjs/common';
import type { CertificateView } from '@jubb/contract';
import { DataSource } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { Instrument } from '../instruments/instrument.entity.ts';
import { pdfOrPicture } from '../photos/picture.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { ShopChangesService } from './shop-changes.service.ts';

const LONGEST_NAME = 120;

/** Certificates of calibration, as files. None is written over: what an instrument was held to then is still there. */
@Injectable()
export class CertificatesService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  /** Of all instruments, the newest first. */
  async list(): Promise<CertificateView[]> {
    const rows = await this.db.query<(Omit<CertificateView, 'at'> & { readonly at: Date })[]>(
      `SELECT id, instrument_id AS instrument, name, mime, by_name AS by, at FROM certificate ORDER BY at DESC, id`,
    );
    return rows.map((r) => ({ ...r, at: r.at.toISOString() }));
  }

  /**
   * Keeps the certificate of an instrument of one's own: a PDF as it came, a picture written anew.
   * @throws BadRequestException for what is neither; ConflictException for a file that is there already
   */
  async keep(instrument: string, file: Buffer, fileName: string, me: Person): Promise<CertificateView[]> {
    const found = await this.db.getRepository(Instrument).findOneBy({ id: instrument });
    if (!found || found.simulated) throw new NotFoundException('There is no such instrument of your own');
    const { bytes, mime, sha256 } = await pdfOrPicture(file, 'certificate');
    await this.db.transaction(async (m) => {
      const kept = await m.query<unknown[]>(
        `INSERT INTO certificate (instrument_id, name, mime, bytes, sha256, by_name) VALUES ($1, $2, $3, $4, $5, $6)
         ON CONFLICT (instrument_id, sha256) DO NOTHING RETURNING id`,
        [instrument, fileName.slice(0, LONGEST_NAME), mime, bytes, sha256, me.name],
      );
      if (kept.length === 0) throw new ConflictException(wrongField('certificate', 'This file is there already'));
      await this.changes.note(m, me, [{ what: `${found.name}: certificate`, is: fileName.slice(0, LONGEST_NAME) }]);
    });
    return this.list();
  }

  async open(id: string): Promise<{ readonly name: string; readonly mime: string; readonly bytes: Buffer }> {
    const [found] = await this.db.query<{ name: string; mime: string; bytes: Buffer }[]>(
      `SELECT name, mime, bytes FROM certificate WHERE id = $1`,
      [id],
    );
    if (!found) throw new NotFoundException('There is no such certificate');
    return found;
  }
}
