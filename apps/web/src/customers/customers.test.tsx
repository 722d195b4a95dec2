/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { CustomerPage, CustomerRow, CustomersRead, MeView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import CustomerScreen from './customer-screen.tsx';
import CustomersScreen from './customers-screen.tsx';

afterEach(cleanup);
const mechanic: MeView = { ...una, person: { ...una.person, role: 'mechanic' } };
const row = (name: string, more: Partial<CustomerRow> = {}): CustomerRow => ({
  id: name,
  name,
  phone: '',
  email: '',
  address: '',
  notes: '',
  units: 1,
  jobs: 2,
  ...more,
});
const all = [row('Brae Quarry', { phone: '0555 8' }), row('Skerrow Airfield')];
const page: CustomerPage = {
  ...row('Brae Quarry', { phone: '0555 8' }),
  units: [{ id: 'u1', serial: 'BQ-1', model: 'BD-6' }],
  jobs: [
    { id: 'j2', number: 320, title: 'Dolly wheel hub', stage: 'strip' },
    { id: 'j1', number: 301, title: 'Dolly wheel hub', stage: 'handed-over' },
  ],
};
const links = (): (string | null)[] =>
  [...document.querySelectorAll('.customerlist a')].map((a) => a.getAttribute('href'));

describe('all customers', () => {
  test('stand with their units and jobs, and are found by name or telephone', async () => {
    serve({ 'customers/all': all });
    show(<CustomersScreen me={una} />);
    await screen.findByText('Brae Quarry');
    expect(screen.getAllByRole('listitem')[0]!.textContent).toContain('0555 8one unit, 2 jobs');
    fireEvent.change(screen.getByLabelText('Filter the customers'), { target: { value: '0555' } });
    expect(links()).toEqual(['/customers/Brae Quarry']);
    fireEvent.change(screen.getByLabelText('Filter the customers'), { target: { value: 'nobody' } });
    expect(document.body.textContent).toContain('No customer holds that.');
  });

  test('of a file are shown before they are taken, the wrong lines with why', async () => {
    const read = (taken: boolean): CustomersRead => ({
      lines: [
        { line: 2, what: 'new', facts: { name: 'North Sheds', phone: '', email: '', address: '', notes: '' } },
        { line: 3, what: 'wrong', why: 'name: A name is due' },
      ],
      taken,
    });
    const asked = serve({
      'customers/all': all,
      'customers/import': (a: { body: { take: boolean } }) => read(a.body.take),
    });
    show(<CustomersScreen me={una} />);
    const input = await screen.findByLabelText('Read a file');
    const file = new File([''], 'customers.csv');
    Object.assign(file, { text: () => Promise.resolve('name\nNorth Sheds\n\n') });
    fireEvent.change(input, { target: { files: [file] } });
    const said = await screen.findByRole('status');
    expect(said.textContent).toContain('1 new, 0 changed, 0 as they are, 1 that are not taken');
    expect(within(said).getByRole('listitem').textContent).toBe('Line 3: name: A name is due');
    fireEvent.click(within(said).getByRole('button', { name: 'Take 1 in' }));
    expect(await screen.findByText(/They are in the shop now/)).toBeTruthy();
    expect(asked.filter((a) => a.path === 'customers/import').map((a) => a.body)).toEqual([
      { csv: 'name\nNorth Sheds\n\n', take: false },
      { csv: 'name\nNorth Sheds\n\n', take: true },
    ]);
  });

  test('a mechanic reads no file in', async () => {
    serve({ 'customers/all': all });
    show(<CustomersScreen me={mechanic} />);
    await screen.findByText('Brae Quarry');
    expect(screen.queryByLabelText('Read a file')).toBeNull();
  });
});

describe('a customer', () => {
  test('has units and jobs: one in hand opens its bench, one that is over its record', async () => {
    serve({ 'customers/all': all, customers: page });
    show(<CustomerScreen me={una} />);
    await screen.findByRole('heading', { name: 'Brae Quarry' });
    expect(links()).toEqual(['/unit/u1', '/job/j2', '/job/j1/record']);
  });

  test('is kept once something is another; a refusal is said and what was typed stays', async () => {
    const asked = serve({
      'customers/all': all,
      customers: (a: { method: string }) =>
        a.method === 'PUT' ? new Refusal(409, 'name: Skerrow Airfield is a customer already') : page,
    });
    show(<CustomerScreen me={mechanic} />);
    const keep = await screen.findByRole('button', { name: 'Keep' });
    expect((keep as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Skerrow Airfield' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await screen.findByRole('alert')).textContent).toContain('is a customer already');
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Skerrow Airfield');
    expect(asked.find((a) => a.method === 'PUT')!.body).toMatchObject({ name: 'Skerrow Airfield', phone: '0555 8' });
  });

  test('goes into another when it is said which, and never into itself', async () => {
    const asked = serve({ 'customers/all': all, customers: page });
    show(<CustomerScreen me={una} />);
    const choice = await screen.findByLabelText('It is the same as');
    await waitFor(() =>
      expect(
        within(choice)
          .getAllByRole('option')
          .map((o) => o.textContent),
      ).toEqual(['nobody', 'Skerrow Airfield']),
    );
    fireEvent.change(choice, { target: { value: 'Skerrow Airfield' } });
    fireEvent.click(screen.getByRole('button', { name: 'Move 2 jobs to Skerrow Airfield' }));
    await waitFor(() => expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ into: 'Skerrow Airfield' }));
  });
});
