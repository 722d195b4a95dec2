import { Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { forgetRefusals } from './job-commands.ts';

const EVERY_MS = 6 * 3600_000;

/** Forgets refusals that nobody asks for any more, at the start and every few hours. */
@Injectable()
export class RefusalsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly logger = new Logger('refusals');
  private timer: ReturnType<typeof setInterval> | undefined;
  constructor(private readonly db: DataSource) {}

  onApplicationBootstrap(): void {
    const forget = (): void =>
      void forgetRefusals(this.db).catch((e: Error) => this.logger.warn(`old refusals stay for now: ${e.message}`));
    forget();
    this.timer = setInterval(forget, EVERY_MS);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
  }
}
