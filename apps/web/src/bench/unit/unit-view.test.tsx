/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { nextMove } from '@jubb/core/bench';
import type { Op, OpKind } from '@jubb/core/sheet';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { benchOf, bookedJob, shipped, workedUntil, type At } from '../rehearsed.fixtures.ts';
import type { Bench } from '../use-bench.ts';
import { useUnitView } from './use-unit-view.tsx';

afterEach(cleanup);
// No screen here has a width.
Object.assign(globalThis, {
  matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
});
const hub = shipped('hub-dolly');

/** The hub, worked up to its first operation of a kind. */
function hubAt(kind: OpKind): At {
  let at: At | undefined;
  workedUntil(hub, (state, move) => {
    if (move.kind !== 'op' || move.op.kind !== kind) return false;
    at = { sheet: hub, state, op: move.op, step: move.step };
    return true;
  });
  if (!at) throw new Error(`the hub comes to no ${kind}`);
  return at;
}

function Shown({ bench, op }: { readonly bench: Bench; readonly op: Op }): React.JSX.Element {
  const { button, figure } = useUnitView(bench, op);
  return (
    <>
      {button}
      {figure}
    </>
  );
}
const drawn = (): string | null | undefined => document.querySelector('.unitdrawing')?.getAttribute('aria-label');
const x = (): void => act(() => void fireEvent.keyDown(window, { key: 'x' }));

describe('the unit on the bench', () => {
  test('is drawn in section where a part comes off; x puts its parts in a row, and back', () => {
    const at = hubAt('off');
    render(<Shown bench={benchOf(at).bench} op={at.op} />);
    expect(drawn()).toBe('Spindle, in section');
    expect(screen.getByRole('button', { name: 'In a row x' })).toBeTruthy();
    x();
    expect(drawn()).toBe('Spindle, in a row');
    x();
    expect(drawn()).toBe('Spindle, in section');
  });

  test('is folded where the panel draws by itself, and unfolds when it is asked for', () => {
    const at = hubAt('tighten');
    render(<Shown bench={benchOf(at).bench} op={at.op} />);
    expect(drawn()).toBeUndefined();
    fireEvent.click(screen.getByRole('button', { name: 'Draw the unit x' }));
    expect(drawn()).toBe('Spindle, in section');
    x();
    x();
    expect(drawn()).toBeUndefined();
  });

  test('is not there where a move is about nothing that is drawn', () => {
    const job = bookedJob(hub).job();
    const caution = hub.steps.flatMap((s) => s.ops).find((o) => o.kind === 'caution')!;
    expect(nextMove(hub, job.state).kind).toBe('op');
    render(<Shown bench={benchOf(job).bench} op={caution} />);
    expect(document.body.textContent).toBe('');
  });

  test('a press on a part says where it lies, how it goes and its order number; another press closes it', () => {
    const at = hubAt('judge');
    const off = hub.steps.flatMap((s) => s.ops).find((o) => o.kind === 'off')!;
    render(<Shown bench={benchOf(at).bench} op={off} />);
    const nut = document.querySelector<HTMLElement>('[data-part="washer"]')!;
    fireEvent.click(nut);
    const told = screen.getByRole('status').textContent;
    expect(told).toMatch(/Keyed washer.*off, 1 in tray .*key in the slot/);
    fireEvent.click(nut);
    expect(screen.queryByRole('status')).toBeNull();
  });
});
