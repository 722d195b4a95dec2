/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { KeptView, StoresView, SupplierView } from '@jubb/contract';
import type { OrderPlan } from '@jubb/core/parts';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { ByTelephone } from '../findings/by-telephone.tsx';
import { Refusal, serve, show, una } from '../server.fixtures.tsx';
import { Facts } from '../units/facts.tsx';
import { KeepIn } from './keep-in.tsx';
import { Suppliers } from './suppliers.tsx';

afterEach(cleanup);
const mechanic = { ...una, person: { ...una.person, role: 'mechanic' as const } };
const kept = (more: Partial<KeptView>): KeptView => ({
  number: 'SP-4',
  drawer: null,
  thicknessNm: null,
  title: 'Split pin 4 × 40',
  bin: 'B2',
  count: 3,
  least: 10,
  upTo: 50,
  coming: 0,
  wanted: 47,
  supplier: 'Northgate',
  priceMinor: 12,
  ...more,
});
const supplier: SupplierView = { name: 'Northgate', phone: '01 23', email: '', account: '', notes: '', numbers: 31 };
const type = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const sent = async (asked: ReturnType<typeof serve>, method: string): Promise<{ path: string; body: unknown }> => {
  await waitFor(() => expect(asked.some((a) => a.method === method)).toBe(true));
  const { path, body } = asked.find((a) => a.method === method)!;
  return { path, body };
};

describe('what is kept in', () => {
  const view: StoresView = {
    kept: [
      kept({}),
      kept({
        number: null,
        drawer: 'hub-shims',
        thicknessNm: 50_000,
        title: 'hub shims 0.05 mm',
        least: null,
        upTo: null,
        wanted: 0,
      }),
    ],
    orders: [
      {
        id: 'o1',
        title: 'Grease',
        count: 2,
        supplier: 'Northgate',
        priceMinor: 900,
        ordered: '2026-11-20T09:00:00Z',
        by: 'Tam Veitch',
      },
    ],
  };
  test('what is below its level is offered with who lists it and how many; it is written down as ordered', async () => {
    const asked = serve({ stores: view, 'stores/suppliers': [supplier] });
    show(<KeepIn me={una} />);
    await screen.findByText('3 there, order below 10');
    expect(screen.getAllByRole('form', { name: /^Order / })).toHaveLength(1);
    type('Pieces', '60');
    fireEvent.click(screen.getByRole('button', { name: 'It is ordered' }));
    const order = await sent(asked, 'POST');
    expect(order).toMatchObject({
      path: 'stores/orders',
      body: { number: 'SP-4', count: 60, supplier: 'Northgate', priceMinor: 12 },
    });
  });

  test('what is ordered in two goes is two orders: the second has an id of its own, and the rest is offered', async () => {
    let coming = 0;
    const asked = serve({
      stores: () => ({ kept: [kept({ coming, wanted: 47 - coming })], orders: [] }),
      'stores/orders': () => {
        coming += 40;
        return undefined;
      },
      'stores/suppliers': [],
    });
    show(<KeepIn me={una} />);
    await screen.findByText('3 there, order below 10');
    type('Pieces', '40');
    fireEvent.click(screen.getByRole('button', { name: 'It is ordered' }));
    await screen.findByText('3 there, order below 10, 40 coming');
    expect(screen.getByLabelText<HTMLInputElement>('Pieces').value).toBe('7');
    fireEvent.click(screen.getByRole('button', { name: 'It is ordered' }));
    await waitFor(() => expect(asked.filter((a) => a.method === 'POST')).toHaveLength(2));
    const ids = asked.filter((a) => a.method === 'POST').map((a) => (a.body as { id: string }).id);
    expect(new Set(ids).size).toBe(2);
  });

  test('a level is set, and taken away by leaving it empty; a size of a shim is named by its drawer', async () => {
    const asked = serve({ stores: view, 'stores/suppliers': [], 'stores/levels': undefined });
    show(<KeepIn me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Level of Split pin 4 × 40' }));
    type('Order below', '');
    type('Up to', '');
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await sent(asked, 'PUT')).body).toEqual({ number: 'SP-4', least: null, upTo: null });
    cleanup();
    const again = serve({ stores: view, 'stores/suppliers': [], 'stores/levels': undefined });
    show(<KeepIn me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Level of hub shims 0.05 mm' }));
    type('Order below', '4');
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await sent(again, 'PUT')).body).toEqual({ drawer: 'hub-shims', thicknessNm: 50_000, least: 4, upTo: null });
  });

  test('what has come is counted in by anybody; a mechanic neither orders nor sets a level', async () => {
    const asked = serve({ stores: view, 'stores/suppliers': [] });
    show(<KeepIn me={mechanic} />);
    fireEvent.click(await screen.findByRole('button', { name: 'It is here' }));
    expect((await sent(asked, 'POST')).path).toBe('stores/orders/o1/arrive');
    expect(screen.queryByRole('button', { name: /Level of|It is ordered|Not wanted/ })).toBeNull();
  });
});

describe('suppliers', () => {
  test('how one is reached is put right; a mechanic reads it', async () => {
    const asked = serve({ 'stores/suppliers': [supplier] });
    show(<Suppliers me={una} />);
    fireEvent.click(await screen.findByRole('button', { name: 'Change Northgate' }));
    type('Our number with them', 'FR-9');
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await sent(asked, 'PUT')).body).toEqual({
      name: 'Northgate',
      phone: '01 23',
      email: '',
      account: 'FR-9',
      notes: '',
    });
    cleanup();
    serve({ 'stores/suppliers': [supplier] });
    show(<Suppliers me={mechanic} />);
    expect((await screen.findByRole('listitem')).textContent).toContain('31 numbers on their price list');
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('ordered by telephone', () => {
  const need = { part: 'seal', title: 'Hub seal', count: 2, number: 'BD6-121', priceMinor: 860, why: 'always-new' };
  const plan = { needs: [need, { ...need, part: 'pin', title: 'Pin', count: 0 }] } as unknown as OrderPlan;
  test('the parts that were chosen, from whom, at the price that was said; what is not counted is not offered', async () => {
    const asked = serve({ 'stores/suppliers': [supplier] });
    show(<ByTelephone job="j1" plan={plan} currency="£" />);
    fireEvent.click(screen.getByRole('button', { name: 'Ordered by telephone …' }));
    const write = screen.getByRole<HTMLButtonElement>('button', { name: 'Write it down' });
    expect([write.disabled, screen.getAllByRole('checkbox').length]).toEqual([true, 1]);
    fireEvent.click(screen.getByLabelText('2 × Hub seal'));
    type('From', 'The corner shop');
    const many = screen.getByLabelText<HTMLInputElement>('How many of Hub seal');
    expect(many.value).toBe('2');
    type('How many of Hub seal', '1');
    type('Hub seal, each without tax, £', '9,25');
    fireEvent.click(write);
    expect(await sent(asked, 'POST')).toMatchObject({
      path: 'jobs/j1/orders/by-telephone',
      body: { supplier: 'The corner shop', lines: [{ part: 'seal', number: 'BD6-121', count: 1, priceMinor: 925 }] },
    });
  });
});

test('a unit is put right on its page; the serial of another is refused, and what was typed stays', async () => {
  const unit = { id: 'u1', serial: '20390', model: 'BD-6', worksAt: '' } as never;
  const asked = serve({ 'units/u1': new Refusal(409, 'serial: 20391 is another unit of its kind') });
  let done = 0;
  show(<Facts unit={unit} done={() => (done += 1)} />);
  type('Serial number', '20391');
  type('Works at: which machine, where', 'Trailer 4');
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  expect((await screen.findByRole('alert')).textContent).toContain('20391 is another unit');
  expect(asked.at(-1)!.body).toEqual({ serial: '20391', model: 'BD-6', worksAt: 'Trailer 4' });
  expect([done, screen.getByLabelText<HTMLInputElement>('Serial number').value]).toEqual([0, '20391']);
});
