/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { QualityView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import ShopScreen from './shop-screen.tsx';

afterEach(cleanup);
const quality: QualityView = {
  sheets: [
    {
      sheet: 'hub-dolly',
      title: 'Dolly wheel hub',
      jobs: 12,
      comebacks: { value: 1 / 12, low: 0.015, high: 0.354 },
      hours: { value: 2.4, low: 2.1, high: 2.7 },
      sheetHours: 2,
      methods: [
        {
          title: 'How are the cups fitted? Warm',
          jobs: 1,
          comebacks: { value: 0, low: 0, high: 0.79 },
          hours: { value: 2.2, low: 0, high: null },
          sheetHours: 2,
        },
      ],
    },
  ],
  lessons: [
    {
      sheet: 'hub-dolly',
      rung: 'cap',
      words: 'a clip sits under the cap',
      by: 'Tam Veitch',
      at: '2026-11-20T09:00:00Z',
      number: 301,
    },
  ],
};

describe('what the owner looks at', () => {
  test('each figure with the range that it may really have, a way under its sheet', async () => {
    serve({ quality, calendar: { url: null } });
    show(<ShopScreen me={una} />);
    const rows = await screen.findAllByRole('row');
    expect(within(rows[1]!).getByRole('link').getAttribute('href')).toBe('/sheets/hub-dolly');
    expect(rows[1]!.textContent).toContain('8 of 100, may be 2 to 35');
    expect(rows[1]!.textContent).toContain('2.4 h, may be 2.1 to 2.7; sheet 2.0 h');
    expect(rows[2]!.textContent).toContain('How are the cups fitted? Warm');
    expect(rows[2]!.textContent).toContain('2.2 h, one job says no range');
  });

  test('a lesson says where, what, who and when', async () => {
    serve({ quality, calendar: { url: null } });
    show(<ShopScreen me={una} />);
    const lesson = (await screen.findByText(/a clip sits under the cap/)).textContent;
    expect(lesson).toContain('cap: a clip sits under the cap');
    expect(lesson).toContain('(Tam Veitch, job 301, 20 Nov 2026)');
  });

  test('with nothing over yet it says so; somebody else is told whose it is', async () => {
    serve({ quality: { sheets: [], lessons: [] }, calendar: { url: null } });
    const { unmount } = show(<ShopScreen me={una} />);
    expect(await screen.findByText('No job is over yet.')).toBeTruthy();
    expect(screen.getByText('None.')).toBeTruthy();
    unmount();
    serve({ quality: new Refusal(403, 'not yours') });
    show(<ShopScreen me={una} />);
    expect(await screen.findByText('Only the owner looks at this.')).toBeTruthy();
  });

  test('the calendar’s address is made, shown, and revoked', async () => {
    let url: string | null = null;
    const asked = serve({
      quality,
      calendar: ({ method }: { method: string }) => {
        if (method === 'POST') url = 'http://127.0.0.1/api/calendar/abc.ics';
        if (method === 'DELETE') url = null;
        return { url };
      },
    });
    show(<ShopScreen me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Make an address' }));
    expect(await screen.findByText('http://127.0.0.1/api/calendar/abc.ics')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Revoke it' }));
    await waitFor(() => expect(screen.queryByText(/abc\.ics/)).toBeNull());
    expect(asked.filter((a) => a.method !== 'GET').map((a) => a.method)).toEqual(['POST', 'DELETE']);
  });
});
