import { Injectable, NotFoundException } from '@nestjs/common';
import type { AnswerQuoteDto, CommandAnswer, OfferView } from '@jubb/contract';
import { agreedMinor, billOf, jobSheet, workedMinutes, type QuoteState } from '@jubb/core/bench';
import { orderPlan } from '@jubb/core/parts';
import { findingsForCustomer, learnTime, quoteOptions, type TimeLearned } from '@jubb/core/quote';
import { DataSource } from 'typeorm';
import { Job } from '../database/entities/job.entity.ts';
import { Workshop } from '../database/entities/workshop.entity.ts';
import { JobLog } from '../jobs/job-log.ts';
import { JobsService, type Asker } from '../jobs/jobs.service.ts';
import { CatalogueService } from '../parts/catalogue.service.ts';

/** Jobs of a kind looked at to learn how long they really take. */
const LOOKED_AT = 12;

/** What a price is reckoned with; the workshop's own unless they are given. */
export type PriceSettings = Pick<Workshop, 'rateMinor' | 'taxPercent' | 'taxName' | 'currency'>;

@Injectable()
export class QuotesService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly jobs: JobsService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** What to offer for what was found, priced by the sheet, the catalogue and what such jobs really took. */
  async offer(id: string, settings?: PriceSettings): Promise<OfferView> {
    const { sheet, state, job } = await this.log.load(id);
    const workshop = settings ?? (await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }));
    const money = {
      rateMinor: workshop.rateMinor,
      taxPercent: workshop.taxPercent,
      currency: workshop.currency,
      taxName: workshop.taxName,
    };
    const shelf = await this.catalogue.shelfFor(jobSheet(sheet, state), Object.values(state.orders));
    const time = await this.timeOf(job.sheet);
    return {
      offer: quoteOptions(sheet, state, shelf, money, time),
      plan: orderPlan(sheet, state, shelf),
      bill: billOf(jobSheet(sheet, state), state, money),
      agreedMinor: agreedMinor(state) ?? null,
      money,
      time,
    };
  }

  private async timeOf(sheet: string): Promise<TimeLearned> {
    const done = await this.db
      .getRepository(Job)
      .find({ where: { sheet, stage: 'handed-over' }, order: { number: 'DESC' }, take: LOOKED_AT });
    const repaired = (await this.log.loadAll(done)).filter(({ state }) => !state.end);
    return learnTime(repaired.map(({ sheet: s, state }) => workedMinutes(s, state)));
  }

  /** Makes a quote of what is offered now, under the next version. */
  async make(
    id: string,
    commandId: string,
    note: string,
    asker: Asker,
    settings?: PriceSettings,
  ): Promise<CommandAnswer> {
    const { sheet, state } = await this.log.load(id);
    const { offer, money } = await this.offer(id, settings);
    return this.jobs.give(
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
    return this.jobs.give(
      id,
      commandId,
      { type: 'answer-quote', version, answer, option: option ?? null, agreedMinor: agreed, who, how, note },
      state.seq,
      asker,
    );
  }

  /** A quote as it was made. @throws NotFoundException */
  async quote(id: string, version: number): Promise<{ quote: QuoteState; job: Job; workshop: Workshop }> {
    const { state, job } = await this.log.load(id);
    const quote = state.quotes.find((q) => q.version === version);
    if (!quote) throw new NotFoundException('There is no such quote');
    return { quote, job, workshop: await this.db.getRepository(Workshop).findOneByOrFail({ id: 1 }) };
  }
}
