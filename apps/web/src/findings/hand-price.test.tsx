/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import type { OrderPlan } from '@jubb/core/parts';
import type { Sheet } from '@jubb/core/sheet';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { PartsList } from './parts-list.tsx';

const housing = { part: 'housing', title: 'Hub housing', count: 1, why: 'finding' } as never;
const plan: OrderPlan = {
  needs: [housing],
  lines: [],
  nameless: [housing],
  uncounted: [],
  totalMinor: 0,
  singlesMinor: 0,
};
const money = { rateMinor: 5200, taxPercent: 20, currency: '£', taxName: 'VAT' };
function shown(byHand: Record<string, string>, priceByHand?: (part: string, price: string) => void): void {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <PartsList
          job="j"
          sheet={{ parts: {} } as Sheet}
          cheapest={plan}
          money={money}
          way="cheapest"
          choose={() => undefined}
          byHand={byHand}
          priceByHand={priceByHand}
        />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
afterEach(cleanup);

describe('a part that the sheet has no number for', () => {
  test('is given a price by hand, in the shop’s money and without tax', () => {
    const told = jest.fn();
    shown({}, told);
    fireEvent.change(screen.getByLabelText('Hub housing, each without tax, £'), { target: { value: '84,50' } });
    expect(told).toHaveBeenCalledWith('housing', '84,50');
  });

  test('what is no sum is marked where it stands', () => {
    shown({ housing: 'ask Tam' }, () => undefined);
    expect(screen.getByLabelText('Hub housing, each without tax, £').className).toContain('is-invalid');
  });

  test('once it is quoted the price stands in the quote, and is asked no more', () => {
    shown({});
    expect(screen.getByText(/gives no number for: hub housing/)).toBeTruthy();
    expect(screen.queryByRole('textbox')).toBeNull();
  });
});
