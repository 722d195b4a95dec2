import { Injectable } from '@nestjs/common';
import type { BillSettings, MoneySettings } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, type EntityManager } from 'typeorm';
import { Workshop } from '../planning/workshop.entity.ts';
import { PricingService } from './pricing.service.ts';

/** How long rate and tax are taken as they were. */
const SETTINGS_MS = 5000;
/** While a workshop is being set up there is no price to hold anything against. */
const NO_MONEY: MoneySettings = { rateMinor: 0, taxPercent: 0 };

@Injectable()
export class RatesService {
  private settings: { readonly at: number; readonly money: MoneySettings } | undefined;
  constructor(
    private readonly db: DataSource,
    private readonly pricing: PricingService,
  ) {}

  /**
   * Rate and tax as they are set now, with what the sheet is priced with; asked once a while, since every command is held against them.
   * @param m of the transaction that asks, if one does: under a lock nobody waits for a second connection
   */
  async money(sheet: Sheet, m: EntityManager = this.db.manager): Promise<BillSettings> {
    const pricing = this.pricing.known(sheet);
    return { ...(await this.rates(m)), ...(pricing ? { pricing } : {}) };
  }

  private async rates(m: EntityManager): Promise<MoneySettings> {
    const now = Date.now();
    if (!this.settings || now - this.settings.at > SETTINGS_MS) {
      const { rateMinor, taxPercent } = (await m.getRepository(Workshop).findOneBy({ id: 1 })) ?? NO_MONEY;
      this.settings = { at: now, money: { rateMinor, taxPercent } };
    }
    return this.settings.money;
  }
}
