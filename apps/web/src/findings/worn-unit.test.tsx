/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { bookedJob, shipped } from '../bench/rehearsed.fixtures.ts';
import { WornUnit } from './worn-unit.tsx';

afterEach(cleanup);
const axle = shipped('axle-pinion');
const found = (findings: Readonly<Record<string, 'renew' | 'reuse'>>): React.JSX.Element => (
  <WornUnit sheet={axle} state={{ ...bookedJob(axle).job().state, findings }} />
);
const marked = (): readonly (string | undefined)[] =>
  [...document.querySelectorAll<SVGGElement>('.part.worn')].map((g) => g.dataset.part);

describe('where a unit is worn', () => {
  test('is not drawn while nothing was found worn', () => {
    render(found({ pinion: 'reuse' }));
    expect(document.querySelector('svg')).toBeNull();
  });
  test('marks what was found on the axis that has it, and nothing else', () => {
    render(found({ 'tail-cone': 'renew', flange: 'reuse' }));
    expect(marked()).toEqual(['tail-cone']);
    expect(screen.queryByRole('button')).toBeNull();
  });
  test('shows one axis of several at a time', () => {
    render(found({ 'tail-cone': 'renew', 'ring-gear': 'renew' }));
    expect(marked()).toEqual(['tail-cone']);
    fireEvent.click(screen.getByRole('button', { name: 'Rear cover' }));
    expect(marked()).toEqual(['ring-gear']);
  });
});
