/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { MeView, UnitView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { Refusal, serve, show, una, type Asked } from '../server.fixtures.tsx';
import StandsScreen from '../stands/stands-screen.tsx';
import UnitScreen from '../units/unit-screen.tsx';
import VerifyScreen from '../record/verify-screen.tsx';
import SheetsScreen from './sheets-screen.tsx';

afterEach(cleanup);
const line = (id: string, title: string, kind: string, maker: string): object => ({
  id,
  title,
  kind,
  maker,
  models: ['D6'],
  revision: 2,
});

describe('the library', () => {
  const sheets = [
    line('hub-dolly', 'Dolly wheel hub', 'hub', 'Brindlow'),
    line('turbo-core', 'Turbocharger core', 'turbocharger', 'Calder'),
  ];
  test('stands by kind, and narrows by typing: title, maker or model', async () => {
    serve({ sheets });
    show(<SheetsScreen me={una} />);
    expect((await screen.findAllByRole('heading', { level: 2 })).map((h) => h.textContent)).toContain('Turbocharger');
    fireEvent.change(screen.getByLabelText('Filter the sheets'), { target: { value: ' brind' } });
    const links = [...document.querySelectorAll('.sheetline')];
    expect(links.map((l) => l.getAttribute('href'))).toEqual(['/sheets/hub-dolly']);
    fireEvent.change(screen.getByLabelText('Filter the sheets'), { target: { value: 'no such' } });
    expect(screen.getByText('No sheet holds that.')).toBeTruthy();
  });

  test('the owner says what the shop takes in, a press a sheet; what it does not says so on the list', async () => {
    const asked = serve({ sheets: [sheets[0], { ...sheets[1], notDone: true }], 'shop/sheets': undefined });
    show(<SheetsScreen me={una} />);
    expect((await screen.findByText('Turbocharger core')).closest('a')!.textContent).toContain('not taken in here');
    fireEvent.click(screen.getByRole('button', { name: 'What we take in …' }));
    const [hub, turbo] = screen.getAllByRole<HTMLInputElement>('checkbox');
    expect([hub!.checked, turbo!.checked]).toEqual([true, false]);
    fireEvent.click(hub!);
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(asked.find((a) => a.method === 'PUT')).toMatchObject({
      path: 'shop/sheets/hub-dolly',
      body: { done: false },
    });
  });

  test('takes in another workshop’s sheet for the owner only', async () => {
    serve({ sheets });
    const mechanic = { ...una, person: { ...una.person, role: 'mechanic' } } as MeView;
    const { container, unmount } = show(<SheetsScreen me={mechanic} />);
    await screen.findByText('Dolly wheel hub');
    expect(container.querySelector('input[type=file], textarea')).toBeNull();
    unmount();
    const owner = show(<SheetsScreen me={una} />);
    await screen.findByText('Dolly wheel hub');
    expect(owner.container.querySelector('input[type=file], textarea')).not.toBeNull();
  });
});

describe('the stands and instruments', () => {
  const indicator = {
    id: 'dti-1',
    kind: 'indicator',
    name: 'Indicator 0.001',
    connected: true,
    readBy: 'port',
    simulated: true,
    unit: 'mm',
    uncertainty: { value: 0.002, unit: 'mm' },
    calibratedTo: '2020-01-31',
  };
  test('say what answers, how true it is, and whose calibration ran out', async () => {
    serve({
      instruments: [indicator, { ...indicator, id: 'dti-2', name: 'Old one', connected: false, calibratedTo: null }],
    });
    show(<StandsScreen />);
    const first = (await screen.findByText('Indicator 0.001')).parentElement!.textContent;
    expect(first).toContain('connected, simulated · ± 0.002 mm · calibration ran out 31 Jan 2020');
    expect(screen.getByText('Old one').parentElement!.textContent).toContain('not connected, simulated');
    expect(screen.getByText('Old one').parentElement!.textContent).toContain('never calibrated');
    expect(screen.getByText('No stand is on the list.')).toBeTruthy();
  });

  test('one of the shop’s own is no dead line: it says how it is read, and is not asked how it is', async () => {
    const own = { ...indicator, id: 'own-1', name: 'Own indicator', simulated: false, connected: false };
    serve({
      instruments: [
        { ...own, readBy: 'typed' },
        { ...own, id: 'own-2', name: 'Wedge', readBy: 'keyboard' },
      ],
    });
    show(<StandsScreen />);
    const row = (await screen.findByText('Own indicator')).closest('.standrow')!;
    expect(row.textContent).toContain('typed by hand · ± 0.002 mm');
    expect(row.textContent).not.toContain('connected');
    expect(row.querySelector('button')).toBeNull();
    expect(screen.getByText('Wedge').parentElement!.textContent).toContain('types by itself');
  });

  test.each([
    [{ good: true, says: ['It answers', 'In date'], readings: [1] }, 'Good: It answers. In date'],
    [new Refusal(503, 'It does not answer'), 'Not good: It does not answer'],
  ])('one looks at itself when it is asked', async (check, says) => {
    serve({ instruments: [indicator], 'instruments/dti-1/check': check });
    show(<StandsScreen />);
    await screen.findByText('Indicator 0.001');
    fireEvent.click(screen.getAllByRole('button')[0]!);
    expect((await screen.findByRole('status')).textContent).toBe(says);
  });
});

describe('a unit and its visits', () => {
  const visit = (number: number, more: object = {}): object => ({
    jobId: `j${number}`,
    number,
    booked: '2026-03-01T09:00:00Z',
    complaint: 'ran hot',
    stage: 'handed-over',
    outcome: ['Cups: renew, pitted'],
    causes: ['water got in'],
    fitted: ['2 × Cups'],
    methods: ['Warm'],
    deferrals: [],
    judged: [],
    figures: [],
    left: '2026-03-04T15:00:00Z',
    lookAgain: [],
    cameFrom: null,
    ...more,
  });
  const unit = {
    id: 'u1',
    sheet: 'hub-dolly',
    serial: 'DH-4471',
    model: 'D6',
    customer: { id: 'c', name: 'Council Depot' },
    hoursPerWeek: null,
    visits: [
      visit(306, { booked: '2026-03-14T09:00:00Z', complaint: 'hot again', cameFrom: 288, stage: 'strip' }),
      visit(288),
    ],
  } as unknown as UnitView;

  test('one that came back says after how long, and what was done the last time', async () => {
    serve({ 'units/u1': unit, 'records/imported': [] });
    show(<UnitScreen />, { path: '/unit/:id', at: '/unit/u1' });
    expect(await screen.findByRole('heading', { name: 'DH-4471, D6' })).toBeTruthy();
    expect(document.querySelector('.back')!.textContent).toBe('back from 288, after 10 days');
    expect(screen.getByText(/Last time fitted: 2 × Cups. By: Warm/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Job 306' }).getAttribute('href')).toBe('/job/j306');
    expect(screen.getByRole('link', { name: 'Job 288' }).getAttribute('href')).toBe('/job/j288/record');
  });

  test('one that there is not is told', async () => {
    serve({});
    show(<UnitScreen />, { path: '/unit/:id', at: '/unit/u9' });
    expect(await screen.findByText('There is no such unit.')).toBeTruthy();
  });
});

describe('a record of somewhere', () => {
  const choose = (text: string): void => {
    const file = new File([text], 'record.json', { type: 'application/json' });
    Object.assign(file, { text: () => Promise.resolve(text) });
    fireEvent.change(screen.getByLabelText('Record file'), { target: { files: [file] } });
  };
  const verdict = (more: object): object => ({
    good: true,
    known: false,
    checks: [{ what: 'chain', good: true, says: 'The chain is whole' }],
    fingerprint: '12ab 34cd',
    ...more,
  });

  test('that is whole and of another key may be taken in', async () => {
    const asked = serve({
      'records/verify': verdict({}),
      'records/import': { title: 'Hub', serial: 'DH-1', number: 12, workshop: 'Elsewhere' },
    });
    show(<VerifyScreen />);
    choose('{"jubb":"job-record/6"}');
    expect(await screen.findByText('Whole, signed with a key you have not met')).toBeTruthy();
    expect(screen.getByText('Fingerprint 12ab 34cd')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take it in' }));
    expect((await screen.findByRole('status')).textContent).toContain('Hub, serial DH-1, job 12 of Elsewhere');
    const posted = asked.filter((a: Asked) => a.method === 'POST');
    expect(posted.map((a) => a.body)).toEqual([{ file: { jubb: 'job-record/6' } }, { file: { jubb: 'job-record/6' } }]);
  });

  test.each([
    [verdict({ known: true }), 'Whole, and signed by this workshop'],
    [
      verdict({ good: false, checks: [{ what: 'chain', good: false, says: 'Event 4 was changed' }] }),
      'Not to be trusted',
    ],
  ])('the verdict is said in words, and only another’s good one is taken in', async (answer, says) => {
    serve({ 'records/verify': answer });
    show(<VerifyScreen />);
    choose('{}');
    expect(await screen.findByText(says)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Take it in' })).toBeNull();
  });

  test('what is no JSON is said so, and nothing is asked', async () => {
    const asked = serve({});
    show(<VerifyScreen />);
    choose('<html>');
    expect(await screen.findByText('This file is not JSON')).toBeTruthy();
    await waitFor(() => expect(asked).toEqual([]));
  });
});
