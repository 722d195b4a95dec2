/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { placesLeft, type Command } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { likeABrowser, serve, show, submitted, una } from '../../server.fixtures.tsx';
import { MovePanel } from '../move-panel.tsx';
import { benchOf, bookedJob, shipped, upTo, workedUntil, type At } from '../rehearsed.fixtures.ts';
import { StepPeek } from '../step-peek.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
function pressed(at: At): Command[] {
  serve({ instruments: [] });
  const { bench, given } = benchOf(at);
  show(<MovePanel bench={bench} op={at.op} step={at.step} me={una} />);
  return given;
}
const field = (): HTMLInputElement => document.querySelector<HTMLInputElement>('#typed')!;
const take = (typed: string): Promise<void> => {
  fireEvent.change(field(), { target: { value: typed } });
  return submitted(field().closest('form')!);
};
const go = (): HTMLButtonElement => document.querySelector<HTMLButtonElement>('.btn-go')!;
const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });

describe('a measure that is typed', () => {
  const at = upTo('measure', (op, sheet) => {
    const m = op.kind === 'measure' ? sheet.measures[op.measure] : undefined;
    return m !== undefined && m.shape !== 'winding' && m.at.length > 1 && m.newSize !== undefined;
  });
  const measure = at.sheet.measures[at.op.kind === 'measure' ? at.op.measure : '']!;
  const [place] = placesLeft(measure, at.state);

  test('goes to the place that is next, in the unit that stands in the field', async () => {
    const given = pressed(at);
    expect(go().disabled).toBe(true);
    await take(String(measure.newSize!.value));
    expect(given).toEqual([{ type: 'take-reading', op: at.op.id, value: measure.newSize, how: 'hand', where: place }]);
  });

  test.each([
    ['no figure', 'about right'],
    ['a figure of something else', '20 °C'],
    ['nothing', ''],
  ])('%s is said at the field, and nothing is given', async (_name, typed) => {
    const given = pressed(at);
    await take(typed);
    expect(given).toEqual([]);
    expect([...document.querySelectorAll('.field-error')].map((e) => e.textContent).join('')).not.toBe('');
  });

  test('says whose limit it is held against', () => {
    pressed(at);
    expect(document.querySelector('.measure')!.textContent).toContain(`New ${formatQuantity(measure.newSize!)}`);
  });
});

describe('a winding', () => {
  test('is read with how warm it is: without that nothing goes', async () => {
    const at = upTo('measure', (op, sheet) => op.kind === 'measure' && sheet.measures[op.measure]!.shape === 'winding');
    const measure = at.sheet.measures[at.op.kind === 'measure' ? at.op.measure : '']!;
    const given = pressed(at);
    const size = measure.newSize ?? measure.max ?? measure.min ?? { value: 2.9, unit: 'Ω' };
    await take(`${size.value} ${size.unit}`);
    expect(given).toEqual([]);
    expect(document.querySelector('#warm-error')!.textContent).not.toBe('');
    fireEvent.change(screen.getByLabelText('Temperature of the winding'), { target: { value: '24 °C' } });
    await submitted(field().closest('form')!);
    expect(given[0]).toMatchObject({ type: 'take-reading', temperature: { value: 24, unit: '°C' } });
  });
});

describe('a wait by the clock', () => {
  const idle = upTo('cure', (op) => op.kind === 'cure' && op.minutes !== undefined);
  test('is started with its time, under its own name', () => {
    const given = pressed(idle);
    fireEvent.click(go());
    const minutes = idle.op.kind === 'cure' ? idle.op.minutes : 0;
    expect(given).toEqual([{ type: 'start-timer', op: idle.op.id, title: expect.any(String), minutes, kind: 'cure' }]);
  });

  test('that runs is gone on from before its time only with a reason', () => {
    const due = new Date(Date.now() + 3_600_000).toISOString();
    const timer = { id: 't', op: idle.op.id, kind: 'cure', title: 'Cure', minutes: 60, due, seq: 1, at: new Date().toISOString(), by: una.person }; // prettier-ignore
    const given = pressed({ ...idle, state: { ...idle.state, timers: { t: timer } } });
    expect(go().disabled).toBe(true);
    fireEvent.click(button('Cut it short'));
    expect(go().disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Why is it cut short?'), { target: { value: 'lamp on it' } });
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'complete', op: idle.op.id, reason: 'lamp on it' }]);
  });

  test('that has run goes on with one press', () => {
    const due = new Date(Date.now() - 1000).toISOString();
    const timer = {
      id: 't',
      op: idle.op.id,
      kind: 'cure',
      title: 'Cure',
      minutes: 60,
      due,
      seq: 1,
      at: due,
      by: una.person,
    };
    const given = pressed({ ...idle, state: { ...idle.state, timers: { t: timer } } });
    fireEvent.click(go());
    expect(given).toEqual([{ type: 'complete', op: idle.op.id }]);
  });
});

describe('which one it is', () => {
  test('is one press where it is a word, and typed with its unit where it is measured', () => {
    const word = upTo('identify', (op, sheet) =>
      sheet.identify.some((q) => op.kind === 'identify' && q.id === op.question && q.by !== 'measure'),
    );
    const question = word.sheet.identify.find((q) => word.op.kind === 'identify' && q.id === word.op.question)!;
    const given = pressed(word);
    fireEvent.click(screen.getAllByRole('button', { name: new RegExp(`^${question.choices[0]!.word!}`) })[0]!);
    expect(given).toEqual([
      { type: 'identify', question: question.id, answer: question.choices[0]!.word, op: word.op.id },
    ]);
  });
});

describe('another step that is looked at', () => {
  const hub = shipped('hub-dolly');
  test('says whose turn comes first, and what belongs to it', () => {
    const { bench } = benchOf(bookedJob(hub).job());
    const last = hub.steps.find((s) => s.side === 'build')!;
    show(<StepPeek bench={bench} step={last.id} close={() => undefined} />);
    expect(document.querySelector('.past')!.textContent).toMatch(/^Build: .*, its turn comes after/);
  });

  test('a joint that was pulled is loosened again with a reason', async () => {
    const worked = workedUntil(hub, (state) => Object.values(state.joints).some((j) => j.tightened))!;
    const [joint] = Object.entries(worked.state.joints).find(([, j]) => j.tightened)!;
    const step = hub.steps.find((s) => s.ops.some((o) => o.kind === 'tighten' && o.joint === joint))!;
    const { bench, given } = benchOf(worked);
    show(<StepPeek bench={bench} step={step.id} close={() => undefined} />);
    fireEvent.click(button('Loosen it again'));
    expect(button('Loosen').disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Why is it loosened?'), { target: { value: 'shim forgotten' } });
    await submitted(button('Loosen').closest('form')!);
    expect(given).toEqual([{ type: 'loosen', joint, why: 'shim forgotten' }]);
  });
});
