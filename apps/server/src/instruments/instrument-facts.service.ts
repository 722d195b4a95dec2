import { Injectable } from '@nestjs/common';
import { instrumentFacts, type InstrumentFacts } from '@jubb/core/bench';
import { DataSource } from 'typeorm';
import { Instrument } from './instrument.entity.ts';

/** The list is taken as it was for so long. */
const KEPT_MS = 5000;

/** What the log says of an instrument: read from the shop's own list, never from what a browser claims. */
@Injectable()
export class InstrumentFactsService {
  private list: { readonly at: number; readonly facts: ReadonlyMap<string, InstrumentFacts> } | undefined;
  constructor(private readonly db: DataSource) {}

  /** The facts of an instrument by its id; undefined for one that is not on the list. */
  async of(id: string): Promise<InstrumentFacts | undefined> {
    const now = Date.now();
    if (!this.list || now - this.list.at > KEPT_MS || !this.list.facts.has(id)) {
      const all = await this.db.getRepository(Instrument).find();
      this.list = { at: now, facts: new Map(all.map((i) => [i.id, instrumentFacts(i)] as const)) };
    }
    return this.list.facts.get(id);
  }
}
