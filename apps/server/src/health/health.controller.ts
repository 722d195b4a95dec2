import { Controller, Get, ServiceUnavailableException } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { AllowedForAnyone } from '../auth/access.ts';

@Controller('api/health')
export class HealthController {
  constructor(private readonly db: DataSource) {}

  /** The process answers. */
  @Get('live')
  @AllowedForAnyone()
  live(): { status: 'ok' } {
    return { status: 'ok' };
  }

  /** The process can do its work: the database answers. */
  @Get('ready')
  @AllowedForAnyone()
  async ready(): Promise<{ status: 'ok' }> {
    try {
      await this.db.query('SELECT 1');
    } catch {
      throw new ServiceUnavailableException('The database does not answer');
    }
    return { status: 'ok' };
  }
}
