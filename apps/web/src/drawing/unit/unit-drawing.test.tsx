/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { axesOf, axesWith, unitDrawing } from '@jubb/core/shape';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { shipped } from '../../bench/rehearsed.fixtures.ts';
import { UnitDrawingView } from './unit-drawing.tsx';
import { UnitFigures } from './unit-figures.tsx';

afterEach(cleanup);
const hub = shipped('hub-dolly');
const axis = axesOf(hub)[0]!;
const drawing = unitDrawing(hub, {
  axis,
  view: 'section',
  width: 630,
  height: 260,
  off: new Set(['cap', 'cap-bolt', 'lock-pin']),
  hand: { parts: new Set(['nut']), goes: 'off' },
});

describe('the unit on the screen', () => {
  test('is one stop of the keyboard, at the part that the move is about; arrows go from part to part and round', () => {
    const chosen: string[] = [];
    render(<UnitDrawingView drawing={drawing} title="Spindle" select={(p) => chosen.push(p)} />);
    const stops = (): HTMLElement[] => screen.getAllByRole('button').filter((b) => b.getAttribute('tabindex') === '0');
    expect(stops().map((b) => b.dataset.part)).toEqual(['nut']);
    const order = [...drawing.parts].sort((a, b) => a.box.x - b.box.x).map((p) => p.part);
    for (let i = 0; i < drawing.parts.length; i += 1) fireEvent.keyDown(stops()[0]!, { key: 'ArrowRight' });
    expect(stops()[0]!.dataset.part).toBe('nut');
    fireEvent.keyDown(stops()[0]!, { key: 'ArrowLeft' });
    expect(stops()[0]!.dataset.part).toBe(order[order.indexOf('nut') - 1]);
    expect(document.activeElement).toBe(stops()[0]);
    fireEvent.keyDown(stops()[0]!, { key: 'Enter' });
    fireEvent.click(screen.getByRole('button', { name: 'Castellated nut, what the move is about' }));
    expect(chosen).toEqual([order[order.indexOf('nut') - 1], 'nut']);
  });

  test('has its row in words beside it', () => {
    render(<UnitDrawingView drawing={drawing} title="Spindle" />);
    const list = screen.getByRole('list', { name: 'Spindle, as a list' });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((l) => l.textContent),
    ).toEqual(drawing.says);
  });

  test('on a paper nothing is pressed', () => {
    render(<UnitDrawingView drawing={drawing} title="Spindle" />);
    expect(screen.queryAllByRole('button')).toEqual([]);
    expect(screen.getByRole('img', { name: 'Spindle' })).toBeTruthy();
  });

  test('tells what is on, at hand and off by its classes, not by colour alone: off is never filled', () => {
    render(<UnitDrawingView drawing={drawing} title="Spindle" />);
    const of = (part: string): Element => document.querySelector(`[data-part="${part}"]`)!;
    expect(of('hub').classList.contains('on')).toBe(true);
    expect(of('nut').classList.contains('hand')).toBe(true);
    expect([...of('cap').querySelectorAll('path, circle')].every((p) => p.getAttribute('fill') === 'none')).toBe(true);
  });
});

describe('the unit on a paper', () => {
  test('the axes of what is worn, with that marked', () => {
    const worn = new Set(['cups']);
    const axes = axesWith(axesOf(hub), worn);
    expect(axes.map((a) => a.id)).toEqual(['spindle']);
    render(<UnitFigures sheet={hub} axes={axes} worn={worn} />);
    expect([...document.querySelectorAll('.part.worn')].map((p) => (p as HTMLElement).dataset.part)).toEqual([
      'cups',
      'cups',
    ]);
    expect(document.querySelector('.name.bold')!.textContent).toBe('Bearing cups');
  });
});
