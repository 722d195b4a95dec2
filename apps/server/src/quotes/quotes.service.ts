import { BadRequestException, Injectable, NotFoundException } from '@nestjs/common';
import type { AnswerQuoteDto, CommandAnswer, OfferView } from '@jubb/contract';
import {
  absentParts,
  agreedMinor,
  billOf,
  eventsOf,
  fold,
  jobSheet,
  scopeAt,
  wornParts,
  type BenchState,
  type QuoteState,
} from '@jubb/core/bench';
import { orderPlan } from '@jubb/core/parts';
import { findingsForCustomer, quoteOptions, type HandPrices } from '@jubb/core/quote';
import { scopeTitle, type Sheet } from '@jubb/core/sheet';
import { DataSource } from 'typeorm';
import { Job } from '../jobs/job.entity.ts';
import { Workshop } from '../planning/workshop.entity.ts';
import { JobLog } from '../jobs/job-log.ts';
import { markedUnit } from '../pdf/unit-svg.ts';
import { PricingService } from '../jobs/pricing.service.ts';
import type { Asker } from '../jobs/asker.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { CatalogueService } from '../parts/catalogue.service.ts';

/** What a price is reckoned with; the workshop's own unless they are given. */
export type PriceSettings = Pick<Workshop, 'rateMinor' | 'taxPercent' | 'taxName' | 'currency'>;

@Injectable()
export class QuotesService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly writer: JobWriter,
    private readonly catalogue: CatalogueService,
    private readonly pricing: PricingService,
  ) {}

  /** What to offer for what was found, priced by the sheet, the catalogue and what such jobs really took. */
  async offer(id: string, settings?: PriceSettings, byHand: HandPrices = {}): Promise<OfferView> {
    const { sheet, state } = await this.log.load(id);
    const workshop = settings ?? (await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }));
    const money = {
      rateMinor: workshop.rateMinor,
      taxPercent: workshop.taxPercent,
      currency: workshop.currency,
      taxName: workshop.taxName,
    };
    const shelf = await this.catalogue.shelfFor(jobSheet(sheet, state), Object.values(state.orders));
    const pricing = await this.pricing.now(sheet);
    const time = { jobs: pricing.jobs, factor: pricing.timeFactor };
    return {
      offer: quoteOptions(sheet, state, shelf, money, time, byHand),
      plan: orderPlan(sheet, state, shelf),
      bill: billOf(jobSheet(sheet, state), state, { ...money, pricing }),
      agreedMinor: agreedMinor(state) ?? null,
      money,
      time,
    };
  }

  /** Makes a quote of what is offered now, under the next version. */
  async make(
    id: string,
    commandId: string,
    note: string,
    asker: Asker,
    settings?: PriceSettings,
    byHand: HandPrices = {},
  ): Promise<CommandAnswer> {
    const { sheet, state } = await this.log.load(id);
    const { offer, money, plan } = await this.offer(id, settings, byHand);
    const nameless = plan.nameless.map((n) => n.part);
    const other = Object.keys(byHand).find((p) => !nameless.includes(p));
    if (other !== undefined)
      throw new BadRequestException({
        message: `byHand: "${other}" is not a part that needs a price by hand`,
        errors: { byHand: [nameless.length > 0 ? `One of: ${nameless.join(', ')}` : 'No part does'] },
      });
    return this.writer.give(
      id,
      commandId,
      {
        type: 'make-quote',
        options: offer.options,
        advised: offer.advised,
        findings: findingsForCustomer(sheet, state),
        currency: money.currency,
        taxName: money.taxName,
        taxPercent: money.taxPercent,
        note: note.trim(),
      },
      state.seq,
      asker,
    );
  }

  async answer(id: string, version: number, body: AnswerQuoteDto, asker: Asker): Promise<CommandAnswer> {
    const { state } = await this.log.load(id);
    const { commandId, answer, agreedMinor: agreed, who, how, note, option } = body;
    return this.writer.give(
      id,
      commandId,
      { type: 'answer-quote', version, answer, option: option ?? null, agreedMinor: agreed, who, how, note },
      state.seq,
      asker,
    );
  }

  /** A quote as it was made. @throws NotFoundException */
  async quote(
    id: string,
    version: number,
  ): Promise<{
    quote: QuoteState;
    job: Job;
    workshop: Workshop;
    scope: string | undefined;
    drawings: readonly string[];
  }> {
    const { sheet, state, job } = await this.log.load(id);
    const quote = state.quotes.find((q) => q.version === version);
    if (!quote) throw new NotFoundException('There is no such quote');
    const scope = scopeAt(state, quote.seq);
    return {
      quote,
      job,
      // As it was found when this quote was made: what was found since is another quote's.
      drawings: wornAt(
        sheet,
        fold(
          id,
          eventsOf(state).filter((e) => e.seq <= quote.seq),
        ),
      ),
      scope: scope === undefined ? undefined : scopeTitle(sheet, scope),
      workshop: await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }),
    };
  }
}

const wornAt = (sheet: Sheet, state: BenchState): readonly string[] =>
  markedUnit(jobSheet(sheet, state), { worn: wornParts(state), absent: absentParts(sheet, state) });
