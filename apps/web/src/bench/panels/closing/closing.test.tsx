/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { BenchState, Command } from '@jubb/core/bench';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { likeABrowser, show, una } from '../../../server.fixtures.tsx';
import { benchOf, shipped, workedUntil } from '../../rehearsed.fixtures.ts';
import { ClosePanel } from './close-panel.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
const sheet = shipped('hub-dolly');
/** The dolly hub, rehearsed until a command of a type is next. */
const until = (type: Command['type']): BenchState =>
  workedUntil(sheet, (_state, _move, next) => next?.type === type)!.state;
function closing(state: BenchState, kind: 'sign-off' | 'hand-over' | 'closed'): Command[] {
  const { bench, given } = benchOf({ sheet, state });
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
