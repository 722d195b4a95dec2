import { Controller, Get, ServiceUnavailableException } from '@nestjs/common';
import { HealthCheckService, TypeOrmHealthIndicator } from '@nestjs/terminus';
import type { HealthView } from '@jubb/contract';
import { AllowedForAnyone } from '../auth/access.ts';
import { DiskService } from './disk.service.ts';

/** A database that takes longer is away for whoever asks. */
const DATABASE_MS = 3000;

@Controller('api/health')
export class HealthController {
  constructor(
    private readonly health: HealthCheckService,
    private readonly database: TypeOrmHealthIndicator,
    private readonly disk: DiskService,
  ) {}

  /** The process answers; is there room to write? */
  @Get('live')
  @AllowedForAnyone()
  async live(): Promise<HealthView> {
    // As it is now: the database may have met the end of its disk since it was looked at last.
    await this.disk.look();
    return { status: 'ok', ...(this.disk.full ? { disk: 'full' } : {}) };
  }

  /** The process can do its work: the database answers. */
  @Get('ready')
  @AllowedForAnyone()
  async ready(): Promise<HealthView> {
    try {
      await this.health.check([() => this.database.pingCheck('database', { timeout: DATABASE_MS })]);
    } catch (e) {
      // As every other refusal: problem details, and not a form of its own.
      if (e instanceof ServiceUnavailableException)
        throw new ServiceUnavailableException('The database does not answer');
      throw e;
    }
    return this.live();
  }
}
