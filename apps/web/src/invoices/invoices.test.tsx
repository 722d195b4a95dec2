/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { InvoiceDraftView, InvoiceRow, InvoiceView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import DraftScreen from './draft-screen.tsx';
import InvoiceScreen from './invoice-screen.tsx';
import InvoicesScreen from './invoices-screen.tsx';

afterEach(cleanup);
const mechanic = { ...una, person: { ...una.person, role: 'mechanic' as const } };
const row = (more: Partial<InvoiceRow>): InvoiceRow => ({
  id: 'i1',
  number: '0120',
  kind: 'invoice',
  day: '2026-11-27',
  due: '2026-12-11',
  customer: 'Council Depot',
  customerId: 'c1',
  job: 308,
  jobId: 'j1',
  currency: '£',
  netMinor: 10_000,
  taxPercent: 20,
  taxMinor: 2_000,
  totalMinor: 12_000,
  paidMinor: 0,
  creditedMinor: 0,
  openMinor: 12_000,
  state: 'open',
  ...more,
});
const view = (more: Partial<InvoiceView>): InvoiceView => ({
  ...row({}),
  lines: [
    { title: 'Brushes', kind: 'part', count: 2, eachMinor: 680, sumMinor: 1360 },
    { title: 'Work', kind: 'hours', count: 1.62, eachMinor: 5200, sumMinor: 8407 },
  ],
  takenBack: [],
  taxName: 'VAT',
  title: 'Alternator',
  serial: 'BA-7731',
  address: '',
  note: '',
  of: null,
  by: 'Una Reith',
  shop: { name: 'S', address: '', taxNumber: '', payWords: '' },
  payments: [],
  credits: [],
  ...more,
});
const draft = (more: Partial<InvoiceDraftView>): InvoiceDraftView => ({
  lines: view({}).lines,
  netMinor: 9767,
  taxMinor: 1953,
  totalMinor: 11_720,
  agreedMinor: undefined,
  overMinor: 0,
  jobId: 'j1',
  job: 308,
  title: 'Alternator',
  serial: 'BA-7731',
  customer: 'Council Depot',
  currency: '£',
  taxName: 'VAT',
  taxPercent: 20,
  notYet: null,
  sent: [],
  ...more,
});
const type = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('invoices', () => {
  test('what is not settled stands first, with its sum and what of it is overdue; the rest by a press', async () => {
    serve({
      invoices: [
        row({}),
        row({ id: 'i2', number: '0119', openMinor: 5000, totalMinor: 9000, state: 'overdue' }),
        row({ id: 'i3', number: '0118', openMinor: 0, state: 'paid' }),
      ],
    });
    show(<InvoicesScreen me={una} />);
    const list = await screen.findByRole('list', { name: 'Invoices' });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((l) => l.querySelector('b')!.textContent),
    ).toEqual(['0120', '0119']);
    expect(document.querySelector('.invoicesum')!.textContent).toBe('£ 170.00 to be paid, of it £ 50.00 overdue');
    fireEvent.click(screen.getByRole('button', { name: 'All, 3' }));
    expect(within(list).getAllByRole('listitem')).toHaveLength(3);
  });

  test.each([[InvoicesScreen], [DraftScreen], [InvoiceScreen]])(
    'a mechanic is told whose they are, and nothing is asked',
    (Screen) => {
      const asked = serve({});
      show(<Screen me={mechanic} />);
      expect(document.body.textContent).toContain('The owner and the parts desk');
      expect(asked).toEqual([]);
    },
  );
});

describe('before it is made out', () => {
  const open = (d: InvoiceDraftView, more: object = {}): ReturnType<typeof serve> => {
    const asked = serve({ 'invoices/draft/j1': d, invoices: view({}), ...more });
    show(<DraftScreen me={una} />, { path: '/invoices/job/:job', at: '/invoices/job/j1' });
    return asked;
  };
  const sum = (): string => document.querySelector('.invoicesums .total')!.textContent;

  test('its sum follows what is typed; hours that nobody touched keep the sum of their minutes', async () => {
    const asked = open(draft({}));
    await screen.findByRole('button', { name: 'Make it out' });
    // (13.60 + 84.07) and a fifth, by hand.
    expect(sum()).toBe('£ 117.20');
    type('Line 1: how many', '1');
    expect(sum()).toBe('£ 109.04');
    fireEvent.click(screen.getByRole('button', { name: 'One more line' }));
    type('Line 3: what for', 'Discount');
    type('Line 3: each', '-10,00');
    expect(sum()).toBe('£ 97.04');
    fireEvent.click(screen.getByRole('button', { name: 'Make it out' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      job: 'j1',
      lines: [
        { title: 'Brushes', kind: 'part', count: 1, eachMinor: 680, sumMinor: 680 },
        { title: 'Work', kind: 'hours', count: 1.62, eachMinor: 5200, sumMinor: 8407 },
        { title: 'Discount', kind: 'other', count: 1, eachMinor: -1000, sumMinor: -1000 },
      ],
    });
  });

  test('more than was agreed is said, and gone when it is within', async () => {
    open(draft({ agreedMinor: 11_000 }));
    await screen.findByText('£ 7.20 over what was agreed');
    type('Line 1: how many', '1');
    expect(document.querySelector('.over')).toBeNull();
  });

  test('of a job that is not signed there is nothing to make out; a refusal leaves what was typed', async () => {
    open(draft({ notYet: 'The job is not signed yet: an invoice is for what was done' }));
    await screen.findByText(/not signed yet/);
    expect(screen.queryByRole('button', { name: 'Make it out' })).toBeNull();
    cleanup();
    open(draft({}), { invoices: new Refusal(409, 'Invoice 0120 is made out for it already: take that back first') });
    await screen.findByRole('button', { name: 'Make it out' });
    type('Line 1: what for', 'Brushes, a pair');
    fireEvent.click(screen.getByRole('button', { name: 'Make it out' }));
    expect((await screen.findByRole('alert')).textContent).toContain('0120 is made out');
    expect(screen.getByLabelText<HTMLInputElement>('Line 1: what for').value).toBe('Brushes, a pair');
  });
});

describe('an invoice', () => {
  const open = (i: InvoiceView): ReturnType<typeof serve> => {
    const asked = serve({ 'invoices/i1': i });
    show(<InvoiceScreen me={una} />, { path: '/invoices/:id', at: '/invoices/i1' });
    return asked;
  };
  test('what was paid is written down: what is open is offered, today, in minor units', async () => {
    const asked = open(view({ paidMinor: 2_000, openMinor: 10_000, state: 'part paid' }));
    expect((await screen.findByLabelText<HTMLInputElement>('Amount, £')).value).toBe('100.00');
    type('Amount, £', '40,5');
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')).toMatchObject({
      path: 'invoices/i1/payments',
      body: { amountMinor: 4050, how: 'bank', note: '' },
    });
  });

  test('some lines are taken back with why; those that were are struck and not offered again', async () => {
    const asked = open(view({ takenBack: [0] }));
    fireEvent.click(await screen.findByRole('button', { name: 'Something on it is wrong …' }));
    expect(screen.getAllByRole('checkbox')).toHaveLength(1);
    expect(document.querySelectorAll('tr.gone')).toHaveLength(1);
    type('Why', 'too many hours');
    fireEvent.click(screen.getByRole('button', { name: 'Make out a credit' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')).toMatchObject({
      path: 'invoices/i1/credit',
      body: { reason: 'too many hours', lines: [1] },
    });
  });

  test('one that is settled asks for nothing more; a credit is neither paid nor taken back', async () => {
    open(view({ openMinor: 0, paidMinor: 12_000, state: 'paid' }));
    await screen.findByText('It is settled.');
    cleanup();
    open(view({ kind: 'credit', state: 'credit', of: { id: 'i0', number: '0100' }, openMinor: 0 }));
    await screen.findByText(/Credit note/);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByRole('link', { name: '0100' }).getAttribute('href')).toBe('/invoices/i0');
  });
});
