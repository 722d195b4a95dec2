import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, ParseUUIDPipe, Post, Query } from '@nestjs/common';
import {
  BookInDto,
  CommandEnvelopeDto,
  type CommandAnswer,
  type FloorView,
  type JobLine,
  type JobView,
} from '@jubb/contract';
import type { LoggedEvent } from '@jubb/core/bench';
import { verifyExport, type JobExport, type Verification } from '@jubb/core/bench/verify';
import { IsObject } from 'class-validator';
import { DataSource } from 'typeorm';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../database/entities/person.entity.ts';
import { JobLog } from './job-log.ts';
import { JobsService } from './jobs.service.ts';

export class VerifyDto {
  @IsObject()
  file: object;
}

@Controller('api')
export class JobsController {
  constructor(
    private readonly jobs: JobsService,
    private readonly log: JobLog,
    private readonly db: DataSource,
  ) {}

  @Get('floor')
  @AllowedFor(...EVERY_ROLE)
  floor(): Promise<FloorView> {
    return this.jobs.floor();
  }

  @Get('jobs/handed-over')
  @AllowedFor(...EVERY_ROLE)
  handedOver(): Promise<JobLine[]> {
    return this.jobs.handedOver();
  }

  @Post('jobs')
  @AllowedFor(...EVERY_ROLE)
  book(@Body() body: BookInDto, @Me() person: Person): Promise<{ id: string }> {
    return this.jobs.book(body, { person, at: new Date(), device: 'desk' });
  }

  @Get('jobs/:id')
  @AllowedFor(...EVERY_ROLE)
  view(@Param('id', ParseUUIDPipe) id: string): Promise<JobView> {
    return this.jobs.view(id);
  }

  @Get('jobs/:id/events')
  @AllowedFor(...EVERY_ROLE)
  async events(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('after', ParseIntPipe) after: number,
  ): Promise<LoggedEvent[]> {
    await this.log.load(id);
    return this.log.events(this.db.manager, id, after);
  }

  /** The parts desk does not put hands on a unit. */
  @Post('jobs/:id/commands')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  command(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: CommandEnvelopeDto,
    @Me() person: Person,
  ): Promise<CommandAnswer> {
    return this.jobs.command(id, body, { person, at: new Date(), device: body.device });
  }

  @Get('jobs/:id/record.json')
  @AllowedFor(...EVERY_ROLE)
  record(@Param('id', ParseUUIDPipe) id: string): Promise<JobExport> {
    return this.jobs.exported(id);
  }

  @Post('records/verify')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  verify(@Body() body: VerifyDto): Verification {
    return verifyExport(body.file, [this.jobs.publicKey]);
  }
}
