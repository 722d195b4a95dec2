import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A picture kept with a job: decoded, resized and written anew by the server, so that nothing else is in it. */
@Entity('photo')
export class Photo {
  @PrimaryColumn({ type: 'uuid' })
  id: string;

  @Column({ name: 'job_id', type: 'uuid' })
  jobId: string;

  /** JPEG. */
  @Column({ type: 'bytea', select: false })
  bytes: Buffer;

  @Column({ type: 'text' })
  sha256: string;

  @Column({ type: 'int' })
  width: number;

  @Column({ type: 'int' })
  height: number;

  @Column({ name: 'by_name', type: 'text' })
  byName: string;
}
