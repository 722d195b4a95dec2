/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render } from '@testing-library/react';
import { bookedJob, shipped } from '../bench/rehearsed.fixtures.ts';
import { LadderDrawing } from './ladder-drawing.tsx';

afterEach(cleanup);
const names = (id: string): readonly string[] => {
  const { sheet, state } = bookedJob(shipped(id)).job();
  render(<LadderDrawing sheet={sheet} state={state} />);
  return [...document.querySelectorAll('text')].map((t) => t.textContent ?? '');
};

describe('the ladder, drawn', () => {
  test('a folded sub-assembly of both sides says neither', () => {
    const shown = names('axle-kingpin');
    expect(shown).toContain('Wheel');
    expect(shown.filter((n) => /^(Wheel|Knuckle), (left|right)$/.test(n))).toEqual([]);
  });

  test('says how far it is, and where, to whoever cannot see it', () => {
    names('hub-dolly');
    expect(document.querySelector('svg')!.getAttribute('aria-label')).toMatch(
      /^Ladder: 0 of \d+ steps done, now strip /,
    );
  });
});
