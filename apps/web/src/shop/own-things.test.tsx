/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { InstrumentView } from '@jubb/contract';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import { Changes } from './changes.tsx';
import { Drawers } from './drawers.tsx';
import FirstSteps from './first-steps.tsx';
import { Instruments } from './instruments.tsx';
import { Places } from './places.tsx';
import ShopScreen from './shop-screen.tsx';
import { StepBar } from './step-bar.tsx';

afterEach(cleanup);
const type = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const instrument = (more: Partial<InstrumentView>): InstrumentView => ({
  id: 'own-1',
  name: 'Long wrench',
  kind: 'torque-wrench',
  unit: 'N·m',
  resolution: 1,
  uncertainty: { value: 2, unit: 'N·m' },
  wrench: { minNm: 20, maxNm: 300, lengthMm: 500, graduation: 1, scaleUnit: 'N·m' },
  calibratedTo: '2021-05-31',
  simulated: false,
  connected: false,
  number: 'W-1',
  readBy: 'typed',
  ...more,
});

describe('instruments', () => {
  test('each with its range, its uncertainty and its date; out of date is said, and a simulated one cannot be changed', async () => {
    serve({
      instruments: [
        instrument({}),
        instrument({ id: 'dti-1', name: 'Indicator', simulated: true, calibratedTo: null }),
      ],
    });
    show(<Instruments />);
    const [own, simulated] = await screen.findAllByRole('listitem');
    expect(own!.textContent).toContain('20 to 300 N·m, no. W-1, ± 2 N·m, typed by hand');
    expect(own!.textContent).toContain('out of date since 31 May 2021');
    expect(own!.querySelectorAll('button')).toHaveLength(2);
    expect(simulated!.textContent).toContain('never calibrated');
    expect(simulated!.querySelectorAll('button')).toHaveLength(1);
  });

  test('the unit follows the kind, a gauge has no range of a wrench, and its figures are sent as numbers', async () => {
    const asked = serve({ instruments: [], 'shop/instruments': { id: 'own-2' } });
    show(<Instruments />);
    fireEvent.click(await screen.findByRole('button', { name: 'Add an instrument' }));
    expect(screen.getByLabelText('From, N·m')).toBeTruthy();
    type('Kind', 'micrometer');
    expect(screen.getByLabelText<HTMLInputElement>('Unit').value).toBe('mm');
    expect(screen.queryByLabelText('From, N·m')).toBeNull();
    type('Name', 'Micrometer 50 to 75');
    type('Smallest step', '0,001');
    type('Uncertainty, ±', '0.004');
    type('How it is read', 'keyboard');
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      name: 'Micrometer 50 to 75',
      kind: 'micrometer',
      unit: 'mm',
      resolution: 0.001,
      uncertainty: 0.004,
      readBy: 'keyboard',
    });
  });

  test('one goes off the list when it is said twice', async () => {
    const asked = serve({ instruments: [instrument({})], 'shop/instruments': undefined });
    show(<Instruments />);
    fireEvent.click(await screen.findByRole('button', { name: 'Not here any more …' }));
    expect(asked.some((a) => a.method === 'DELETE')).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'Yes, off the list' }));
    await waitFor(() => expect(asked.map((a) => `${a.method} ${a.path}`)).toContain('DELETE shop/instruments/own-1'));
  });
});

describe('drawers and places', () => {
  test('a drawer is counted a size a row, and there is always one more row', async () => {
    const drawer = { drawer: 'hub-shims', sheets: ['Dolly wheel hub'], sizes: [{ mm: 0.5, count: 3 }] };
    const asked = serve({ 'shop/drawers': [drawer] });
    show(<Drawers />);
    fireEvent.click(await screen.findByRole('button', { name: 'Count' }));
    type('Pieces of size 1', '5');
    type('Size 2, mm', '0,05');
    type('Pieces of size 2', '12');
    expect(screen.getByLabelText('Size 3, mm')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Keep the count' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(asked.find((a) => a.method === 'PUT')).toEqual({
      method: 'PUT',
      path: 'shop/drawers/hub-shims',
      body: {
        sizes: [
          { mm: 0.5, count: 5 },
          { mm: 0.05, count: 12 },
        ],
      },
    });
  });

  test('benches are a list of names; a refusal leaves what was typed', async () => {
    const view = { places: ['A', 'B'], shelves: ['S1'], zone: 'Europe/London', taken: ['A'] };
    const asked = serve({
      'shop/places': (a: { method: string }) =>
        a.method === 'PUT' ? new Refusal(422, 'places: A unit is at A: move it first') : view,
    });
    show(<Places />);
    await screen.findByLabelText('Benches, in their order');
    type('Benches, in their order', ' B ,\nC,');
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await screen.findByRole('alert')).textContent).toBe('places: A unit is at A: move it first');
    expect(asked.find((a) => a.method === 'PUT')!.body).toEqual({
      places: ['B', 'C'],
      shelves: ['S1'],
      zone: 'Europe/London',
    });
    expect(screen.getByLabelText<HTMLTextAreaElement>('Benches, in their order').value).toBe(' B ,\nC,');
  });
});

describe('the shop', () => {
  test('is the owner’s alone', () => {
    serve({});
    show(<ShopScreen me={{ ...una, person: { ...una.person, role: 'mechanic' } }} />);
    expect(document.body.textContent).toContain('Only the owner looks at this.');
  });

  test('what was changed stands with who and when, and what it was', async () => {
    serve({
      'shop/changes': [{ at: '2026-11-02T08:30:00Z', by: 'Una Reith', what: 'an hour', was: '52.00', is: '58.00' }],
    });
    show(<Changes />);
    const line = await screen.findByRole('listitem');
    expect(line.querySelector('small')!.textContent).toMatch(/^2 Nov 2026, \d\d:30, Una Reith$/);
    expect(['b', 'del', 'span'].map((e) => line.querySelector(e)!.textContent)).toEqual([
      'an hour',
      '52.00',
      '52.00 58.00',
    ]);
  });

  test('the first start leads from one screen to the next: which step it is, and what comes after it', async () => {
    const list = [
      { id: 'yourself', done: true },
      { id: 'money', done: false },
      { id: 'places', done: false },
      { id: 'people', done: false },
      { id: 'job', done: false },
    ];
    const bar = async (path: string, steps: object[] = list): Promise<string | undefined> => {
      serve({ 'shop/first-steps': steps });
      const { container } = show(<StepBar path={path} />);
      await waitFor(() => expect(container.querySelector('.stepbar')).not.toBeNull()).catch(() => undefined);
      const shown = container.querySelector('.stepbar');
      const says = shown
        ? `${shown.querySelector('b')!.textContent} > ${shown.querySelector('a')!.getAttribute('href')}`
        : undefined;
      cleanup();
      return says;
    };
    expect(await bar('/shop/money')).toBe('Step 2 of 5: Name, hour’s rate and tax > /shop/places');
    // Two steps are done at one place: the one that is not done yet is meant.
    expect(await bar('/shop/people')).toBe('Step 4 of 5: Who works with you > /book');
    expect(
      await bar(
        '/shop/people',
        list.map((s) => ({ ...s, done: false })),
      ),
    ).toBe('Step 1 of 5: Say who you are > /shop/money');
    expect(await bar('/shop/log')).toBeUndefined();
    expect(await bar('/shop/money', [...list.slice(0, 4), { id: 'job', done: true }])).toBeUndefined();
  });

  test('a certificate opens where the instrument stands, and another is added where it is changed', async () => {
    const asked = serve({
      instruments: [instrument({})],
      certificates: [
        {
          id: 'c1',
          instrument: 'own-1',
          name: 'cert 2026.pdf',
          mime: 'application/pdf',
          by: 'U',
          at: '2026-01-10T09:00:00Z',
        },
        {
          id: 'c2',
          instrument: 'other',
          name: 'not its own.pdf',
          mime: 'application/pdf',
          by: 'U',
          at: '2026-01-10T09:00:00Z',
        },
      ],
      'shop/instruments': [],
    });
    show(<Instruments />);
    const link = await screen.findByRole('link');
    expect([link.textContent, link.getAttribute('href')]).toEqual([
      'cert 2026.pdf (10 Jan 2026)',
      '/api/certificates/c1',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Change' }));
    const file = new File(['%PDF-'], 'cert 2027.pdf', { type: 'application/pdf' });
    fireEvent.change(screen.getByLabelText('Add its certificate: a PDF or a picture'), { target: { files: [file] } });
    await waitFor(() =>
      expect(asked.map((a) => `${a.method} ${a.path}`)).toContain('POST shop/instruments/own-1/certificates'),
    );
    // As a form with the file in it, and not as JSON.
    expect(asked.find((a) => a.method === 'POST')!.body).toBeUndefined();
  });

  test('first steps: what is done is ticked, the next one is lit, and all are gone once a unit was booked', async () => {
    const steps = (job: boolean): object[] => [
      { id: 'yourself', done: true },
      { id: 'money', done: false },
      { id: 'job', done: job },
    ];
    serve({ 'shop/first-steps': steps(false) });
    const { unmount } = show(<FirstSteps />);
    const items = await screen.findAllByRole('listitem');
    expect(items.map((l) => l.className)).toEqual(['done', 'next', '']);
    expect(items[1]!.querySelector('a')!.getAttribute('href')).toBe('/shop/money');
    unmount();
    const asked = serve({ 'shop/first-steps': steps(true) });
    const { container } = show(<FirstSteps />);
    await waitFor(() => expect(asked).toHaveLength(1));
    await act(async () => Promise.resolve());
    expect(container.querySelector('.firststeps')).toBeNull();
  });
});
