/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { ladderOf } from '@jubb/core/bench';
import { cleanup, render, screen } from '@testing-library/react';
import { OppositePictures } from './opposite-pictures.tsx';
import { ByPlace } from './panels/strip/by-place.tsx';
import { fireEvent } from '@testing-library/react';
import { benchOf, bookedJob, shipped } from './rehearsed.fixtures.ts';

afterEach(cleanup);
const sheet = shipped('hub-dolly');
const photo = (step: string, caption: string): object => ({
  photo: caption,
  step,
  caption,
  sha256: '',
  width: 1,
  height: 1,
});
const at = (id: string): void => {
  const job = bookedJob(sheet).job();
  const { bench } = benchOf({
    ...job,
    state: { ...job.state, photos: [photo('strip cap', 'Dot at twelve'), photo('strip nut', 'Nut')] as never },
  });
  const step = ladderOf(sheet, job.state).all.find((s) => s.id === id)!;
  render(<OppositePictures bench={bench} step={step} />);
};

describe('pictures on the opposite step', () => {
  test('what was taken when it came apart stands where it goes together, that of its own rung only', () => {
    at('build cap');
    expect(screen.getByAltText('Dot at twelve')).toBeTruthy();
    expect(screen.queryByAltText('Nut')).toBeNull();
  });
  test('while it comes apart nothing is shown', () => {
    at('strip cap');
    expect(document.body.textContent).toBe('');
  });
});

describe('fasteners by place', () => {
  test('one press where they are as the sheet says; otherwise which came out where is written down', () => {
    const said: unknown[][] = [];
    const joint = shipped('clutch-wet').joints['cover-screws']!;
    render(<ByPlace joint={joint} say={(...args) => said.push(args)} />);
    expect(screen.getByText('long, M6 × 45: places 8 and 9')).toBeTruthy();
    fireEvent.click(screen.getByText('All loose, each as it says'));
    fireEvent.click(screen.getByText('They are not so'));
    const go = screen.getByText('All loose, and written down').closest('button')!;
    expect(go.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Which came out where?'), { target: { value: 'long at 3' } });
    fireEvent.click(go);
    expect(said).toEqual([['yes'], ['no', 'long at 3']]);
  });
});
