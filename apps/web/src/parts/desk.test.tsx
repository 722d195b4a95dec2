/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { MeView, OrderLineView, PartsView, PriceListView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, una, type Asked } from '../server.fixtures.tsx';
import PartsScreen from './parts-screen.tsx';
import { PriceList } from './price-list.tsx';
import { SettingsForm } from '../shop/settings-form.tsx';

afterEach(cleanup);
const owner = {
  ...una,
  workshop: { name: 'Ferrydown Rebuilds', currency: '£', rateMinor: 5200, taxPercent: 20, taxName: 'VAT' },
} as unknown as MeView;
const writes = (asked: readonly Asked[]): Asked[] => asked.filter((a) => a.method !== 'GET');
const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('rate and tax', () => {
  test('are given in whole units of money, with a comma or a point, and kept in minor ones', async () => {
    const asked = serve({ workshop: {} });
    show(<SettingsForm workshop={owner.workshop} />);
    expect(screen.getByLabelText<HTMLInputElement>('For an hour').value).toBe('52.00');
    type('For an hour', '54,50');
    type('Tax, %', '21');
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await screen.findByRole('status')).textContent).toBe('Kept. Quotes that are made stay as they are.');
    expect(writes(asked)[0]).toEqual({
      method: 'PUT',
      path: 'workshop',
      body: { name: 'Ferrydown Rebuilds', currency: '£', rateMinor: 5450, taxPercent: 21, taxName: 'VAT' },
    });
  });

  test('what the server says against them stands there', async () => {
    serve({ workshop: new Refusal(422, 'taxPercent: from 0 to 100') });
    show(<SettingsForm workshop={owner.workshop} />);
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect((await screen.findByRole('status')).textContent).toBe('taxPercent: from 0 to 100');
  });
});

describe('a price list', () => {
  const seen = (more: Partial<PriceListView>): PriceListView =>
    ({
      lines: 4,
      added: 1,
      changed: 1,
      same: 1,
      wrong: 1,
      errors: [{ line: 3, field: 'price', given: '12,x', says: 'A price such as 12.50' }],
      sampleAdded: [{ number: 'ZN-9', title: 'Seal', priceMinor: 450 }],
      sampleChanged: [
        {
          before: { number: 'ZN-1', title: 'Cup', priceMinor: 900 },
          after: { number: 'ZN-1', title: 'Cup', priceMinor: 950 },
        },
      ],
      applied: false,
      ...more,
    }) as unknown as PriceListView;
  const choose = (): void => {
    const file = new File(['number,title,price'], 'list.csv', { type: 'text/csv' });
    fireEvent.change(screen.getByLabelText(/^CSV with number/), { target: { files: [file] } });
  };
  const mechanic = { ...owner, person: { ...owner.person, role: 'parts' } } as MeView;

  test('says first what it would change and which lines are wrong, and is taken in only by another press', async () => {
    const paths: string[] = [];
    serve({
      'parts/price-list': ({ path }: Asked) => {
        paths.push(path);
        return seen({ applied: path.endsWith('apply=yes') });
      },
    });
    show(<PriceList known={12} me={mechanic} />);
    const see = screen.getByRole<HTMLButtonElement>('button', { name: 'See what it changes' });
    expect(see.disabled).toBe(true);
    type('Whose list', 'Tarbert & Sons');
    choose();
    fireEvent.click(see);
    expect((await screen.findByRole('status')).textContent).toBe(
      'It would change: 1 new, 1 changed, 1 the same, 1 line wrong of 4.',
    );
    expect(screen.getByText('A price such as 12.50')).toBeTruthy();
    expect(screen.getByText('ZN-1 Cup').parentElement!.textContent).toContain('£ 9 → £ 9.50');
    fireEvent.click(screen.getByRole('button', { name: 'Take it in, without the wrong lines' }));
    await waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/^Taken in: 1 new/));
    expect(paths).toEqual([
      'parts/price-list?supplier=Tarbert%20%26%20Sons&apply=no',
      'parts/price-list?supplier=Tarbert%20%26%20Sons&apply=yes',
    ]);
  });

  test('that cannot be read says why, and what was seen before is gone', async () => {
    let first = true;
    serve({
      'parts/price-list': () => {
        if (!first) return new Refusal(413, 'file: at most 20 MB');
        first = false;
        return seen({});
      },
    });
    show(<PriceList known={12} me={mechanic} />);
    type('Whose list', 'T');
    choose();
    const see = screen.getByRole('button', { name: 'See what it changes' });
    fireEvent.click(see);
    await screen.findByRole('status');
    fireEvent.click(see);
    expect((await screen.findByRole('alert')).textContent).toBe('file: at most 20 MB');
    expect(screen.queryByRole('status')).toBeNull();
  });
});

describe('the parts desk', () => {
  const line = {
    line: 'l1',
    number: 'ZN-1',
    title: 'Bearing cups',
    count: 2,
    state: 'on-its-way',
    jobNumber: 306,
    jobId: 'j306',
    place: 'B',
    parts: [],
    kit: false,
    supplier: 'Tarbert',
    priceMinor: 900,
    orderedAt: '2026-11-20T09:00:00Z',
  } as unknown as OrderLineView;
  const parts = (more: Partial<PartsView> = {}): PartsView =>
    ({
      toOrder: [],
      lines: [],
      drawer: [],
      superseded: [{ old: 'ZN-0', now: 'ZN-1', title: 'Cups' }],
      catalogue: 3,
      ...more,
    }) as unknown as PartsView;

  /** Presses that the line on its way is here; the box for scanning has a button of that name too. */
  const here = async (): Promise<void> => {
    const line = (await screen.findByText('Bearing cups', { exact: false })).closest('li')!;
    fireEvent.click(within(line).getByRole('button', { name: 'It is here' }));
  };

  test('says where there is nothing to do, and which numbers are superseded', async () => {
    serve({ parts: parts() });
    show(<PartsScreen me={owner} />);
    expect(await screen.findByText('Every job that was judged has its parts ordered.')).toBeTruthy();
    expect(screen.getByText('Nothing is on its way.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Superseded 1' }));
    expect(screen.getByText(/ZN-0 →/).textContent).toContain('ZN-1');
  });

  test('what came is taken in with a press that says whose shelf it goes to', async () => {
    const asked = serve({ parts: parts({ lines: [line] }), 'parts/lines': { events: [] } });
    show(<PartsScreen me={owner} />);
    await here();
    expect((await screen.findByText(/is here, for job 306 at B/)).textContent).toContain('Bearing cups');
    expect(writes(asked)[0]).toMatchObject({ method: 'POST', path: 'parts/lines/l1/arrive', body: { missing: [] } });
  });

  test('a press that the server refuses says so, and nothing is called done', async () => {
    serve({ parts: parts({ lines: [line] }), 'parts/lines': new Refusal(409, 'It is here already') });
    show(<PartsScreen me={owner} />);
    await here();
    expect((await screen.findByText('It is here already')).className).toContain('field-error');
    expect(screen.queryByText(/is here, for job/)).toBeNull();
  });
});
