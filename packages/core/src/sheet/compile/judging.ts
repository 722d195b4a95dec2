import { mapValues } from '../../records.ts';
import { USUAL_RISKS } from '../risks.ts';
import type { Sheet } from '../types.ts';
import type { RawSheet } from './raw.ts';
import { asList, type Reader } from './reader.ts';

/** A price as written, in whole units of money, to minor units. */
export function minor(price: number): number;
export function minor(price: number | undefined): number | undefined;
export function minor(price: number | undefined): number | undefined {
  return price === undefined ? undefined : Math.round(price * 100);
}

/** "1 in 6" to 0.1667. */
const chance = (odds: string): number => 1 / Number(odds.slice('1 in '.length));

/** What a sheet says for judging and pricing: causes, sets, what is worth renewing while it is open, the exchange unit. */
export function compileJudging(
  reader: Reader,
  raw: RawSheet,
): Pick<Sheet, 'causes' | 'sets' | 'whileOpen' | 'exchange' | 'risks'> {
  const readable = { ...raw.measures, ...raw.looks, ...raw.settings, ...raw.tests };
  return {
    causes: mapValues(raw.causes, (c, id) => ({
      id,
      ask: c.ask,
      choices: Object.entries(c.choose).map(([choice, said]) => ({
        id: choice,
        title: said.title,
        speaks: asList(said.speaks).map((s, i) =>
          reader.name(['causes', id, 'choose', choice, 'speaks', i], s, readable, 'measure, look, setting or test'),
        ),
        ...(said.then === undefined ? {} : { then: said.then }),
      })),
    })),
    sets: Object.entries(raw.sets ?? {}).map(([id, s]) => ({
      id,
      title: s.title ?? id,
      parts: s.parts.map((p, i) => reader.name(['sets', id, 'parts', i], p, raw.parts, 'part')),
    })),
    whileOpen: (raw['while-open'] ?? []).map((w, i) => ({
      part: reader.name(['while-open', i, 'part'], w.part, raw.parts, 'part'),
      risk: chance(w.asks),
      minutes: w.takes === undefined ? 0 : reader.minutes(['while-open', i, 'takes'], w.takes),
    })),
    exchange: raw.exchange && {
      title: raw.exchange.title ?? `Exchange ${raw.kind}`,
      order: raw.exchange.order,
      priceMinor: minor(raw.exchange.price),
      leadDays: raw.exchange['lead-days'],
      minutes: reader.minutes(['exchange', 'takes'], raw.exchange.takes),
    },
    risks: {
      repair: raw.comeback?.repair === undefined ? USUAL_RISKS.repair : chance(raw.comeback.repair),
      dressed: raw.comeback?.dressed === undefined ? USUAL_RISKS.dressed : chance(raw.comeback.dressed),
      exchange: raw.comeback?.exchange === undefined ? USUAL_RISKS.exchange : chance(raw.comeback.exchange),
    },
  };
}
