import type { EntityManager } from 'typeorm';
import { Workshop } from '../planning/workshop.entity.ts';
import { Inject, Injectable } from '@nestjs/common';
import { signedText, type HeadSignature } from '@jubb/core/bench/verify';
import { createPrivateKey, createPublicKey, generateKeyPairSync, sign, type KeyObject } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CONFIG, type Config } from '../config/config.ts';

/** The workshop's Ed25519 key: made at first start, kept in the data folder, readable by its owner only. */
@Injectable()
export class SigningService {
  private readonly key: KeyObject;
  readonly publicKey: string;
  /** What signs while the workshop has no name yet. */
  unnamed = 'A workshop';

  constructor(@Inject(CONFIG) config: Config) {
    const folder = join(config.dataDir, 'keys');
    const file = join(folder, 'workshop.pem');
    if (!existsSync(file)) {
      mkdirSync(folder, { recursive: true, mode: 0o700 });
      const { privateKey } = generateKeyPairSync('ed25519');
      writeFileSync(file, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600, flag: 'wx' });
    }
    this.key = createPrivateKey(readFileSync(file));
    // The last 32 bytes of the SPKI form are the raw key (RFC 8410).
    this.publicKey = createPublicKey(this.key).export({ type: 'spki', format: 'der' }).subarray(-32).toString('hex');
    writeFileSync(join(folder, 'workshop.pub'), `${this.publicKey}\n`);
  }

  /** Signs the head of a log, with the workshop's name and the time. */
  sign(job: string, signed: Pick<Required<HeadSignature>, 'seq' | 'head' | 'at' | 'workshop'>): HeadSignature {
    return {
      ...signed,
      signature: sign(null, Buffer.from(signedText(job, signed)), this.key).toString('hex'),
      publicKey: this.publicKey,
    };
  }

  /** What the workshop is called now, or what stands for it while there is none. */
  async workshopName(m: EntityManager): Promise<string> {
    // While the demo is loaded there is no workshop yet.
    return (await m.getRepository(Workshop).findOneBy({ id: 1 }))?.name ?? this.unnamed;
  }
}
