/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { JobLine } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { likeABrowser, Refusal, serve, show, type Answers, una } from '../server.fixtures.tsx';
import FloorScreen from './floor-screen.tsx';
import { jobLine } from './job-line.fixtures.ts';

beforeAll(likeABrowser);
afterEach(cleanup);
const floor = (jobs: readonly JobLine[]): Answers => ({
  floor: { places: ['A', 'B'], shelves: ['S1'], now: '2026-11-24T10:00:00Z', jobs },
  'jobs/handed-over': [],
  'plan/moves': [],
  'plan/slack': {},
});
const moves = (): string[] => [...document.querySelectorAll('.nextlist a')].map((a) => a.textContent);

describe('the Floor', () => {
  test('says what stands on each bench and what each job wants next', async () => {
    serve(floor([jobLine(301), jobLine(302, { place: 'S1', customer: 'Ferry Works', nextMove: 'Nut off' })]));
    show(<FloorScreen me={una} />);
    expect(await screen.findByText('1 of 2 in use')).toBeTruthy();
    await waitFor(() => expect(moves().join()).toContain('Cap off'));
    expect(document.querySelector('.shelf')!.textContent).toContain('302 · S1');
  });

  test('a filter narrows it to whom it is about, and Escape takes it off', async () => {
    serve(floor([jobLine(301), jobLine(302, { place: 'B', customer: 'Ferry Works', nextMove: 'Nut off' })]));
    show(<FloorScreen me={una} />);
    const filter = await screen.findByLabelText('Filter the floor');
    await waitFor(() => expect(moves()).toHaveLength(2));
    fireEvent.change(filter, { target: { value: 'ferry' } });
    expect(moves()).toHaveLength(1);
    expect(moves()[0]).toContain('Nut off');
    fireEvent.change(filter, { target: { value: 'nobody' } });
    expect(screen.getByText('Nothing that fits the filter wants a hand.')).toBeTruthy();
    fireEvent.keyDown(filter, { key: 'Escape' });
    expect(moves()).toHaveLength(2);
  });

  test('jobs that have no place yet are shown as many as are read at a glance, the rest by a press', async () => {
    const many = Array.from({ length: 18 }, (_, i) => jobLine(400 + i, { place: null }));
    serve(floor(many));
    show(<FloorScreen me={una} />);
    const more = await screen.findByRole('button', { name: '2 more have no place yet: show them' });
    expect(document.querySelectorAll('.shelf .tag:not(.free)')).toHaveLength(16);
    fireEvent.click(more);
    expect(document.querySelectorAll('.shelf .tag:not(.free)')).toHaveLength(18);
  });

  test('a unit that is picked up by keys begins at its own place, and is told by its number', async () => {
    serve(floor([jobLine(301), jobLine(302, { place: 'B' })]));
    show(<FloorScreen me={una} />);
    const handle = await screen.findByRole('button', { name: 'Move job 302 to another place' });
    const said = (): string | null => document.querySelector('[id^=DndLiveRegion]')!.textContent;
    handle.focus();
    fireEvent.keyDown(handle, { code: 'Space' });
    await waitFor(() => expect(said()).toBe('Job 302 is over B'));
    fireEvent.keyDown(document, { code: 'Escape' });
    await waitFor(() => expect(said()).toBe('Job 302 stays where it was'));
  });

  test('what was handed over leads to its record, with how it ended', async () => {
    const over = jobLine(299, { stage: 'handed-over', notices: { ...jobLine(1).notices, ended: 'Scrapped' } });
    serve({ ...floor([]), 'jobs/handed-over': [over] });
    show(<FloorScreen me={una} />);
    const link = await screen.findByRole('link', { name: '299, Council Depot (scrapped)' });
    expect(link.getAttribute('href')).toBe('/job/j299/record');
    expect(screen.getByText('Nothing wants a hand. Book a unit in.')).toBeTruthy();
  });

  test('a server that does not answer is said, and that nothing is lost by it', async () => {
    serve({ floor: new Refusal(503, 'no database') });
    show(<FloorScreen me={una} />);
    expect(await screen.findByText(/^The server does not answer\. What you did is kept/)).toBeTruthy();
  });
});
