import { Controller, Get, ServiceUnavailableException } from '@nestjs/common';
import type { HealthView } from '@jubb/contract';
import { DataSource } from 'typeorm';
import { AllowedForAnyone } from '../auth/access.ts';
import { DiskService } from './disk.service.ts';

@Controller('api/health')
export class HealthController {
  constructor(
    private readonly db: DataSource,
    private readonly disk: DiskService,
  ) {}

  /** The process answers; is there room to write? */
  @Get('live')
  @AllowedForAnyone()
  live(): HealthView {
    return { status: 'ok', ...(this.disk.full ? { disk: 'full' } : {}) };
  }

  /** The process can do its work: the database answers. */
  @Get('ready')
  @AllowedForAnyone()
  async ready(): Promise<HealthView> {
    try {
      await this.db.query('SELECT 1');
    } catch {
      throw new ServiceUnavailableException('The database does not answer');
    }
    return this.live();
  }
}
