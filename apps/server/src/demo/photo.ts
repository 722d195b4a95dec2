import type { INestApplicationContext } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { DataSource } from 'typeorm';
import type { Asker } from '../jobs/asker.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { picture } from '../photos/picture.ts';

/** What a camera would have seen, drawn: a case, a pin, a bolt and two punch dots. */
const DRAWN = `<svg xmlns="http://www.w3.org/2000/svg" width="960" height="640">
  <rect width="960" height="640" fill="#4c4a45"/>
  <ellipse cx="480" cy="320" rx="330" ry="250" fill="#8d8a80"/><ellipse cx="480" cy="320" rx="250" ry="180" fill="#35332f"/>
  <rect x="250" y="286" width="460" height="68" fill="#b8b4a6"/><rect x="250" y="286" width="460" height="16" fill="#d9d5c8"/>
  <polygon points="466,232 494,232 508,256 494,280 466,280 452,256" fill="#a48a52"/>
  <circle cx="470" cy="300" r="7" fill="#1d1c1a"/><circle cx="496" cy="300" r="7" fill="#1d1c1a"/>
  <path d="M120 560q120-60 240 0t240 0t240 0" stroke="#2b2a27" stroke-width="26" fill="none" opacity=".5"/>
</svg>`;

/** Keeps a drawn picture with a demo job, the way the camera's come in. */
export async function keepPhoto(
  app: INestApplicationContext,
  job: string,
  photo: { readonly step: string; readonly caption: string },
  asker: Asker,
): Promise<void> {
  const { bytes, sha256, width, height } = await picture(await sharp(Buffer.from(DRAWN)).png().toBuffer(), 'photo');
  const id = randomUUID();
  await app.get(DataSource).transaction(async (m) => {
    await m.query(
      'INSERT INTO photo (id, job_id, bytes, sha256, width, height, by_name) VALUES ($1, $2, $3, $4, $5, $6, $7)',
      [id, job, bytes, sha256, width, height, asker.person.name],
    );
    const command = { type: 'add-photo', photo: id, ...photo, sha256, width, height } as const;
    await app.get(JobWriter).append(m, job, id, command, 0, asker);
  });
}
