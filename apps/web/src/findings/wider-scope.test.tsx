/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { emptyBench, type Command } from '@jubb/core/bench';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { benchOf, shipped } from '../bench/rehearsed.fixtures.ts';
import { pressed } from '../server.fixtures.tsx';
import { WiderScope } from './wider-scope.tsx';

afterEach(cleanup);
const sheet = shipped('axle-pinion');
const shown = (scope: string | undefined): readonly Command[] => {
  const state = { ...emptyBench('j'), ...(scope === undefined ? {} : { scope }) };
  const { bench, given } = benchOf({ sheet, state });
  render(<WiderScope bench={bench} />);
  return given;
};

describe('taking more of the unit in', () => {
  test('offers what takes in more, the least first, and asks who agreed before it goes', async () => {
    const given = shown('half-shafts');
    expect(screen.getByRole('heading').textContent).toBe('Booked: Half shaft gaskets only');
    expect([...screen.getByLabelText('Take in more').children].map((o) => o.textContent)).toEqual([
      'Pinion seal only',
      'Final drive, hubs stay',
      'All of it',
    ]);
    const go = screen.getByRole<HTMLButtonElement>('button', { name: 'Take it in' });
    expect(go.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Take in more'), { target: { value: 'final-drive' } });
    fireEvent.change(screen.getByLabelText(/Who agreed/), { target: { value: 'Mrs Hay' } });
    await pressed(go);
    expect(given).toEqual([{ type: 'widen-scope', scope: 'final-drive', says: 'Mrs Hay' }]);
  });

  test('is not there where the job is about all of it', () => {
    shown(undefined);
    expect(document.body.textContent).toBe('');
  });
});
