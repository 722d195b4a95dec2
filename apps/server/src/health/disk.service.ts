import { Inject, Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import { statfs } from 'node:fs/promises';
import { CONFIG, type Config } from '../config/config.ts';

const LOOK_MS = 2000;

/**
 * Watches the disk of the data folder. Writing stops while there is still room for the database to go on: one that runs
 * into the end of its disk stops altogether, and then nothing can be read either.
 */
@Injectable()
export class DiskService implements OnModuleInit, OnApplicationShutdown {
  private readonly logger = new Logger('disk');
  private timer: ReturnType<typeof setInterval> | undefined;
  full = false;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  async onModuleInit(): Promise<void> {
    await this.look();
    this.timer = setInterval(() => void this.look(), LOOK_MS);
    this.timer.unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
  }

  /** Looks how much is free now. */
  async look(): Promise<void> {
    let free: number;
    try {
      const { bavail, bsize } = await statfs(this.config.dataDir);
      free = bavail * bsize;
    } catch (e) {
      this.logger.warn(`the disk cannot be looked at: ${(e as Error).message}`);
      return;
    }
    const full = free < this.config.leastFree;
    if (full !== this.full) this.logger.warn(full ? `the disk is full: ${free} bytes free` : 'there is room again');
    this.full = full;
  }
}
