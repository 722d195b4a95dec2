import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Put, StreamableFile } from '@nestjs/common';
import { NightlyDto, type BackupsView, type BackupView } from '@jubb/contract';
import { AllowedFor, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { BackupService } from './backup.service.ts';
import { ExportService } from './export.service.ts';

/** The whole of a shop as a file: a backup holds its key and everybody's work, and is the owner's alone. */
@Controller('api/shop')
export class BackupController {
  constructor(
    private readonly backups: BackupService,
    private readonly exports: ExportService,
  ) {}

  @Get('backups')
  @AllowedFor('owner')
  list(): Promise<BackupsView> {
    return this.backups.view();
  }

  @Post('backups')
  @HttpCode(202)
  @AllowedFor('owner')
  take(@Me() me: Person): Promise<BackupView> {
    return this.backups.take(me, new Date());
  }

  @Put('backups/nightly')
  @HttpCode(204)
  @AllowedFor('owner')
  setNightly(@Body() body: NightlyDto, @Me() me: Person): Promise<void> {
    return this.backups.setNightly(body.at, me, new Date());
  }

  @Get('backups/:id/file')
  @AllowedFor('owner')
  async file(@Param('id', ParseUUIDPipe) id: string, @Me() me: Person): Promise<StreamableFile> {
    const { name, bytes, stream } = await this.backups.open(id, me);
    return new StreamableFile(stream, {
      type: 'application/x-tar',
      length: bytes,
      disposition: `attachment; filename="${name}"`,
    });
  }

  /** Everything as open files, in one zip. */
  @Get('export.zip')
  @AllowedFor('owner')
  async everything(@Me() me: Person): Promise<StreamableFile> {
    const now = new Date();
    return new StreamableFile(await this.exports.zip(me, now), {
      type: 'application/zip',
      disposition: `attachment; filename="jubb-${now.toISOString().slice(0, 10)}.zip"`,
    });
  }
}
