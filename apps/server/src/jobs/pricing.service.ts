import { Injectable, Logger } from '@nestjs/common';
import { workedMinutes, type Pricing } from '@jubb/core/bench';
import { learnTime } from '@jubb/core/quote';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource } from 'typeorm';
import { Job } from './job.entity.ts';
import { JobLog } from './job-log.ts';

/** Jobs of a kind looked at to learn how long they really take. */
const LOOKED_AT = 12;
/** How long what a sheet is priced with is taken as it was; it is read anew meanwhile, and no command waits for that. */
const KEPT_MS = 60_000;
/** A catalogue is large, a shop works on few sheets at a time. */
const MOST_KEPT = 200;

const keyOf = (sheet: Sheet): string => `${sheet.id}@${sheet.revision}`;

/** What a sheet's work is priced with: the lists, and how long such jobs take in this shop. */
@Injectable()
export class PricingService {
  private readonly logger = new Logger(PricingService.name);
  private readonly kept = new Map<string, { at: number; readonly pricing: Promise<Pricing>; known?: Pricing }>();
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
  ) {}

  /** As it was a minute ago at most; asked often. */
  async of(sheet: Sheet): Promise<Pricing> {
    const key = keyOf(sheet);
    const known = this.kept.get(key);
    if (!known) return this.read(key, sheet);
    if (Date.now() - known.at <= KEPT_MS) return known.pricing;
    const last = await known.pricing;
    // Read for the next one who asks; when it fails, what was known still stands.
    this.read(key, sheet, last).catch(() =>
      this.kept.set(key, { at: Date.now(), pricing: Promise.resolve(last), known: last }),
    );
    return last;
  }

  /**
   * What is known of it without asking, for whoever holds a connection and must not wait for another: the screen of a job has
   * asked for it before anything is given there. Asked for meanwhile when it is not known yet, or is old.
   */
  known(sheet: Sheet): Pricing | undefined {
    const known = this.kept.get(keyOf(sheet));
    if (known === undefined || Date.now() - known.at > KEPT_MS)
      this.of(sheet).catch((e: unknown) => this.logger.warn(`pricing of ${sheet.id} cannot be read: ${String(e)}`));
    return known?.known;
  }

  /** As it is now: for an offer, which must not be a minute old. */
  now(sheet: Sheet): Promise<Pricing> {
    return this.read(keyOf(sheet), sheet);
  }

  private read(key: string, sheet: Sheet, last?: Pricing): Promise<Pricing> {
    const pricing = this.ask(sheet);
    if (this.kept.size >= MOST_KEPT) this.kept.clear();
    const entry: { at: number; pricing: Promise<Pricing>; known?: Pricing } = { at: Date.now(), pricing };
    if (last) entry.known = last;
    this.kept.set(key, entry);
    pricing.then(
      (p) => (entry.known = p),
      () => this.kept.delete(key),
    );
    return pricing;
  }

  private async ask(sheet: Sheet): Promise<Pricing> {
    const numbers = Object.values(sheet.parts).flatMap((p) => p.order ?? []);
    const rows = await this.db.query<{ number: string; priceMinor: number }[]>(
      `SELECT number, price_minor AS "priceMinor" FROM catalogue_item WHERE number = ANY($1) AND price_minor IS NOT NULL`,
      [numbers],
    );
    const done = await this.db
      .getRepository(Job)
      .find({ where: { sheet: sheet.id, stage: 'handed-over' }, order: { number: 'DESC' }, take: LOOKED_AT });
    const repaired = (await this.log.loadAll(done)).filter(({ state }) => !state.end);
    const { factor, jobs } = learnTime(repaired.map(({ sheet: s, state }) => workedMinutes(s, state)));
    return { prices: Object.fromEntries(rows.map((r) => [r.number, r.priceMinor])), timeFactor: factor, jobs };
  }
}
