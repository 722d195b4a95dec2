/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { ShopPersonView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import { People } from './people.tsx';

afterEach(cleanup);
const someone = (name: string, more: Partial<ShopPersonView> = {}): ShopPersonView => ({
  id: name,
  name,
  initials: name.slice(0, 2).toUpperCase(),
  role: 'mechanic',
  works: true,
  left: null,
  signedIn: 0,
  ...more,
});
const people = [
  someone('Magnus', { signedIn: 2 }),
  someone('Una Reith', { id: una.person.id, role: 'owner' }),
  someone('Old Hand', { left: '2025-04-02T10:00:00Z' }),
];
const type = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('who works here', () => {
  test('stands with role and devices; who left stands apart, and is brought back', async () => {
    const asked = serve({ 'shop/people': people });
    show(<People me={una} />);
    const here = await screen.findByRole('list', { name: 'Who works here' });
    expect(
      within(here)
        .getAllByRole('listitem')
        .map((l) => l.querySelector('small')!.textContent),
    ).toEqual(['Mechanic; signed in on 2 devices', 'Owner, works at the bench']);
    const gone = screen.getByRole('list', { name: 'Worked here before' });
    expect(gone.textContent).toContain('left 2 Apr 2025');
    fireEvent.click(within(gone).getByRole('button', { name: 'Bring back' }));
    await waitFor(() =>
      expect(asked).toContainEqual({ method: 'POST', path: 'shop/people/Old Hand/return', body: {} }),
    );
  });

  test('a new one is checked here before it is sent, and a refusal of the server stays by the form', async () => {
    const asked = serve({
      'shop/people': (a: { method: string }) =>
        a.method === 'POST' ? new Refusal(400, 'pin: 1234 is tried first by anybody; take another') : people,
    });
    show(<People me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Add somebody' }));
    const form = screen.getByRole('form', { name: 'Somebody new' });
    fireEvent.click(within(form).getByRole('button', { name: 'Add' }));
    expect(await screen.findByText('One to four letters')).toBeTruthy();
    expect(asked.some((a) => a.method === 'POST')).toBe(false);
    type('Name', 'Nils Ode');
    type('Initials', 'NO');
    type('PIN, to begin with', '1234');
    fireEvent.click(within(form).getByRole('button', { name: 'Add' }));
    expect(await screen.findByText(/is tried first by anybody/)).toBeTruthy();
    expect(asked.find((a) => a.method === 'POST')!.body).toEqual({
      name: 'Nils Ode',
      initials: 'NO',
      role: 'mechanic',
      works: true,
      pin: '1234',
    });
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Nils Ode');
  });

  test('a parts desk is not asked whether it works at the bench', async () => {
    serve({ 'shop/people': people });
    show(<People me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Add somebody' }));
    expect(screen.getByLabelText(/Works at the bench/)).toBeTruthy();
    type('Role', 'parts');
    expect(screen.queryByLabelText(/Works at the bench/)).toBeNull();
  });

  test('leaving is asked twice, a new PIN is given, and nobody gives one to themselves', async () => {
    const asked = serve({ 'shop/people': people });
    show(<People me={una} />);
    const [magnus, owner] = await screen.findAllByRole('button', { name: 'Change' });
    fireEvent.click(magnus!);
    fireEvent.click(screen.getByRole('button', { name: 'Works here no more …' }));
    expect(asked.some((a) => a.path.endsWith('/leave'))).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'Magnus has left' }));
    await waitFor(() => expect(asked.map((a) => a.path)).toContain('shop/people/Magnus/leave'));
    type('New PIN, if they forgot theirs', '5093');
    fireEvent.click(screen.getByRole('button', { name: 'Give it' }));
    expect((await screen.findByRole('status')).textContent).toContain('Magnus signs in with the new PIN');
    expect(asked).toContainEqual({ method: 'PUT', path: 'shop/people/Magnus/pin', body: { pin: '5093' } });
    fireEvent.click(owner!);
    expect(screen.queryByLabelText('New PIN, if they forgot theirs')).toBeNull();
    expect(document.body.textContent).toContain('Your own PIN: press your initials');
  });
});
