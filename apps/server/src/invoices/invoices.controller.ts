import {
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
  StreamableFile,
  BadRequestException,
} from '@nestjs/common';
import {
  CreditDto,
  InvoiceSettingsDto,
  IssueInvoiceDto,
  PaymentDto,
  type InvoiceDraftView,
  type InvoiceRow,
  type InvoiceSettingsView,
  type InvoiceView,
} from '@jubb/contract';
import { isValid, parseISO } from 'date-fns';
import { AllowedFor, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { HeavyService } from '../bounds/heavy.service.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { InvoicesService } from './invoices.service.ts';

/** Invoices for what was done: of those who speak with customers about money. */
@Controller('api/invoices')
export class InvoicesController {
  constructor(
    private readonly invoices: InvoicesService,
    private readonly heavy: HeavyService,
  ) {}

  @Get()
  @AllowedFor('owner', 'parts')
  list(): Promise<InvoiceRow[]> {
    return this.invoices.list(new Date());
  }

  /** For the bookkeeper: all of a span of days. */
  @Get('all.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="invoices.csv"')
  @AllowedFor('owner', 'parts')
  csv(@Query('from') from?: string, @Query('to') to?: string): Promise<string> {
    return this.invoices.csv(dayOf('from', from), dayOf('to', to), new Date());
  }

  @Get('settings')
  @AllowedFor('owner', 'parts')
  settings(): Promise<InvoiceSettingsView> {
    return this.invoices.settings();
  }

  @Put('settings')
  @AllowedFor('owner')
  setSettings(@Body() body: InvoiceSettingsDto, @Me() me: Person): Promise<InvoiceSettingsView> {
    return this.invoices.setSettings(body, me);
  }

  @Get('draft/:job')
  @AllowedFor('owner', 'parts')
  draft(@Param('job', ParseUUIDPipe) job: string): Promise<InvoiceDraftView> {
    return this.invoices.draft(job, new Date());
  }

  @Post()
  @AllowedFor('owner', 'parts')
  issue(@Body() body: IssueInvoiceDto, @Me() me: Person): Promise<InvoiceView> {
    return this.invoices.issue(body, me, new Date());
  }

  @Get(':id')
  @AllowedFor('owner', 'parts')
  one(@Param('id', ParseUUIDPipe) id: string): Promise<InvoiceView> {
    return this.invoices.view(id, new Date());
  }

  @Get(':id/page.pdf')
  @AllowedFor('owner', 'parts')
  async asPdf(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    const invoice = await this.invoices.view(id, new Date());
    const bytes = await this.heavy.run({ kind: 'invoice-pdf', invoice });
    return new StreamableFile(bytes, {
      type: 'application/pdf',
      disposition: `inline; filename="${invoice.kind}-${invoice.number}.pdf"`,
    });
  }

  @Post(':id/payments')
  @HttpCode(200)
  @AllowedFor('owner', 'parts')
  pay(@Param('id', ParseUUIDPipe) id: string, @Body() body: PaymentDto, @Me() me: Person): Promise<InvoiceView> {
    return this.invoices.pay(id, body, me, new Date());
  }

  @Post(':id/credit')
  @AllowedFor('owner', 'parts')
  credit(@Param('id', ParseUUIDPipe) id: string, @Body() body: CreditDto, @Me() me: Person): Promise<InvoiceView> {
    return this.invoices.credit(id, body, me, new Date());
  }
}

/** A day of an address, as 2027-03-31; undefined where none is asked for. */
function dayOf(field: string, text: unknown): string | undefined {
  if (text === undefined || text === '') return undefined;
  if (typeof text !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(text) || !isValid(parseISO(text)))
    throw new BadRequestException(wrongField(field, 'A day, as 2027-03-31'));
  return text;
}
