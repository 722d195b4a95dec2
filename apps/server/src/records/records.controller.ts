import {
  Body,
  Controller,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseEnumPipe,
  ParseUUIDPipe,
  Post,
  Query,
  Req,
  StreamableFile,
} from '@nestjs/common';
import type { ImportedView } from '@jubb/contract';
import { recordCsv } from '@jubb/core/bench';
import type { Request } from 'express';
import { CONFIG, type Config } from '../config/config.ts';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { networkAddress } from '../network/addresses.ts';
import { RecordsService } from './records.service.ts';

const depths = { customer: 'customer', workshop: 'workshop' } as const;
type Depth = keyof typeof depths;

@Controller('api')
export class RecordsController {
  constructor(
    private readonly records: RecordsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** The as-built record as a document, in one of two depths, with a code that opens the unit's history. */
  @Get('jobs/:id/record.pdf')
  @AllowedFor(...EVERY_ROLE)
  async asPdf(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Query('depth', new ParseEnumPipe(depths)) depth: Depth,
  ): Promise<StreamableFile> {
    const base = networkAddress(request.headers.host ?? '', request.socket.localPort ?? 0, this.config);
    const { bytes, number } = await this.records.document(id, depth, base);
    return new StreamableFile(bytes, {
      type: 'application/pdf',
      disposition: `inline; filename="job-${number}-${depth}.pdf"`,
    });
  }

  @Get('jobs/:id/record.csv')
  @AllowedFor(...EVERY_ROLE)
  async asCsv(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    const { record } = await this.records.exported(id);
    return new StreamableFile(Buffer.from(recordCsv(record)), {
      type: 'text/csv; charset=utf-8',
      disposition: `attachment; filename="job-${record.number}.csv"`,
    });
  }

  /** Takes a record of another workshop in, once it is verified. */
  @Post('records/import')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  take(@Body() body: Buffer, @Me() person: Person): Promise<ImportedView> {
    return this.records.take(body, person.name);
  }

  @Get('records/imported')
  @AllowedFor(...EVERY_ROLE)
  imported(@Query('serial') serial?: string): Promise<ImportedView[]> {
    return this.records.imported(typeof serial === 'string' ? serial : undefined);
  }
}
