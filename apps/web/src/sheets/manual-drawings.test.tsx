/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { orderOf } from '@jubb/core/bench';
import { axesOf } from '@jubb/core/shape';
import { partsOfRow } from '@jubb/core/sheet';
import { cleanup, render, screen, within } from '@testing-library/react';
import { shipped } from '../bench/rehearsed.fixtures.ts';
import { ManualDrawings } from './manual-drawings.tsx';

afterEach(cleanup);
const hub = shipped('hub-dolly');

describe('the unit on its manual page', () => {
  test('is drawn whole an axis at a time, its parts numbered, and each number is in the list beside it', () => {
    render(<ManualDrawings sheet={hub} variant={undefined} />);
    const figure = screen.getByText('Spindle', { selector: 'figcaption' }).closest('figure')!;
    const listed = within(figure)
      .getAllByRole('listitem')
      .filter((l) => l.closest('.partlist'));
    const row = axesOf(hub)[0]!.row;
    expect(listed).toHaveLength(new Set(partsOfRow(row)).size);
    const numbers = [...figure.querySelectorAll('.unitdrawing .name text')].map((t) => t.textContent);
    for (const l of listed) expect(numbers).toContain(String((l as HTMLLIElement).value));
  });

  test('the bolts of a joint whose places are known are in plan, each with its turn', () => {
    render(<ManualDrawings sheet={hub} variant={undefined} />);
    const joint = hub.joints['cap-bolts']!;
    const plan = screen.getByRole('img', { name: `Cap in plan, pulled in the order ${orderOf(joint).join(', ')}` });
    const turns = [...plan.querySelectorAll('text')].map((t) => Number(t.textContent));
    // The first bolt is pulled first, its opposite next: common practice on six.
    expect(turns).toHaveLength(6);
    expect([turns[0], turns[3]]).toEqual([1, 2]);
    expect([...turns].sort((a, b) => a - b)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('what goes on in another’s place is not drawn beside it, but stands with it in the list', () => {
    const cartridge = shipped('lever-piston');
    const other = Object.values(cartridge.parts).find((p) => p.replaces !== undefined)!;
    render(<ManualDrawings sheet={cartridge} variant={undefined} />);
    expect(document.querySelector(`[data-part="${other.id}"]`)).toBeNull();
    const link = document.querySelector(`.partlist a[href="#part-${other.id}"]`)!;
    expect(link.closest('li')!.querySelector('a')!.getAttribute('href')).toBe(`#part-${other.replaces!}`);
  });

  test('a joint of one fastener has no plan', () => {
    render(<ManualDrawings sheet={hub} variant={undefined} />);
    expect(screen.queryByRole('img', { name: /spindle nut in plan/i })).toBeNull();
  });
});
