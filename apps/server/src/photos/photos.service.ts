import { Injectable, NotFoundException } from '@nestjs/common';
import type { CommandAnswer } from '@jubb/contract';
import { DataSource } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { Photo } from './photo.entity.ts';
import type { picture } from './picture.ts';

/** A picture as it is kept, with what its sender said of it. */
type NewPhoto = Awaited<ReturnType<typeof picture>> & {
  /** The command's id; it is the picture's too. */
  readonly id: string;
  readonly caption: string;
  readonly step?: string;
  readonly seen: number;
};

@Injectable()
export class PhotosService {
  constructor(
    private readonly writer: JobWriter,
    private readonly db: DataSource,
  ) {}

  /** Keeps a picture and says so in the job's log, both or neither. */
  add(job: string, photo: NewPhoto, person: Person): Promise<CommandAnswer> {
    const { id, bytes, sha256, width, height, step, seen } = photo;
    const asker = { person, at: new Date(), device: 'camera' };
    return this.db.transaction(async (m) => {
      await m.query(
        `INSERT INTO photo (id, job_id, bytes, sha256, width, height, by_name)
         SELECT $1, id, $3, $4, $5, $6, $7 FROM job WHERE id = $2 ON CONFLICT (id) DO NOTHING`,
        [id, job, bytes, sha256, width, height, person.name],
      );
      const command = {
        type: 'add-photo',
        photo: id,
        caption: photo.caption.trim(),
        sha256,
        width,
        height,
        ...(step === undefined ? {} : { step }),
      } as const;
      return this.writer.append(m, job, id, command, seen, asker);
    });
  }

  /** @throws NotFoundException */
  async bytes(id: string): Promise<Buffer> {
    const found = await this.db.getRepository(Photo).findOne({ where: { id }, select: { id: true, bytes: true } });
    if (!found) throw new NotFoundException('There is no such picture');
    return found.bytes;
  }
}
