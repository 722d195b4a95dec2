import { describe, expect, test } from '@jest/globals';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { jobLine } from './job-line.fixtures.ts';
import type { NextItem } from './next-moves.ts';
import { NextRow } from './next-row.tsx';

const now = new Date(2026, 10, 24, 10);
const job = jobLine(307, {
  id: 'j1',
  minutesLeft: 94,
  deliveryDate: new Date(2026, 10, 27, 12).toISOString(),
  place: 'C',
});
const drawn = (item: Partial<NextItem>, first = false): string =>
  renderToStaticMarkup(
    <MemoryRouter>
      <NextRow
        first={first}
        now={now}
        item={{
          key: 'k',
          job,
          words: 'Cap off',
          at: new Date(2026, 10, 26, 14, 30).getTime(),
          kind: 'begin',
          late: false,
          ...item,
        }}
      />
    </MemoryRouter>,
  )
    .replace(/<[^>]+>/g, '|')
    .replace(/\|+/g, '|');

describe('one of the next moves', () => {
  test('without a plan its moment is when it must have begun, and is said so', () => {
    expect(drawn({ mustBegin: true })).toBe('|Thu 14:30|at the latest|Cap off|C · Dolly wheel hub · 1 h 34 min|');
    expect(drawn({ mustBegin: true, at: new Date(2026, 10, 24, 14, 30).getTime() })).toMatch(
      /^\|14:30\|at the latest\|/,
    );
  });

  test('until the shop’s hours are known, only what was promised is said', () => {
    expect(drawn({})).toMatch(/^\|Thu 14:30\|promised\|/);
  });

  test('what is made ready is ready by its moment', () => {
    expect(drawn({ kind: 'ready', words: 'Oven on', mustBegin: true })).toMatch(
      /^\|Thu 14:30\|at the latest\|Oven on\|/,
    );
  });

  test('by a plan it is when it begins; what is begun by the plan already is begun today', () => {
    expect(drawn({ planned: true })).toMatch(/^\|Thu 14:30\|Cap off\|/);
    expect(drawn({ planned: true, at: now.getTime() - 3_600_000 })).toMatch(/^\|10:00\|Cap off\|/);
  });

  test('the first is for now, a wait has its clock, a job without a promise is for any time', () => {
    expect(drawn({}, true)).toMatch(/^\|Now\|Cap off\|/);
    const wait = drawn({ kind: 'wait', at: new Date(2026, 10, 24, 10, 15).getTime(), words: 'Cure: ends' });
    expect(wait).toBe('|10:15|Cure: ends|C · Dolly wheel hub|');
    expect(drawn({ job: { ...job, deliveryDate: null, place: null } })).toMatch(/^\|Any time\|Cap off\|no place · /);
  });

  test('what is late says it in words, and nothing of the latest moment, which is over', () => {
    const late = drawn({ late: true });
    expect(late).toMatch(/ · late\|$/);
    expect(late).not.toContain('at the latest');
  });
});
