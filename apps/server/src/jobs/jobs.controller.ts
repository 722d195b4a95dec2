import {
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Inject,
  NotFoundException,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  Query,
  Req,
  StreamableFile,
} from '@nestjs/common';
import type { Request } from 'express';
import {
  BookInDto,
  CommandEnvelopeDto,
  type CommandAnswer,
  type FloorView,
  type JobLine,
  type JobView,
} from '@jubb/contract';
import type { LoggedEvent } from '@jubb/core/bench';
import type { JobExport, Verification } from '@jubb/core/bench/verify';
import { DataSource } from 'typeorm';
import { AllowedFor, EVERY_ROLE, Me, OfItsGiver } from '../auth/access.ts';
import { CONFIG, type Config } from '../config/config.ts';
import type { Person } from '../auth/person.entity.ts';
import { HeavyService } from '../bounds/heavy.service.ts';
import { BookingService } from './booking.service.ts';
import { JobLog } from './job-log.ts';
import { labelsOf, type Label, labelsSvg } from './labels.ts';
import { networkAddress } from '../network/addresses.ts';
import { JobsService } from './jobs.service.ts';

@Controller('api')
export class JobsController {
  constructor(
    private readonly jobs: JobsService,
    private readonly booking: BookingService,
    private readonly log: JobLog,
    private readonly db: DataSource,
    private readonly heavy: HeavyService,
    @Inject(CONFIG) private readonly config: Config,
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
    return this.booking.book(body, { person, at: new Date(), device: 'desk' });
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
  @OfItsGiver()
  command(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: CommandEnvelopeDto,
    @Me() person: Person,
  ): Promise<CommandAnswer> {
    return this.jobs.command(id, body, { person, at: new Date(), device: body.device });
  }

  /** Labels for the unit and its trays, each with a code that opens the job at its rung on any device of the network. */
  @Get('jobs/:id/labels.svg')
  @AllowedFor(...EVERY_ROLE)
  @Header('Content-Type', 'image/svg+xml; charset=utf-8')
  async labels(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Query('tray') tray?: string,
  ): Promise<string> {
    return labelsSvg(await this.labelsFor(id, request, tray));
  }

  @Get('jobs/:id/labels.pdf')
  @AllowedFor(...EVERY_ROLE)
  async labelsAsPdf(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Query('tray') tray?: string,
  ): Promise<StreamableFile> {
    const bytes = await this.heavy.run({ kind: 'labels-pdf', labels: await this.labelsFor(id, request, tray) });
    return new StreamableFile(bytes, { type: 'application/pdf', disposition: 'inline; filename="labels.pdf"' });
  }

  private async labelsFor(id: string, request: Request, tray: unknown): Promise<readonly Label[]> {
    const { sheet, state } = await this.log.load(id);
    const base = networkAddress(request.headers.host ?? '', request.socket.localPort ?? 0, this.config);
    const labels = labelsOf(sheet, state, base, typeof tray === 'string' ? tray : undefined);
    if (labels.length === 0) throw new NotFoundException('Nothing of this job lies in that tray');
    return labels;
  }

  @Get('jobs/:id/record.json')
  @AllowedFor(...EVERY_ROLE)
  record(@Param('id', ParseUUIDPipe) id: string): Promise<JobExport> {
    return this.jobs.exported(id);
  }

  @Post('records/verify')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  async verify(@Body() body: Buffer): Promise<Verification> {
    return (await this.jobs.verify(body)).verification;
  }
}
