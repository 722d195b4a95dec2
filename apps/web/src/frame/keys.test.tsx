/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { KEY_TABLE, keyName, type KeyAct } from './key-table.ts';
import { KeysDialog } from './keys-dialog.tsx';
import { useKeys } from './keys.ts';

const did = jest.fn();
function Bench({ acts }: { readonly acts: readonly KeyAct[] }): React.JSX.Element {
  useKeys(Object.fromEntries(acts.map((a) => [a, () => did(a)])));
  return (
    <>
      <div className="op">
        <button type="button">Reuse</button>
        <input aria-label="reason" />
      </div>
      <button type="button">elsewhere</button>
    </>
  );
}
beforeEach(() => {
  // In a page's tests nothing is laid out: whatever is there is in sight.
  Element.prototype.getClientRects = () => [{}] as unknown as DOMRectList;
  HTMLDialogElement.prototype.showModal = function (this: HTMLDialogElement) {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function (this: HTMLDialogElement) {
    this.open = false;
  };
});
afterEach(() => {
  cleanup();
  did.mockReset();
  localStorage.clear();
});
const press = (key: string, at: Element = document.body): boolean => fireEvent.keyDown(at, { key });

describe('single keys', () => {
  test('act where nothing is being typed', () => {
    render(<Bench acts={['note', 'go']} />);
    press('n');
    press('Enter');
    press('n', screen.getByText('elsewhere'));
    expect(did.mock.calls.flat()).toEqual(['note', 'go', 'note']);
  });

  test('a reason typed right after a press goes into its field, and fires nothing', () => {
    render(<Bench acts={['note', 'reckoner', 'theme', 'takeBack']} />);
    const button = screen.getByText('Reuse');
    button.focus();
    for (const key of 'turn') press(key, document.activeElement!);
    expect(did).not.toHaveBeenCalled();
    expect(document.activeElement).toBe(screen.getByLabelText('reason'));
  });

  test('a key given to a field or a pressed button stays there; Escape comes through', () => {
    render(<Bench acts={['note', 'go', 'close']} />);
    press('n', screen.getByLabelText('reason'));
    press('Enter', screen.getByText('Reuse'));
    expect(did).not.toHaveBeenCalled();
    press('Escape', screen.getByLabelText('reason'));
    expect(did.mock.calls.flat()).toEqual(['close']);
  });

  test('are switched off on the card, Enter and the arrows are not', () => {
    const shown = render(
      <>
        <Bench acts={['note', 'go', 'down']} />
        <KeysDialog close={() => undefined} />
      </>,
    );
    fireEvent.click(screen.getByLabelText(/Single letters act/));
    shown.rerender(
      <>
        <Bench acts={['note', 'go', 'down']} />
      </>,
    );
    for (const key of ['n', 'Enter', 'ArrowDown']) press(key);
    expect(did.mock.calls.flat()).toEqual(['go', 'down']);
  });
});

describe('the card', () => {
  test('has every key that acts, and no two acts of one place share a key', () => {
    render(<KeysDialog close={() => undefined} />);
    const { container } = { container: document.body };
    for (const { key, does } of Object.values(KEY_TABLE)) {
      expect(container.textContent).toContain(does);
      expect([...container.querySelectorAll('kbd')].map((k) => k.textContent)).toContain(keyName(key));
    }
    const seen = Object.values(KEY_TABLE).map(({ key, at }) => `${at} ${key}`);
    expect(new Set(seen).size).toBe(seen.length);
    const everywhere: readonly string[] = Object.values(KEY_TABLE)
      .filter((k) => k.at === 'everywhere')
      .map((k) => k.key);
    for (const { key, at } of Object.values(KEY_TABLE)) if (at !== 'everywhere') expect(everywhere).not.toContain(key);
  });
});
