/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { rehearse, type Command } from '@jubb/core/bench';
import type { Op, Sheet } from '@jubb/core/sheet';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { likeABrowser, serve, show, una } from '../../server.fixtures.tsx';
import { MovePanel } from '../move-panel.tsx';
import { benchOf, drawers, upTo, type At } from '../rehearsed.fixtures.ts';

beforeAll(likeABrowser);
afterEach(cleanup);

/** Shows the panel of an operation, and keeps what its presses give. */
function pressed(at: At): Command[] {
  serve({ instruments: [] });
  const { bench, given } = benchOf(at);
  show(<MovePanel bench={bench} op={at.op} step={at.step} me={una} />);
  return given;
}
const go = (): HTMLButtonElement => document.querySelector<HTMLButtonElement>('.btn-go')!;
const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });
const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('parts that come off', () => {
  const known = (op: Op, sheet: Sheet): boolean =>
    op.kind === 'off' && op.by.length === 0 && op.parts.every((p) => sheet.parts[p.part]!.countKnown);
  test('lie in a tray that has a name; with what is to be remembered', () => {
    const at = upTo('off', known);
    const given = pressed(at);
    type('Where does it lie?', '');
    expect(go().disabled).toBe(true);
    type('Where does it lie?', 'B3');
    type(/^To remember/, 'arrow to the front');
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'complete', op: at.op.id, tray: 'B3', note: 'arrow to the front' }]);
  });

  test('one count that is not the sheet’s wants its reason', () => {
    const at = upTo('off', known);
    const [first] = at.op.kind === 'off' ? at.op.parts : [];
    const given = pressed(at);
    fireEvent.click(button('Another count'));
    type(`How many of ${at.sheet.parts[first!.part]!.title}`, String(first!.count + 1));
    expect(go().disabled).toBe(true);
    type(/^Not what the sheet says/, 'somebody put one more in');
    fireEvent.click(go());
    expect(given[0]).toMatchObject({ counts: { [first!.part]: first!.count + 1 }, reason: 'somebody put one more in' });
  });

  test('of which nobody knows how many are counted, or left for the tray', () => {
    const at = upTo('off', (op, sheet) => op.kind === 'off' && op.parts.some((p) => !sheet.parts[p.part]!.countKnown));
    const part = at.op.kind === 'off' ? at.op.parts.find((p) => !at.sheet.parts[p.part]!.countKnown)!.part : '';
    const given = pressed(at);
    expect(go().textContent).toContain('How many came off?');
    expect(go().disabled).toBe(true);
    fireEvent.click(button(/count later, from the tray/));
    expect(given[0]).toMatchObject({ type: 'complete', counts: { [part]: 'later' } });
  });

  test('by a way that does not work go by the next', () => {
    const at = upTo('off', (op) => op.kind === 'off' && op.by.length > 1);
    const given = pressed(at);
    fireEvent.click(button(/^It does not come/));
    expect(given).toEqual([{ type: 'way-failed', op: at.op.id }]);
  });
});

describe('what is counted, looked at, judged and chosen', () => {
  test('a count by presses goes as it stands', () => {
    const at = upTo('count');
    const given = pressed(at);
    fireEvent.click(button('One more'));
    fireEvent.click(button('One more'));
    fireEvent.click(button('One less'));
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'count', op: at.op.id, count: 1 }]);
  });

  test('a look is one press on what is seen', () => {
    const at = upTo('look');
    const look = at.sheet.looks[at.op.kind === 'look' ? at.op.look : '']!;
    const given = pressed(at);
    fireEvent.click(button(new RegExp(look.choices[1]!.title)));
    expect(given).toEqual([{ type: 'look', op: at.op.id, choice: look.choices[1]!.id }]);
  });

  test('a part is judged with a reason that stands ready, or one that is typed', () => {
    const at = upTo('judge');
    const part = at.op.kind === 'judge' ? at.op.parts.find((p) => at.state.findings[p] === undefined)! : '';
    const given = pressed(at);
    expect(screen.getByRole('heading', { name: at.sheet.parts[part]!.title })).toBeTruthy();
    type(/^What was seen/, 'pitted all round');
    fireEvent.click(button(/^Renew/));
    expect(given).toEqual([{ type: 'judge', op: at.op.id, part, finding: 'renew', reason: 'pitted all round' }]);
  });

  test('a method is one press, its reason beside it', () => {
    const at = upTo('choose');
    const method = at.sheet.methods[at.op.kind === 'choose' ? at.op.method : '']!;
    const given = pressed(at);
    const last = method.choices.at(-1)!;
    expect(button(new RegExp(last.title)).textContent).toContain(last.why);
    fireEvent.click(button(new RegExp(last.title)));
    expect(given).toEqual([{ type: 'choose', op: at.op.id, choice: last.id }]);
  });

  test('that nobody knows the cause is an answer too, with a note', () => {
    const at = upTo('cause');
    const given = pressed(at);
    type('What else speaks for it', 'customer unsure');
    fireEvent.click(button(/^Not known/));
    expect(given).toEqual([{ type: 'find-cause', op: at.op.id, choice: null, note: 'customer unsure' }]);
  });
});

describe('what goes in new, is reworked and bled', () => {
  test('is asked for its source once, for all that are due', () => {
    const at = upTo('place', (_op, sheet, state) => rehearse(sheet, state, { drawers })?.type === 'say-source');
    const given = pressed(at);
    fireEvent.click(button('From somewhere else'));
    expect(go().disabled).toBe(true);
    type(/^Where from/, 'the parts van');
    fireEvent.click(go());
    expect(given[0]).toMatchObject({ type: 'say-source', from: 'said', words: 'the parts van' });
  });

  test('rework goes on only with its look and its debris ticked', () => {
    const at = upTo('rework', (op) => 'check' in op && op.check !== undefined && op.clear !== undefined);
    const given = pressed(at);
    expect(go().disabled).toBe(true);
    for (const tick of screen.getAllByRole('button', { pressed: false })) fireEvent.click(tick);
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'complete', op: at.op.id, ticks: ['check', 'clear'] }]);
  });

  test('a bubble starts the strokes again', () => {
    const at = upTo('bleed', (op) => 'strokes' in op && (op.strokes ?? 0) > 1);
    const wanted = at.op.kind === 'bleed' ? at.op.strokes! : 0;
    const given = pressed(at);
    fireEvent.click(button(/^A clean stroke/));
    fireEvent.click(button(/^A bubble/));
    expect(go().textContent).toContain(`${wanted} more clean strokes`);
    for (let i = 0; i < wanted; i += 1) fireEvent.click(button(/^A clean stroke/));
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'complete', op: at.op.id, strokes: wanted }]);
  });
});
