import {
  Body,
  Controller,
  Get,
  HttpCode,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  StreamableFile,
} from '@nestjs/common';
import { AnswerQuoteDto, QuoteDto, type CommandAnswer, type OfferView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { HeavyService } from '../bounds/heavy.service.ts';
import { QuotesService } from './quotes.service.ts';

@Controller('api/jobs/:id')
export class QuotesController {
  constructor(
    private readonly quotes: QuotesService,
    private readonly heavy: HeavyService,
  ) {}

  @Get('offer')
  @AllowedFor(...EVERY_ROLE)
  offer(@Param('id', ParseUUIDPipe) id: string): Promise<OfferView> {
    return this.quotes.offer(id);
  }

  @Post('quotes')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  make(@Param('id', ParseUUIDPipe) id: string, @Body() body: QuoteDto, @Me() person: Person): Promise<CommandAnswer> {
    const byHand = Object.fromEntries((body.byHand ?? []).map((h) => [h.part, h.priceMinor]));
    return this.quotes.make(
      id,
      body.commandId,
      body.note,
      { person, at: new Date(), device: 'desk' },
      undefined,
      byHand,
    );
  }

  @Post('quotes/:version/answer')
  @HttpCode(200)
  @AllowedFor(...EVERY_ROLE)
  answer(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('version', ParseIntPipe) version: number,
    @Body() body: AnswerQuoteDto,
    @Me() person: Person,
  ): Promise<CommandAnswer> {
    return this.quotes.answer(id, version, body, { person, at: new Date(), device: 'desk' });
  }

  @Get('quotes/:version.pdf')
  @AllowedFor(...EVERY_ROLE)
  async asPdf(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('version', ParseIntPipe) version: number,
  ): Promise<StreamableFile> {
    const { quote, job, workshop, scope, drawings } = await this.quotes.quote(id, version);
    const { number, title, complaint, customer, unit } = job;
    const quoted = { number, title, complaint, customer: customer.name, serial: unit.serial, scope, drawings };
    const bytes = await this.heavy.run({ kind: 'quote-pdf', quote, job: quoted, workshop: workshop.name });
    return new StreamableFile(bytes, {
      type: 'application/pdf',
      disposition: `inline; filename="quote-${job.number}-${version}.pdf"`,
    });
  }
}
