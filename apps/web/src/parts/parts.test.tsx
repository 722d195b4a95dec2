import { describe, expect, test } from '@jest/globals';
import type { OrderLineView } from '@jubb/contract';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { ArrivedLines, ComingLines } from './lines.tsx';
import { ToOrderList } from './to-order.tsx';
import type { PartsActions } from './use-parts.ts';

const line: OrderLineView = {
  line: 'L1',
  job: 'j1',
  jobNumber: 319,
  unit: 'Air compressor',
  place: 'B',
  title: 'Top-end kit',
  number: 'PC2-910',
  count: 2,
  kit: false,
  contents: {},
  supplier: 'Gannet Parts',
  state: 'on-its-way',
  orderedAt: '2026-11-24T09:00:00.000Z',
  expected: '2026-11-26T12:00:00.000Z',
  arrivedAt: null,
  priceMinor: 5200,
  askedMinor: null,
  trouble: null,
  missing: [],
};
const never = (): Promise<void> => Promise.reject(new Error('nothing is pressed here'));
const actions: PartsActions = {
  wrong: undefined,
  said: undefined,
  arrive: never,
  sendBack: never,
  cancel: never,
  setStock: never,
};
const drawn = (element: React.JSX.Element): string =>
  renderToStaticMarkup(<MemoryRouter>{element}</MemoryRouter>)
    .replace(/\u202f/g, ' ')
    .replace(/<!-- -->/g, '');
const coming = (over: Partial<OrderLineView>): string =>
  drawn(<ComingLines lines={[{ ...line, ...over }]} currency="£" actions={actions} />);
const arrived = (over: Partial<OrderLineView>): string =>
  drawn(<ArrivedLines lines={[{ ...line, state: 'arrived', ...over }]} currency="£" actions={actions} />);

describe('a line that is on its way', () => {
  test('says how many of what, for which unit and where it stands, what all of them cost, and the day', () => {
    const html = coming({});
    expect(html).toContain('2 × Top-end kit');
    expect(html).toContain('PC2-910 · Gannet Parts · £ 104');
    expect(html).toMatch(/href="\/job\/j1"[^>]*>Job 319</);
    expect(html).toContain('Air compressor, B');
    expect(html).toContain('expected Thu 26 Nov');
    expect(html).not.toMatch(/dearer|cheaper/);
  });

  test('what is asked for it other than the list says is told, either way', () => {
    expect(coming({ askedMinor: 5512 })).toMatch(/£ 110\.24.*dearer than the list’s £ 104/);
    expect(coming({ askedMinor: 5000 })).toMatch(/£ 100.*cheaper than the list’s £ 104/);
    expect(coming({ askedMinor: 5200 })).not.toMatch(/dearer|cheaper/);
    // A part whose price nobody knows costs no nothing.
    expect(coming({ priceMinor: null })).not.toContain('£');
  });

  test('one without a day, one out of stock and one that cannot be sent say which they are', () => {
    expect(coming({ expected: null })).toContain('>on its way<');
    expect(coming({ state: 'out-of-stock' })).toContain('out of stock at the supplier');
    expect(coming({ state: 'sending' })).toContain('being ordered');
    const again = new Date(2026, 10, 26, 9, 5, 7).toISOString();
    expect(coming({ state: 'sending', trouble: { says: 'The supplier does not answer', again } })).toContain(
      'The supplier does not answer: kept, asked again at 09:05:07',
    );
  });
});

describe('a line that has come', () => {
  test('says when; the wrong part can go back; what a kit lacked is named', () => {
    const html = arrived({
      arrivedAt: new Date(2026, 10, 25, 14, 30).toISOString(),
      contents: { ring: 'Piston ring' },
      missing: ['ring', 'pin'],
    });
    expect(html).toContain('came Wed 25 Nov 14:30');
    expect(html).toContain('Wrong part');
    expect(html).toContain('Missing from it: Piston ring, pin');
  });

  test('what came from the drawer goes back to no supplier', () => {
    const html = arrived({ supplier: 'drawer' });
    expect(html).toContain('from the drawer');
    expect(html).not.toContain('Wrong part');
  });
});

test('a job whose parts are not ordered is a press from its list', () => {
  const html = drawn(
    <ToOrderList
      jobs={[
        { job: 'j1', jobNumber: 305, customer: 'Airfield', unit: 'Dolly wheel hub', parts: 1 },
        { job: 'j2', jobNumber: 318, customer: 'Depot', unit: 'Lift cylinder', parts: 6 },
      ]}
    />,
  );
  expect(html).toContain('1 part not ordered');
  expect(html).toContain('6 parts not ordered');
  expect(html).toContain('href="/job/j2/findings"');
});
