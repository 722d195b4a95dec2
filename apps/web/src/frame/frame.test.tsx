/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { FloorView } from '@jubb/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { jobLine } from '../floor/job-line.fixtures.ts';
import { likeABrowser, Refusal, serve, show, una } from '../server.fixtures.tsx';
import { Broken } from './broken.tsx';
import { Frame } from './frame.tsx';
import { SearchDialog } from './search-dialog.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
const timer = (id: string, due: string): FloorView['jobs'][number]['notices']['timers'][number] =>
  ({ id, kind: 'cure', title: `Cure ${id}`, due, minutes: 30, op: null }) as never;
const floor = (timers: readonly ReturnType<typeof timer>[] = []): FloorView => ({
  places: ['A'],
  shelves: [],
  now: new Date().toISOString(),
  jobs: [jobLine(306, { notices: { ...jobLine(1).notices, timers: [...timers] } })],
});
const places = (): string[] =>
  [...screen.getByRole('navigation', { name: 'Main' }).querySelectorAll('a')].map((a) => a.textContent);

/** The button on the rail: under More it stands once again. */
const press = (name: string): void => void fireEvent.click(screen.getAllByRole('button', { name })[0]!);

const field = (): HTMLElement => screen.getByLabelText(/^Find a customer/);

describe('the rail', () => {
  test('has the Shop for the owner, and for nobody else', () => {
    serve({ floor: floor() });
    show(<Frame me={una} />);
    expect(places()).toEqual(['Floor', 'Plan', 'Sheets', 'Parts', 'Customers', 'Reckoner', 'Stands', 'Verify', 'Shop']);
    cleanup();
    show(<Frame me={{ ...una, person: { ...una.person, role: 'mechanic' } }} />);
    expect(places()).not.toContain('Shop');
  });

  test('opens the keys, and the search by its button; Escape closes them, and nothing behind acts', async () => {
    serve({ floor: floor() });
    show(<Frame me={una} />);
    press('Keys');
    const keys = await screen.findByRole('dialog', { name: 'Keys' });
    expect(keys.contains(document.activeElement)).toBe(true);
    fireEvent.keyDown(document.activeElement!, { key: '/' });
    expect(screen.queryByRole('dialog', { name: 'Find' })).toBeNull();
    // The page behind would take the same key: it is taken, so that it does not.
    expect(fireEvent.keyDown(document.activeElement!, { key: 'Escape', code: 'Escape', keyCode: 27 })).toBe(false);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    press('Find');
    expect(await screen.findByRole('dialog', { name: 'Find' })).toBeTruthy();
    expect(document.activeElement).toBe(field());
  });

  test('turns to night and back, and says which it would be', () => {
    serve({ floor: floor() });
    show(<Frame me={una} />);
    press('Night bench');
    expect(document.documentElement.dataset['bsTheme']).toBe('dark');
    press('Day bench');
    expect(document.documentElement.dataset['bsTheme']).toBe('light');
  });

  test('shows the waits that are due first, and how many more there are', async () => {
    const at = (min: number): string => new Date(Date.now() + min * 60_000).toISOString();
    serve({ floor: floor([timer('a', at(50)), timer('b', at(-1)), timer('c', at(10)), timer('d', at(90))]) });
    show(<Frame me={una} />);
    const shown = await waitFor(() => {
      const all = [...document.querySelectorAll('.timer')];
      expect(all).toHaveLength(3);
      return all;
    });
    expect(shown.map((t) => t.getAttribute('title'))).toEqual([
      'Cure b, job 306',
      'Cure c, job 306',
      'Cure a, job 306',
    ]);
    expect(shown[0]!.textContent).toContain('done');
    expect(screen.getByText('+1')).toBeTruthy();
  });
});

describe('finding', () => {
  const found = [
    { kind: 'job', title: 'Job 306', says: 'Dolly hub, Council Depot', path: '/job/j306' },
    { kind: 'unit', title: 'DH-4471', says: 'Council Depot', path: '/unit/u1' },
  ];
  test('arrows choose, Enter goes, and the dialog is done', async () => {
    serve({ search: found });
    const close = jest.fn();
    const { where } = show(<SearchDialog close={close} />);
    fireEvent.change(field(), { target: { value: 'depot' } });
    await screen.findByText('DH-4471');
    fireEvent.keyDown(field(), { key: 'ArrowDown' });
    fireEvent.keyDown(field(), { key: 'ArrowDown' });
    expect(screen.getAllByRole('option').map((o) => o.getAttribute('aria-selected'))).toEqual(['false', 'true']);
    expect(field().getAttribute('aria-activedescendant')).toBe('found-1');
    fireEvent.submit(field().closest('form')!);
    await waitFor(() => expect(where()).toBe('/unit/u1'));
    expect(close).toHaveBeenCalled();
  });

  test('a press on one goes there too', async () => {
    serve({ search: found });
    const { where } = show(<SearchDialog close={() => undefined} />);
    fireEvent.change(field(), { target: { value: '306' } });
    fireEvent.click(await screen.findByText('Job 306'));
    await waitFor(() => expect(where()).toBe('/job/j306'));
  });

  test.each([
    ['nothing that holds it', [], 'Nothing holds that. Try fewer letters, or a number.'],
    ['a server that says no', new Refusal(503, 'no database'), 'The server does not answer.'],
  ])('%s is said, and Enter goes nowhere', async (_name, search, says) => {
    serve({ search });
    const { where } = show(<SearchDialog close={() => undefined} />);
    fireEvent.change(field(), { target: { value: 'zz' } });
    expect(await screen.findByText(says)).toBeTruthy();
    fireEvent.submit(field().closest('form')!);
    expect(where()).toBe('/');
  });
});

describe('a screen that broke', () => {
  test('says why, tries again, and forgets what may have broken it; jobs stay for a bench without a line', async () => {
    const again = jest.fn();
    const client = new QueryClient();
    client.setQueryData(['parts'], { odd: true });
    client.setQueryData(['job', 'j'], { events: [] });
    render(
      <QueryClientProvider client={client}>
        <Broken error={new Error('x is not a function')} resetErrorBoundary={again} />
      </QueryClientProvider>,
    );
    expect(screen.getByRole('alert').textContent).toContain('x is not a function');
    await waitFor(() => expect(client.getQueryData(['parts'])).toBeUndefined());
    expect(client.getQueryData(['job', 'j'])).toEqual({ events: [] });
    press('Try again');
    expect(again).toHaveBeenCalled();
  });
});
