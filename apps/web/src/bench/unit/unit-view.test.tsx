/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { nextMove } from '@jubb/core/bench';
import type { Op, OpKind } from '@jubb/core/sheet';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type At, benchOf, bookedJob, firstOf, shipped } from '../rehearsed.fixtures.ts';
import type { Bench } from '../use-bench.ts';
import { useUnitView } from './use-unit-view.tsx';

afterEach(cleanup);
// No screen here has a width.
Object.assign(globalThis, {
  matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
});
const hub = shipped('hub-dolly');

const hubAt = (kind: OpKind): At => firstOf(hub, kind);

const offOp = hub.steps.flatMap((s) => s.ops).find((o) => o.kind === 'off')!;

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

  test('a press on a part says where it lies and how it goes; another press closes it', () => {
    const at = hubAt('judge');
    render(<Shown bench={benchOf(at).bench} op={offOp} />);
    const washer = document.querySelector<HTMLElement>('[data-part="washer"]')!;
    fireEvent.click(washer);
    expect(screen.getByRole('status').textContent).toMatch(/Keyed washer.*off, 1 in tray .*key in the slot/);
    fireEvent.click(washer);
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('of a part that was measured it says what was read, and of one with a number its number', () => {
    const at = hubAt('judge');
    render(<Shown bench={benchOf(at).bench} op={offOp} />);
    fireEvent.click(document.querySelector('[data-part="spindle"]')!);
    expect(screen.getByRole('status').textContent).toMatch(/on the unit.*Spindle where the lip runs: \d+(\.\d+)?/);
    fireEvent.click(document.querySelector('[data-part="seal"]')!);
    expect(screen.getByRole('status').textContent).toContain(`order number ${hub.parts.seal!.order}`);
  });

  test('what rides with the hub is off with it, and is not said to be on the unit or in a tray', () => {
    const at = hubAt('judge');
    render(<Shown bench={benchOf(at).bench} op={offOp} />);
    fireEvent.click(document.querySelector('[data-part="cups"]')!);
    expect(screen.getByRole('status').textContent).toContain('off with what carries it');
  });

  test('what would go in another’s place is not drawn while it has not', () => {
    const lever = shipped('lever-piston');
    const piston = lever.steps
      .flatMap((s) => s.ops)
      .find((o) => o.kind === 'off' && o.parts.some((p) => p.part === 'piston'))!;
    render(<Shown bench={benchOf(bookedJob(lever).job()).bench} op={piston} />);
    expect(document.querySelector('[data-part="rear-lip"]')).not.toBeNull();
    expect(document.querySelector('[data-part="backing"]')).toBeNull();
  });
});
