/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { shipped } from '../bench/rehearsed.fixtures.ts';
import { BeltRoute, routesOf } from './belt-route.tsx';

afterEach(cleanup);
const { routes } = shipped('tensioner-belt');

describe('a route, drawn', () => {
  test('says the order of its pulleys and which runs on the back; every pulley has its name', () => {
    render(<BeltRoute route={routes!['double-route']!} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
      'Belt, two idlers, seen from the front: crank, tensioner (back of the belt), idler 2, compressor, fan, alternator, idler 1',
    );
    expect([...document.querySelectorAll('text')].map((t) => t.textContent)).toEqual(
      expect.arrayContaining(['Tensioner', 'on its back']),
    );
  });

  test.each(Object.keys(routes!))('%s: belt, pulleys and names lie within the drawing, no name over another', (id) => {
    render(<BeltRoute route={routes![id]!} />);
    const svg = document.querySelector('svg')!;
    const [, , wide, tall] = svg.getAttribute('viewBox')!.split(' ').map(Number) as [number, number, number, number];
    const number = (e: Element, name: string): number => Number(e.getAttribute(name));
    for (const c of document.querySelectorAll('circle')) {
      const [cx, cy, r] = [number(c, 'cx'), number(c, 'cy'), number(c, 'r')];
      expect(cx - r >= 0 && cx + r <= wide && cy - r >= 0 && cy + r <= tall).toBe(true);
    }
    // About 7.6 units a letter at 14.
    const boxes = [...document.querySelectorAll('text')].map((t) => {
      const long = t.textContent.length * 7.6;
      const before = { start: 0, middle: long / 2, end: long }[
        t.getAttribute('text-anchor') as 'start' | 'middle' | 'end'
      ];
      const left = number(t, 'x') - before;
      return { left, right: left + long, y: number(t, 'y') };
    });
    // No name over a pulley.
    for (const b of boxes)
      for (const c of document.querySelectorAll('circle')) {
        const [cx, cy, r] = [number(c, 'cx'), number(c, 'cy'), number(c, 'r')];
        const [nx, ny] = [Math.max(b.left, Math.min(cx, b.right)), Math.max(b.y - 11, Math.min(cy, b.y + 2))];
        expect(Math.hypot(nx - cx, ny - cy)).toBeGreaterThan(r);
      }
    for (const [i, a] of boxes.entries()) {
      expect(a.left).toBeGreaterThanOrEqual(-2);
      expect(a.right).toBeLessThanOrEqual(wide + 2);
      for (const b of boxes.slice(i + 1))
        expect(a.right < b.left || b.right < a.left || Math.abs(a.y - b.y) >= 14).toBe(true);
    }
  });

  test('of a variant only, and all while that is not known', () => {
    expect(routesOf(routes, 'belt-route', 'single').map((r) => r.id)).toEqual(['single-route']);
    expect(routesOf(routes, 'belt-route', undefined)).toHaveLength(2);
    expect(routesOf(routes, 'another', undefined)).toEqual([]);
  });
});
