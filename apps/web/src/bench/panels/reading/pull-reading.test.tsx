/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { likeABrowser, pressed, show } from '../../../server.fixtures.tsx';
import { PullReading, torqueOf } from './pull-reading.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);

describe('a drag read with a pull scale', () => {
  const pull = (): HTMLInputElement => screen.getByLabelText('The scale shows');
  const radius = (): HTMLInputElement => screen.getByLabelText('From the axis to where it pulls');
  const type = (field: HTMLInputElement, value: string): void => void fireEvent.change(field, { target: { value } });
  const take = (): Promise<void> => pressed(screen.getByRole('button', { name: /^Take/, hidden: true }));

  test('is the pull times the radius', () => {
    // By hand: 9.2 N at 56.5 mm is 0.5198 N·m.
    expect(torqueOf('9.2', '56.5')).toEqual({ value: 0.5198, unit: 'N·m' });
    expect(torqueOf('9,2 N', '0.0565 m')).toEqual({ value: 0.5198, unit: 'N·m' });
    expect([torqueOf('', '56.5'), torqueOf('9.2', 'a hand')]).toEqual([undefined, undefined]);
  });

  test('says at which field it cannot be read, and takes nothing', async () => {
    const taken = jest.fn<(q: object) => boolean>(() => true);
    show(<PullReading take={taken} />);
    const wrong = (): string[] =>
      screen.getAllByRole('alert', { hidden: true }).map((a) => (a.textContent === '' ? '' : a.id));
    await take();
    expect(wrong()).toEqual(['pull-force-error', 'pull-radius-error']);
    type(pull(), '9.2');
    type(radius(), 'a hand');
    await take();
    expect(wrong()).toEqual(['', 'pull-radius-error']);
    expect(taken).not.toHaveBeenCalled();
  });

  test('the radius stays for the next pull; what was not taken stays whole', async () => {
    const taken = jest.fn<(q: object) => boolean>(() => false);
    show(<PullReading take={taken} />);
    type(pull(), '9.2');
    type(radius(), '56.5');
    await take();
    expect([pull().value, radius().value]).toEqual(['9.2', '56.5']);
    taken.mockReturnValue(true);
    await take();
    expect(taken.mock.calls).toEqual([[{ value: 0.5198, unit: 'N·m' }], [{ value: 0.5198, unit: 'N·m' }]]);
    expect([pull().value, radius().value]).toEqual(['', '56.5']);
  });
});
