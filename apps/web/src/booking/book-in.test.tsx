/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import 'reflect-metadata';
import { likeABrowser, Refusal, serve, show, una, type Answers, type Asked } from '../server.fixtures.tsx';
import BookInScreen from './book-in-screen.tsx';

const hub = librarySheet('hub-dolly');
const axle = librarySheet('axle-pinion');
const CUSTOMER = '6f1d8a52-2b0c-4d53-9a57-3b1f0c9f7a11';
const UNIT = '7f1d8a52-2b0c-4d53-9a57-3b1f0c9f7a12';
const depot = { id: CUSTOMER, name: 'Council Depot' };
const unit = {
  id: UNIT,
  sheet: 'hub-dolly',
  serial: 'DH-4471',
  model: 'D6',
  customer: depot,
  hoursPerWeek: 30,
  visits: [{ jobId: 'j', number: 288, booked: '2026-03-01T09:00:00Z', complaint: 'ran hot', outcome: ['Cups: renew'] }],
};
const answers: Answers = {
  sheets: [{ id: 'hub-dolly', title: hub.title, kind: hub.kind, revision: 1, maker: hub.maker, models: [] }],
  'sheets/hub-dolly': hub,
  floor: { places: ['A', 'B'], shelves: [], jobs: [{ place: 'A' }], now: '2026-11-24T08:00:00Z' },
  customers: [depot],
  units: [unit],
  jobs: { id: 'new' },
};
const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const book = (): void => void fireEvent.click(screen.getByRole('button', { name: /^Book in/ }));
const booked = (asked: readonly Asked[]): Asked[] => asked.filter((a) => a.method === 'POST' && a.path === 'jobs');
beforeAll(likeABrowser);
afterEach(cleanup);

async function chooseSheet(): Promise<void> {
  await screen.findByRole('option', { name: hub.title });
  type('Build sheet', 'hub-dolly');
  await screen.findByText(/Which one is it\?/);
}

describe('booking a unit in', () => {
  test('one that is not known: what was typed goes, and the bench opens', async () => {
    const asked = serve({ ...answers, units: [], customers: [] });
    const { where } = show(<BookInScreen me={una} />, { path: '/book' });
    type('Serial on the unit', 'DH-9');
    type('Customer', 'Ada Forth');
    type('What is wrong with it', 'runs hot');
    await chooseSheet();
    type(/May be spent/, '120.50');
    book();
    await waitFor(() => expect(where()).toBe('/job/new'));
    expect(booked(asked)[0]!.body).toMatchObject({
      serial: 'DH-9',
      customerName: 'Ada Forth',
      complaint: 'runs hot',
      sheet: 'hub-dolly',
      spendLimitMinor: 12050,
    });
  });

  test('what the shop does not take in is not offered', async () => {
    serve({
      ...answers,
      sheets: [
        { id: 'hub-dolly', title: hub.title, kind: hub.kind, revision: 1, maker: hub.maker, models: [] },
        {
          id: 'axle-pinion',
          title: axle.title,
          kind: axle.kind,
          revision: 1,
          maker: axle.maker,
          models: [],
          notDone: true,
        },
      ],
    });
    show(<BookInScreen me={una} />, { path: '/book' });
    await screen.findByRole('option', { name: hub.title });
    expect(screen.queryByRole('option', { name: axle.title })).toBeNull();
  });

  test('how much of it: asked where the sheet knows of less than all, and forgotten with the sheet', async () => {
    const asked = serve({
      ...answers,
      units: [],
      sheets: [
        { id: 'hub-dolly', title: hub.title, kind: hub.kind, revision: 1, maker: hub.maker, models: [] },
        { id: 'axle-pinion', title: axle.title, kind: axle.kind, revision: 1, maker: axle.maker, models: [] },
      ],
      'sheets/axle-pinion': axle,
    });
    const { where } = show(<BookInScreen me={una} />, { path: '/book' });
    await chooseSheet();
    type('How much of it', 'cap');
    expect(screen.getByText('When: Cap leaks or is lost.')).toBeTruthy();
    type('Build sheet', 'axle-pinion');
    await screen.findByRole('option', { name: 'Pinion seal only' });
    const scope = screen.getByLabelText<HTMLSelectElement>('How much of it');
    expect(scope.value).toBe('');
    expect([...scope.options].map((o) => o.textContent)).toEqual([
      'All of it',
      'Half shaft gaskets only',
      'Pinion seal only',
      'Final drive, hubs stay',
    ]);
    type('How much of it', 'pinion-seal');
    expect(screen.getByText(/When: Oil at the pinion flange/)).toBeTruthy();
    type('Serial on the unit', 'PA-9');
    type('Customer', 'Ada Forth');
    type('What is wrong with it', 'oil at the pinion');
    book();
    await waitFor(() => expect(where()).toBe('/job/new'));
    expect(booked(asked)[0]!.body).toMatchObject({ sheet: 'axle-pinion', scope: 'pinion-seal' });
  });

  test('only places that are free are offered', async () => {
    serve(answers);
    show(<BookInScreen me={una} />);
    const options = await waitFor(() => {
      const found = [...screen.getByLabelText('Bench').querySelectorAll('option')].map((o) => o.textContent);
      expect(found).toContain('B');
      return found;
    });
    expect(options).toEqual(['none yet', 'B']);
  });

  test('one that was here brings its customer, its sheet and its hours, and asks why it is back', async () => {
    const asked = serve(answers);
    show(<BookInScreen me={una} />);
    type('Serial on the unit', 'DH-4');
    fireEvent.click(await screen.findByRole('button', { name: /DH-4471, Council Depot, here before/ }));
    expect(screen.getByText('Council Depot')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Runs, hours a week').value).toBe('30');
    expect(screen.getByText('Here before: once.')).toBeTruthy();
    type('What is wrong with it', 'hot again');
    type('Why is it back?', 'same noise');
    await screen.findByText(/Which one is it\?/);
    book();
    await waitFor(() => expect(booked(asked)).toHaveLength(1));
    expect(booked(asked)[0]!.body).toMatchObject({
      unitId: UNIT,
      customerId: CUSTOMER,
      hoursPerWeek: 30,
      opened: { answer: 'yes', why: 'same noise' },
    });
  });

  test('without a complaint nothing goes, and it is said where', async () => {
    const asked = serve({ ...answers, units: [], customers: [] });
    show(<BookInScreen me={una} />);
    type('Serial on the unit', 'DH-9');
    type('Customer', 'Ada Forth');
    await chooseSheet();
    book();
    await waitFor(() => expect(screen.getByLabelText('What is wrong with it').className).toContain('is-invalid'));
    expect(booked(asked)).toEqual([]);
  });

  test('an answer that lies near two is told at its question, and may be left open', async () => {
    let first = true;
    const asked = serve({
      ...answers,
      units: [],
      customers: [],
      jobs: () => {
        if (!first) return { id: 'new' };
        first = false;
        return new Refusal(422, 'answers.0.answer: near two', { 'answers.0.answer': ['64 mm is near two: undecided'] });
      },
    });
    const { where } = show(<BookInScreen me={una} />, { path: '/book' });
    type('Serial on the unit', 'DH-9');
    type('Customer', 'Ada Forth');
    type('What is wrong with it', 'runs hot');
    await chooseSheet();
    book();
    const open = await screen.findByRole('button', { name: /Leave it open/ });
    expect(screen.getByText(/64 mm is near two/)).toBeTruthy();
    fireEvent.click(open);
    await waitFor(() => expect(where()).toBe('/job/new'));
    expect(booked(asked).at(-1)!.body).toMatchObject({ leaveOpen: true });
    // The same booking: asked twice, it is booked once.
    const ids = booked(asked).map((a) => (a.body as { commandId: string }).commandId);
    expect(new Set(ids).size).toBe(1);
  });

  test('without a line nothing is lost: what was typed is still there', async () => {
    serve({ ...answers, units: [], customers: [], jobs: () => Promise.reject(new Error('No line')) });
    show(<BookInScreen me={una} />);
    type('Serial on the unit', 'DH-9');
    type('Customer', 'Ada Forth');
    type('What is wrong with it', 'runs hot');
    await chooseSheet();
    book();
    expect(await screen.findByText(/Nothing was booked; what you typed is still here/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Serial on the unit').value).toBe('DH-9');
  });
});

describe('what can be promised', () => {
  test('three dates, each with how sure it is; a press takes one', async () => {
    const at = Date.UTC(2026, 11, 1, 15) / 60_000;
    serve({
      ...answers,
      'plan/delivery-dates': { id: 'q1' },
      'plan/queued': {
        id: 'q1',
        state: 'done',
        deliveryDates: { at: [{ share: 0.8, date: at }], drivers: [], unknown: [] },
      },
    });
    show(<BookInScreen me={una} />);
    await chooseSheet();
    fireEvent.click(screen.getByRole('button', { name: 'What can be promised?' }));
    const date = await screen.findByRole('button', { name: /kept 80 times in 100/ });
    fireEvent.click(date);
    expect(new Date(screen.getByLabelText<HTMLInputElement>('Wanted by').value).getTime()).toBe(at * 60_000);
  });
});
