/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { QuoteState } from '@jubb/core/bench';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { pressed, submitted } from '../server.fixtures.tsx';
import { AnswerForm, type QuoteAnswer } from './answer-form.tsx';

afterEach(cleanup);
const option = (id: string, title: string, totalMinor: number): object => ({ id, title, totalMinor });
const quote = {
  version: 1,
  advised: 'repair',
  currency: '£',
  options: [option('repair', 'Repair', 13566), option('exchange', 'Exchange unit', 42000)],
} as unknown as QuoteState;
function form(busy = false): QuoteAnswer[] {
  const sent: QuoteAnswer[] = [];
  render(<AnswerForm quote={quote} send={(a) => sent.push(a)} busy={busy} />);
  return sent;
}
const type = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
const go = (): HTMLButtonElement => document.querySelector<HTMLButtonElement>('.btn-go')!;

describe('the customer’s word on a quote', () => {
  test('a yes is to what was advised, by somebody with a name, by telephone unless it is said otherwise', async () => {
    const sent = form();
    expect(go().disabled).toBe(true);
    type('Who said it', 'Ada Forth');
    await pressed(go());
    expect(sent).toEqual([
      { answer: 'yes', option: 'repair', agreedMinor: 0, who: 'Ada Forth', how: 'by telephone', note: '' },
    ]);
  });

  test('a no chooses no way out', async () => {
    const sent = form();
    press('No');
    expect(screen.queryByLabelText('Which way out')).toBeNull();
    type('Who said it', 'Ada Forth');
    type('How', 'in writing');
    await pressed(go());
    expect(sent[0]).not.toHaveProperty('option');
    expect(sent[0]).toMatchObject({ answer: 'no', how: 'in writing' });
    expect(go().textContent).toContain('Record the no');
  });

  test.each([
    ['150', 15000],
    ['99,90', 9990],
    ['0', 0],
  ])('only this much: %s in minor units', async (most, minor) => {
    const sent = form();
    press('Only this much');
    type('Who said it', 'Ada Forth');
    expect(go().disabled).toBe(true);
    type('Which way out', 'exchange');
    type('Up to how much, £, with tax', most);
    await pressed(go());
    expect(sent[0]).toMatchObject({ answer: 'only this much', option: 'exchange', agreedMinor: minor });
  });

  test.each(['-5', 'a lot', '1e300'])('%j is no sum, and cannot be recorded', async (most) => {
    const sent = form();
    press('Only this much');
    type('Who said it', 'Ada Forth');
    type('Up to how much, £, with tax', most);
    expect(go().disabled).toBe(true);
    await submitted(document.querySelector('form')!);
    expect(sent).toEqual([]);
  });

  test('while one is on its way no other goes', () => {
    form(true);
    type('Who said it', 'Ada Forth');
    expect(go().disabled).toBe(true);
  });
});
