/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { MeView, WeekView } from '@jubb/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Refusal, serve, show, submitted, una, type Asked } from '../server.fixtures.tsx';
import HoursScreen from './hours-screen.tsx';

afterEach(cleanup);
const workday = [
  ['08:00', '12:00'],
  ['12:30', '17:00'],
];
const week = {
  zone: 'Europe/London',
  hours: [workday, workday, workday, workday, workday, [], []],
  tools: [{ id: 'oven', title: 'Oven', capacity: 1 }],
  people: [{ id: 'p2', name: 'Tam Veitch' }],
  daysOff: [{ day: '2026-12-24', person: null }],
  extraHours: [{ id: 'x1', from: 29_700_000, to: 29_700_060, helper: false, person: 'p2', by: 'Una Reith' }],
} as unknown as WeekView;
const tam = { ...una, person: { ...una.person, role: 'mechanic' } } as MeView;
const writes = (asked: readonly Asked[]): Asked[] => asked.filter((a) => a.method !== 'GET');

describe('hours, days off and tools', () => {
  test('the owner sets the hours of a day in words and the number of a tool', async () => {
    const asked = serve({ plan: week });
    show(<HoursScreen me={una} />);
    const saturday = await screen.findByLabelText<HTMLInputElement>('Saturday');
    expect(screen.getByLabelText<HTMLInputElement>('Monday').value).toBe('08:00 to 12:00, 12:30 to 17:00');
    expect(saturday.value).toBe('');
    fireEvent.change(saturday, { target: { value: '9:00 to 13:00' } });
    fireEvent.change(screen.getByLabelText('Oven, how many'), { target: { value: '2' } });
    fireEvent.click(screen.getByRole('button', { name: /^Keep these hours/ }));
    await waitFor(() => expect(writes(asked)).toHaveLength(1));
    expect(writes(asked)[0]).toMatchObject({
      path: 'plan/shop',
      body: {
        hours: [workday, workday, workday, workday, workday, [['09:00', '13:00']], []],
        tools: [{ id: 'oven', capacity: 2 }],
      },
    });
  });

  test.each(['all day', '08:00', '8 until 12'])('%j is no day: nothing goes, and the day is named', async (typed) => {
    const asked = serve({ plan: week });
    show(<HoursScreen me={una} />);
    fireEvent.change(await screen.findByLabelText('Tuesday'), { target: { value: typed } });
    const go = screen.getByRole<HTMLButtonElement>('button', { name: /^Keep these hours/ });
    expect(go.disabled).toBe(true);
    expect(screen.getByRole('alert').textContent).toContain('Tuesday: hours such as');
    await submitted(go.closest('form')!);
    expect(writes(asked)).toEqual([]);
  });

  test('what the server says against it stands there', async () => {
    serve({
      plan: ({ path }: Asked) => (path === 'plan/shop' ? new Refusal(422, 'hours: the workshop is never open') : week),
    });
    show(<HoursScreen me={una} />);
    await screen.findByLabelText('Monday');
    fireEvent.click(screen.getByRole('button', { name: /^Keep these hours/ }));
    expect(await screen.findByText('hours: the workshop is never open')).toBeTruthy();
  });

  test('a day off is one person’s or everybody’s, and is taken back', async () => {
    const asked = serve({ plan: week });
    show(<HoursScreen me={una} />);
    const off = within(await screen.findByRole('region', { name: 'Days off' }));
    expect(off.getByText('2026-12-24').parentElement!.textContent).toContain('Nobody works');
    fireEvent.change(off.getByLabelText('Day off'), { target: { value: '2027-01-04' } });
    fireEvent.change(off.getByLabelText('Whose'), { target: { value: 'p2' } });
    fireEvent.click(off.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(writes(asked)).toHaveLength(1));
    fireEvent.click(off.getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(writes(asked)).toHaveLength(2));
    expect(writes(asked).map((a) => [a.method, a.path, a.body])).toEqual([
      ['POST', 'plan/days-off', { day: '2027-01-04', person: 'p2' }],
      ['DELETE', 'plan/days-off/2026-12-24', undefined],
    ]);
  });

  test('a mechanic sees them and sets none; what was agreed may be taken back', async () => {
    const asked = serve({ plan: week });
    show(<HoursScreen me={tam} />);
    expect((await screen.findByLabelText<HTMLInputElement>('Monday')).readOnly).toBe(true);
    expect(screen.queryByRole('button', { name: /^Keep these hours/ })).toBeNull();
    expect(screen.queryByLabelText('Day off')).toBeNull();
    const agreed = within(screen.getByRole('region', { name: 'Agreed beside these' }));
    expect(agreed.getByText(/Tam Veitch, agreed by/)).toBeTruthy();
    fireEvent.click(agreed.getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(writes(asked)[0]).toMatchObject({ method: 'DELETE', path: 'plan/extra-hours/x1' }));
  });
});
