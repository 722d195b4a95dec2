/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { likeABrowser, serve, show } from '../server.fixtures.tsx';
import { Readiness, ReadyToStart } from './ready-to-start.tsx';
import { benchOf, bookedJob, shipped } from './rehearsed.fixtures.ts';

beforeAll(likeABrowser);
afterEach(cleanup);
const lack = (n: number): { what: 'wrench'; says: string; afterMinutes: number } => ({
  what: 'wrench',
  says: `No wrench ${n}`,
  afterMinutes: n,
});

describe('before the first spanner', () => {
  test('what is missing stands there with what it stops; the rest folds away', () => {
    render(
      <Readiness
        lacks={[
          { ...lack(1), stops: { step: 'build cap', title: 'Cap', side: 'build' }, afterMinutes: 90 },
          ...[2, 3, 4, 5].map(lack),
        ]}
        fetch={[{ what: 'tool', says: 'Flange bar', instead: 'a long bar' }]}
      />,
    );
    expect(screen.getByText('Before it is begun: 5 missing')).toBeTruthy();
    expect(screen.getByText(/^stops/).textContent).toMatch(/stops build.*cap, after 1 h 30 min of work/);
    expect(screen.getByText('4 more missing, 1 to fetch')).toBeTruthy();
    expect(screen.getByText(/or a long bar/)).toBeTruthy();
  });

  test('nothing missing and nothing to fetch takes no room', () => {
    render(<Readiness lacks={[]} fetch={[]} />);
    expect(document.body.textContent).toBe('');
  });

  test('is reckoned from the shop’s own instruments', async () => {
    serve({ instruments: [], 'jobs/j/offer': { plan: { lines: [], nameless: [] } } });
    const { bench } = benchOf(bookedJob(shipped('hub-dolly')).job());
    show(<ReadyToStart bench={bench} />);
    expect((await screen.findByText(/No wrench for the spindle nut, 90/)).textContent).toBeTruthy();
  });
});
