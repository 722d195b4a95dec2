/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { nextMove } from '@jubb/core/bench';
import type { Op } from '@jubb/core/sheet';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { InTheWay, saidSafe } from './in-the-way.tsx';
import { benchOf, bookedJob, shipped } from './rehearsed.fixtures.ts';

afterEach(cleanup);
const sheet = shipped('auto-clutch');
const load = Object.values(sheet.loads)[0]!;
const opOf = (kind: Op['kind'], test: (o: Op) => boolean): Op =>
  sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === kind && test(o))!;

const silent = { reason: '', setReason: (): void => undefined };

describe('what is in the way of a move', () => {
  test('nothing is said where nothing is', () => {
    const job = bookedJob(sheet).job();
    const move = nextMove(sheet, job.state);
    render(<InTheWay bench={benchOf(job).bench} op={(move as { op: Op }).op} {...silent} />);
    expect(document.body.textContent).toBe('');
  });

  test('is said part by part; a part that is shut in asks for no reason', () => {
    const job = bookedJob(sheet).job();
    const off = opOf(
      'off',
      (o) => o.kind === 'off' && o.parts.some((p) => (sheet.parts[p.part]?.sits?.behind.length ?? 0) > 0),
    );
    render(<InTheWay bench={benchOf(job).bench} op={off} {...silent} />);
    expect(screen.getByRole('alert').textContent).toMatch(/In the way.*(in the way|still held)/);
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  test('a spring that nothing holds: why it is safe is asked, and goes with the move', () => {
    const job = bookedJob(sheet).job();
    const down = opOf('let-down', (o) => o.kind === 'let-down' && o.what === load.id);
    const said: string[] = [];
    render(<InTheWay bench={benchOf(job).bench} op={down} reason="" setReason={(r) => said.push(r)} />);
    expect(screen.getByRole('alert').textContent).toContain(load.title);
    fireEvent.change(screen.getByLabelText(/why it is safe/), { target: { value: 'It is broken' } });
    expect(said).toEqual(['It is broken']);
    const done = { type: 'complete', op: down.id } as const;
    expect(saidSafe(done, down.id, 'It is broken')).toEqual({ ...done, reason: 'It is broken' });
    expect([saidSafe(done, down.id, ' '), saidSafe(done, 'another', 'x')]).toEqual([done, done]);
  });
});
