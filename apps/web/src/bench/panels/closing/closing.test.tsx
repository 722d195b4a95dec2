/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { decide, emptyBench, rehearse, type BenchState, type Command } from '@jubb/core/bench';
import { readGoodSheet } from '@jubb/core/sheet/read';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { likeABrowser, show, una } from '../../../server.fixtures.tsx';
import type { Bench } from '../../use-bench.ts';
import { ClosePanel } from './close-panel.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
const sheet = readGoodSheet(readFileSync(join(process.cwd(), 'library/hub-dolly.yaml'), 'utf8'), 'hub-dolly');
const drawers = {
  'hub-shims': [
    { thickness: { value: 1.2, unit: 'mm' }, count: 3 },
    { thickness: { value: 0.12, unit: 'mm' }, count: 3 },
  ],
};

/** The dolly hub, rehearsed until a command of a type is next. */
function until(type: Command['type']): BenchState {
  let state = emptyBench('j');
  let n = 0;
  const give = (command: Command): void => {
    n += 1;
    const at = new Date(Date.UTC(2026, 10, 24, 8, n)).toISOString();
    const envelope = { id: `c${n}`, job: 'j', who: una.person, at, device: 'd', command };
    const outcome = decide(state, sheet, envelope, { drawers });
    if (!outcome.ok) throw new Error(outcome.refusal.says);
    ({ state } = outcome);
  };
  give({
    type: 'book',
    number: 1,
    customer: { id: 'c', name: 'Council Depot' },
    unit: { id: 'u', serial: 's', model: 'm' },
    sheet: { id: sheet.id, revision: 1, title: sheet.title, hash: '' },
    complaint: 'x',
    promise: null,
    spendLimitMinor: null,
    variant: 'six-stud',
    identified: [],
    earlierVisits: 0,
  });
  for (let i = 0; i < 600; i += 1) {
    const next = rehearse(sheet, state, { drawers }, { impatience: 'rehearsed' });
    if (!next || next.type === type) return state;
    give(next);
  }
  throw new Error('it never ends');
}
function closing(state: BenchState, kind: 'sign-off' | 'hand-over' | 'closed'): Command[] {
  const given: Command[] = [];
  const take = (command: Command): boolean => given.push(command) > 0;
  const bench = { job: 'j', sheet, state, documents: [], context: { drawers }, give: take } as unknown as Bench;
  show(<ClosePanel bench={bench} jobId="j" kind={kind} />);
  return given;
}
const signed = until('sign-off');
const handing = until('hand-over');

describe('the end of a job', () => {
  test('with nothing in the way it is signed with one press', () => {
    const given = closing(signed, 'sign-off');
    expect(screen.getByText(/Sign it, and its record is sealed/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /^Sign off/ }));
    expect(given).toEqual([{ type: 'sign-off' }]);
  });

  test('what stands in the way is told with what would clear it', () => {
    const lying = { count: 1, tray: 'B2', seq: 1, at: '', by: una.person };
    const part = Object.keys(sheet.parts)[0]!;
    closing({ ...signed, off: { [part]: lying } }, 'sign-off');
    const told = screen.getByRole('list').textContent;
    expect(told).toContain(`${sheet.parts[part]!.title} still off the unit, tray B2.`);
    expect(told).toContain('Put it back');
  });

  test('it is handed to somebody: the customer is there already, nobody is not enough', () => {
    const given = closing(handing, 'hand-over');
    const to = screen.getByLabelText<HTMLInputElement>('Who takes the unit');
    expect(to.value).toBe('Council Depot');
    fireEvent.change(to, { target: { value: ' ' } });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Hand over/ }).disabled).toBe(true);
    fireEvent.change(to, { target: { value: 'the driver' } });
    fireEvent.click(screen.getByRole('button', { name: /^Hand over/ }));
    expect(given).toEqual([{ type: 'hand-over', to: 'the driver' }]);
  });

  test('one that is over leads to its record', () => {
    closing({ ...handing, handedOver: { seq: 1, at: '', by: una.person, to: 'the driver' } }, 'closed');
    expect(screen.getByText('To the driver.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'The record' }).getAttribute('href')).toBe('/job/j/record');
  });
});
