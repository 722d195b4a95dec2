/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { pressed } from './number-pad.tsx';
import { QuantityField, readTyped } from './quantity-field.tsx';
import { ReasonField } from './reason-field.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('the number pad', () => {
  test.each([
    ['', '5', '5'],
    ['1.2', '.', '1.2'],
    ['12', '.', '12.'],
    ['12', '−', '-12'],
    ['-12', '−', '12'],
  ])('%j and %s make %j', (text, key, after) => expect(pressed(text, key)).toBe(after));

  function Field(): React.JSX.Element {
    const [text, setText] = useState('');
    return <QuantityField id="f" label="Reading" unit="mm" value={text} set={setText} error={undefined} />;
  }
  test('is folded away until it is wanted, types into the field, and the device remembers', () => {
    render(<Field />);
    expect(screen.queryByText('7')).toBeNull();
    fireEvent.click(screen.getByLabelText('123: number pad'));
    for (const key of ['7', '.', '5', 'Rub out', '2']) fireEvent.click(screen.getByText(key));
    expect(screen.getByLabelText<HTMLInputElement>('Reading').value).toBe('7.2');
    expect(document.getElementById('f-unit')!.textContent).toBe('mm');
    cleanup();
    render(<Field />);
    expect(screen.getByText('7')).toBeTruthy();
  });
});

test('what was typed is a figure in the field’s unit, or says why it is none', () => {
  expect(readTyped('24', 'torque', 'N·m')).toEqual({ value: { value: 24, unit: 'N·m' } });
  const { error } = readTyped('', 'torque', 'N·m') as { error: string };
  expect(error).toContain('a figure in N·m');
});

test('a usual reason is pressed, and may be written over', () => {
  function Why(): React.JSX.Element {
    const [why, setWhy] = useState('');
    return <ReasonField id="w" label="Why" value={why} set={setWhy} ready={['Typed wrong', 'Read wrong']} />;
  }
  render(<Why />);
  fireEvent.click(screen.getByText('Read wrong'));
  expect(screen.getByLabelText<HTMLInputElement>('Why').value).toBe('Read wrong');
  expect(screen.getByText('Read wrong').getAttribute('aria-pressed')).toBe('true');
  fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'Read the wrong line' } });
  expect(screen.getByText('Read wrong').getAttribute('aria-pressed')).toBe('false');
});
