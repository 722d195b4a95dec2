import { BadRequestException, Injectable, NotFoundException } from '@nestjs/common';
import type { DocumentView } from '@jubb/contract';
import { DataSource } from 'typeorm';
import { SheetDocument } from './document.entity.ts';
import { pdfOrPicture } from '../photos/picture.ts';

@Injectable()
export class DocumentsService {
  constructor(private readonly db: DataSource) {}

  /** The documents attached to a sheet, by the names that its figures use. */
  async list(sheet: string): Promise<DocumentView[]> {
    const found = await this.db.getRepository(SheetDocument).find({ where: { sheet }, order: { name: 'ASC' } });
    return found.map(({ id, name, mime }) => ({ id, name, mime }));
  }

  /** Attaches a PDF or a picture under a name; what had that name before is replaced. */
  async attach(sheet: string, name: string, given: Buffer, byName: string): Promise<DocumentView> {
    const { bytes, mime, sha256 } = await pdfOrPicture(given, 'document');
    const title = name.trim();
    if (title === '')
      throw new BadRequestException({
        message: 'name: it has no name',
        errors: { name: ['The name that the figures use'] },
      });
    const [row] = await this.db.query<{ id: string }[]>(
      `INSERT INTO document (sheet, name, mime, bytes, sha256, by_name) VALUES ($1, $2, $3, $4, $5, $6)
       ON CONFLICT (sheet, lower(name)) DO UPDATE SET mime = $3, bytes = $4, sha256 = $5, by_name = $6, at = now()
       RETURNING id`,
      [sheet, title, mime, bytes, sha256, byName],
    );
    return { id: row!.id, name: title, mime };
  }

  async open(id: string): Promise<SheetDocument> {
    const found = await this.db
      .getRepository(SheetDocument)
      .findOne({ where: { id }, select: { id: true, name: true, mime: true, bytes: true } });
    if (!found) throw new NotFoundException('There is no such document');
    return found;
  }
}
