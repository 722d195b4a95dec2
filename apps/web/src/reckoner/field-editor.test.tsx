/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { findReckoner } from '@jubb/core/reckoners';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { FieldEditors } from './field-editor.tsx';
import { withValue, type Inputs } from './inputs.ts';

afterEach(cleanup);

/** The fields of a reckoner as they stand on the screen, and what is typed into them. */
function editing(id: string, start: Inputs = {}): { readonly now: () => Inputs } {
  const kept: { inputs: Inputs } = { inputs: start };
  function Fields(): React.JSX.Element {
    const [inputs, setInputs] = useState(start);
    return (
      <FieldEditors
        fields={findReckoner(id).inputs}
        path={[]}
        values={inputs}
        change={(path, value) => {
          kept.inputs = withValue(inputs, path, value);
          setInputs(kept.inputs);
        }}
        wrong={undefined}
      />
    );
  }
  render(<Fields />);
  return { now: () => kept.inputs };
}

describe('fields of a reckoner', () => {
  test('what a hand seldom has stands under "more", and is open once it is given', () => {
    editing('bolt-torque');
    const more = screen.getByText('More').closest('details')!;
    expect(more.open).toBe(false);
    expect(more.contains(screen.getByLabelText('Friction in the thread μG'))).toBe(true);
    expect(more.contains(screen.getByLabelText('What is on the thread'))).toBe(false);
    cleanup();
    editing('bolt-torque', { frictionThread: 0.1 });
    expect(screen.getByText('More').closest('details')!.open).toBe(true);
  });

  test('a yes or no is kept as one', () => {
    const { now } = editing('tap-drill', { thread: 'M8' });
    fireEvent.change(screen.getByLabelText('For a wire insert'), { target: { value: 'yes' } });
    expect(now()).toEqual({ thread: 'M8', insert: true });
    fireEvent.change(screen.getByLabelText('For a wire insert'), { target: { value: 'no' } });
    expect(now()).toEqual({ thread: 'M8', insert: false });
  });

  test('a thread that nobody knows is found by caliper and pitch gauge, and taken over', () => {
    const { now } = editing('thread', { designation: '' });
    fireEvent.click(screen.getByRole('button', { name: 'Which thread is this?' }));
    fireEvent.change(screen.getByLabelText('Measured across'), { target: { value: '9.42' } });
    fireEvent.change(screen.getByLabelText('Threads per inch'), { target: { value: '16' } });
    fireEvent.click(screen.getByRole('button', { name: '3/8-16 UNC' }));
    expect(now()).toEqual({ designation: '3/8-16 UNC' });
    expect(screen.queryByLabelText('Measured across')).toBeNull();
  });

  test('the angle of a joint is one figure, or one in each plane', () => {
    const { now } = editing('shaft-angles', { angles: ['6 deg', '5 deg'] });
    const [first] = screen.getAllByRole('button', { name: 'In two planes' });
    fireEvent.click(first!);
    fireEvent.change(screen.getByLabelText('From the side'), { target: { value: '3' } });
    fireEvent.change(screen.getByLabelText('From above'), { target: { value: '4' } });
    expect(now()['angles']).toEqual([{ vertical: '3 deg', horizontal: '4 deg' }, '5 deg']);
  });
});
