import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validate } from 'class-validator';
import 'reflect-metadata';
import { AnswerQuoteDto, ArriveDto, OrderDto, QuoteDto, SettingsDto, StockDto, WhyDto } from './index.ts';

const UUID = '6f1d8a52-2b0c-4d53-9a57-3b1f0c9f7a11';
const wrong = async (dto: new () => object, body: object): Promise<string[]> =>
  (await validate(plainToInstance(dto, body), { whitelist: true, forbidNonWhitelisted: true })).map((e) => e.property);

const answer = {
  commandId: UUID,
  answer: 'yes',
  option: 'repair',
  agreedMinor: 0,
  who: 'Mrs Isbister',
  how: 'by telephone',
  note: '',
};
const settings = { name: 'W', currency: '£', rateMinor: 5200, taxPercent: 17.5, taxName: 'VAT' };

describe('what the desk sends', () => {
  test.each<[string, new () => object, object]>([
    ['an order', OrderDto, { commandId: UUID, way: 'kits' }],
    ['an arrival', ArriveDto, { commandId: UUID, missing: ['seal@left'] }],
    ['a reason', WhyDto, { commandId: UUID, why: 'too wide' }],
    ['a quote', QuoteDto, { commandId: UUID, note: '' }],
    ['an answer', AnswerQuoteDto, answer],
    ['a no, which names no way out', AnswerQuoteDto, { ...answer, answer: 'no', option: undefined }],
    ['settings', SettingsDto, settings],
    ['a stock', StockDto, { title: 'Pin', bin: 'Drawer 3', count: 0 }],
  ])('%s passes', async (_, dto, body) => {
    expect(await wrong(dto, body)).toEqual([]);
  });

  test.each<[string, new () => object, object, string]>([
    ['an order without an id of its own', OrderDto, { way: 'kits' }, 'commandId'],
    ['a way of buying that is none', OrderDto, { commandId: UUID, way: 'free' }, 'way'],
    ['a price slipped in', OrderDto, { commandId: UUID, way: 'kits', priceMinor: 1 }, 'priceMinor'],
    ['missing parts that are no words', ArriveDto, { commandId: UUID, missing: [7] }, 'missing'],
    ['no reason', WhyDto, { commandId: UUID, why: '' }, 'why'],
    ['an answer that is none', AnswerQuoteDto, { ...answer, answer: 'perhaps' }, 'answer'],
    ['a way out that is none', AnswerQuoteDto, { ...answer, option: 'burn' }, 'option'],
    ['half a minor unit', AnswerQuoteDto, { ...answer, agreedMinor: 0.5 }, 'agreedMinor'],
    ['less than nothing', AnswerQuoteDto, { ...answer, agreedMinor: -1 }, 'agreedMinor'],
    ['nobody', AnswerQuoteDto, { ...answer, who: '' }, 'who'],
    ['a way of answering that is none', AnswerQuoteDto, { ...answer, how: 'by pigeon' }, 'how'],
    ['a tax over everything', SettingsDto, { ...settings, taxPercent: 101 }, 'taxPercent'],
    ['a tax that is no number', SettingsDto, { ...settings, taxPercent: 'much' }, 'taxPercent'],
    ['a rate below nothing', SettingsDto, { ...settings, rateMinor: -1 }, 'rateMinor'],
    ['a currency that is a sentence', SettingsDto, { ...settings, currency: 'pounds' }, 'currency'],
    ['less than none in a drawer', StockDto, { title: 'Pin', bin: 'D', count: -1 }, 'count'],
  ])('%s is refused at its field', async (_, dto, body, field) => {
    expect(await wrong(dto, body)).toEqual([field]);
  });
});
