/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { BackupsView, BackupView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { pressed, Refusal, serve, show } from '../server.fixtures.tsx';
import { Backups } from './backups.tsx';

afterEach(cleanup);
const daysAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toISOString();
const backup = (more: Partial<BackupView>): BackupView => ({
  id: 'b1',
  asked: daysAgo(2),
  by: 'Una Reith',
  state: 'done',
  file: 'jubb-1.tar',
  there: true,
  bytes: 12_400_000,
  sha256: 'ab'.repeat(32),
  jobs: 31,
  problem: null,
  ...more,
});
const view = (more: Partial<BackupsView>): BackupsView => ({
  nightly: null,
  folder: '/srv/jubb/backups',
  last: daysAgo(2),
  all: [backup({})],
  ...more,
});
const shown = async (v: BackupsView): Promise<string> => {
  serve({ 'shop/backups': v });
  show(<Backups />);
  return (await screen.findByRole('status')).textContent;
};

describe('the age of the last backup', () => {
  test('is said in days; an old one says to take another', async () => {
    expect(await shown(view({}))).toMatch(/^The last is 2 days old/);
    cleanup();
    expect(await shown(view({ last: daysAgo(12) }))).toMatch(/12 days old.*Take another\.$/);
  });
  test('none is said as none', async () => {
    expect(await shown(view({ last: null, all: [] }))).toContain('No backup is there.');
  });
});

describe('backups', () => {
  test('one that lies there can be copied; one that is gone or failed cannot, and says why', async () => {
    await shown(
      view({
        all: [
          backup({ id: 'here' }),
          backup({ id: 'gone', there: false }),
          backup({ id: 'bad', state: 'failed', problem: 'the disk is full', sha256: null }),
        ],
      }),
    );
    const [here, gone, bad] = screen.getAllByRole('listitem');
    expect(here!.querySelector('a')!.getAttribute('href')).toBe('/api/shop/backups/here/file');
    expect(here!.textContent).toContain('31 jobs, 12 MB');
    expect([gone!.querySelector('a'), bad!.querySelector('a')]).toEqual([null, null]);
    expect(gone!.textContent).toContain('not in its folder any more');
    expect(bad!.textContent).toContain('none: the disk is full');
  });

  test('one is taken by a press; while it is taken there is no second press; a refusal is said', async () => {
    let taking = false;
    const asked = serve({
      'shop/backups': (a: { method: string }) => {
        if (a.method !== 'POST') return view({ all: [backup({ state: taking ? 'running' : 'done' })] });
        if (taking) return new Refusal(409, 'A backup is being taken: it is there in a moment');
        taking = true;
        return backup({ state: 'running' });
      },
    });
    show(<Backups />);
    fireEvent.click(await screen.findByRole('button', { name: 'Take one now' }));
    const busy = await screen.findByRole<HTMLButtonElement>('button', { name: 'Being taken …' });
    expect(busy.disabled).toBe(true);
    expect(asked.filter((a) => a.method === 'POST')).toHaveLength(1);
  });

  test('every night at a time, and not any more', async () => {
    const asked = serve({ 'shop/backups': view({ nightly: '02:00' }), 'shop/backups/nightly': undefined });
    show(<Backups />);
    const keep = await screen.findByRole<HTMLButtonElement>('button', { name: 'Keep this time' });
    expect(keep.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Taken every night at'), { target: { value: '23:30' } });
    await pressed(keep);
    fireEvent.click(screen.getByRole('button', { name: 'Not at night any more' }));
    await waitFor(() =>
      expect(asked.filter((a) => a.method === 'PUT').map((a) => a.body)).toEqual([{ at: '23:30' }, { at: null }]),
    );
  });
});
