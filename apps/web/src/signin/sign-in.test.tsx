/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { likeABrowser, Refusal, serve, show, una } from '../server.fixtures.tsx';
import { HandsDialog } from './hands-dialog.tsx';
import { NamesAndPin } from './names-and-pin.tsx';

const people = [
  { name: 'Una Reith', initials: 'UR' },
  { name: 'Tam Veitch', initials: 'TV' },
];
const pin = (typed: string): void => void fireEvent.change(screen.getByLabelText('PIN'), { target: { value: typed } });
const enter = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
beforeAll(likeABrowser);
afterEach(cleanup);

describe('signing in', () => {
  test('a name and its PIN go to the server, and who it is stands at once', async () => {
    const asked = serve({ people, session: una });
    const done = jest.fn();
    const { client } = show(<NamesAndPin done={done} />);
    fireEvent.click(await screen.findByRole('button', { name: /Una Reith/ }));
    pin('1357');
    enter();
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(asked.at(-1)).toEqual({ method: 'POST', path: 'session', body: { name: 'Una Reith', pin: '1357' } });
    expect(client.getQueryData(['me'])).toEqual(una);
  });

  test('without a name, or with three figures, nothing is asked', async () => {
    const asked = serve({ people });
    show(<NamesAndPin />);
    await screen.findByRole('button', { name: /Tam Veitch/ });
    pin('1357');
    enter();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('Press your name first'));
    fireEvent.click(screen.getByRole('button', { name: /Tam Veitch/ }));
    pin('135');
    enter();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('A PIN has four figures at least'));
    expect(asked.filter((a) => a.method === 'POST')).toEqual([]);
  });

  test.each([
    ['a wrong PIN', () => new Refusal(401, 'That is not the PIN of Una Reith'), 'That is not the PIN of Una Reith'],
    ['a server that is not there', () => Promise.reject(new TypeError('failed')), 'The server does not answer'],
  ])('%s is said, and the field is empty for the next try', async (_name, session, says) => {
    serve({ people, session });
    show(<NamesAndPin />);
    fireEvent.click(await screen.findByRole('button', { name: /Una Reith/ }));
    pin('1357');
    enter();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe(says));
    expect(screen.getByLabelText<HTMLInputElement>('PIN').value).toBe('');
  });

  test('names that cannot be asked for are told as that', async () => {
    serve({ people: new Refusal(503, 'no database') });
    show(<NamesAndPin />);
    expect(await screen.findByText('The server does not answer. Is it running?')).toBeTruthy();
  });
});

describe('other hands take over', () => {
  test('whoever is signed in stays so until another PIN is right', async () => {
    serve({ people });
    const close = jest.fn();
    show(<HandsDialog me={una} close={close} />);
    expect(await screen.findByText('Una Reith is signed in until another PIN is right.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Back' }));
    expect(close).toHaveBeenCalled();
  });

  test('a PIN is changed with the old one; what the server says against it stands there', async () => {
    const answers = { people, 'me/pin': new Refusal(422, 'That is one of the first that are guessed') };
    const asked = serve(answers);
    const close = jest.fn();
    show(<HandsDialog me={una} close={close} />);
    fireEvent.click(screen.getByRole('button', { name: 'Change my PIN' }));
    const take = screen.getByRole<HTMLButtonElement>('button', { name: 'Take the new PIN' });
    expect(take.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('The PIN that you have now'), { target: { value: '1357' } });
    fireEvent.change(screen.getByLabelText(/^The new one/), { target: { value: '1234' } });
    fireEvent.click(take);
    expect(await screen.findByText('That is one of the first that are guessed')).toBeTruthy();
    expect(asked.at(-1)).toEqual({ method: 'PUT', path: 'me/pin', body: { old: '1357', pin: '1234' } });
    expect(close).not.toHaveBeenCalled();
  });

  test('signing out asks the server, and goes to the Floor', async () => {
    const asked = serve({ people, session: undefined });
    const close = jest.fn();
    const { where } = show(<HandsDialog me={una} close={close} />, { path: '/plan' });
    fireEvent.click(screen.getByRole('button', { name: 'Sign out' }));
    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(asked.some((a) => a.method === 'DELETE' && a.path === 'session')).toBe(true);
    await waitFor(() => expect(where()).toBe('/'));
  });
});
