/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { FloorView } from '@jubb/contract';
import { END_TITLES, eventsOf, type Command, type JobEvent } from '@jubb/core/bench';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { likeABrowser, pressed, show } from '../../server.fixtures.tsx';
import { CorrectDialog } from '../corrections/correct-dialog.tsx';
import { benchOf, bookedJob, shipped, workedUntil } from '../rehearsed.fixtures.ts';
import { ResumePanel } from '../return/resume-panel.tsx';
import { Extras, type Extra } from './extras.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
const sheet = shipped('hub-dolly');
const [first, second] = Object.values(sheet.parts);
const floor = {
  places: ['A', 'B'],
  shelves: ['S1', 'S2'],
  now: '',
  jobs: [{ place: 'A' }, { place: 'S1' }],
} as unknown as FloorView;
const type = (label: string | RegExp, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });
const choose = (name: string): void => void fireEvent.click(screen.getByRole('radio', { name }));

/** What is given by a form beside the move, and whether it closed. */
function form(kind: Extra): { readonly given: Command[]; readonly close: jest.Mock; readonly go: jest.Mock } {
  const { bench, given } = benchOf(bookedJob(sheet).job());
  const [close, go] = [jest.fn(), jest.fn()];
  show(<Extras kind={kind} bench={bench} floor={floor} step={undefined} go={go} close={close} />);
  return { given, close, go };
}

describe('what is put on record beside the move', () => {
  test('a note for whoever comes next, or a timer by its name', async () => {
    const { given, close } = form('note');
    expect(button('Keep it').disabled).toBe(true);
    type(/^Note, for whoever/, 'thread is tired');
    await pressed(button('Keep it'));
    type('Minutes of the timer', '0');
    expect(button('Start it as a timer').disabled).toBe(true);
    type('Minutes of the timer', '45');
    await pressed(button('Start it as a timer'));
    expect(given).toEqual([
      { type: 'note', text: 'thread is tired' },
      { type: 'start-timer', title: 'thread is tired', minutes: 45, kind: 'other' },
    ]);
    expect(close).toHaveBeenCalledTimes(2);
  });

  test('a mark stands between two parts; an aid has a name; each has a place', async () => {
    const { given } = form('add');
    type('One part', first!.id);
    type('Where', '12 o’clock');
    expect(button('The mark is made').disabled).toBe(true);
    type('The other part', second!.id);
    await pressed(button('The mark is made'));
    choose('An aid put in');
    type('What was put in', 'rag');
    await pressed(button('It is in'));
    expect(given).toEqual([
      { type: 'add-mark', between: [first!.id, second!.id], where: '12 o’clock', with: 'paint' },
      { type: 'add-aid', title: 'rag', where: '12 o’clock' },
    ]);
  });

  test('a surprise with what comes off; one that is broken names the part', async () => {
    const { given } = form('surprise');
    type('What must come off', 'guard');
    type('Part 1 that comes off', 'guard plate');
    type('How many of part 1', '2');
    await pressed(button('Put it into the ladder'));
    choose('Broken already');
    expect(button('Put it on record').disabled).toBe(true);
    type('Which part', first!.id);
    await pressed(button('Put it on record'));
    expect(given).toEqual([
      {
        type: 'surprise',
        kind: 'comes-off-first',
        title: 'guard',
        note: '',
        parts: [{ title: 'guard plate', count: 2 }],
      },
      { type: 'surprise', kind: 'broken', title: 'guard', note: '', part: first!.id },
    ]);
  });

  test('a wait: held where it stands, or parked on a shelf that is free', async () => {
    const { given, go } = form('wait');
    expect([...screen.getByLabelText('Place on the shelf').querySelectorAll('option')].map((o) => o.value)).toEqual([
      'S2',
    ]);
    choose('A yes');
    type('For whoever picks it up again', 'ask for Ada');
    await pressed(button('Park it there'));
    await pressed(button('Hold it here'));
    fireEvent.click(button(/^It ends otherwise/));
    expect(given).toEqual([
      { type: 'park', why: 'yes', note: 'ask for Ada', to: 'S2' },
      { type: 'hold', why: 'yes', note: 'ask for Ada' },
    ]);
    expect(go).toHaveBeenCalledWith('end');
  });

  test('another end has its reason; scrap has somebody who said yes', async () => {
    const { given } = form('end');
    const end = button('End it so');
    expect(end.disabled).toBe(true);
    fireEvent.click(button('It costs more than it is worth'));
    expect(end.disabled).toBe(false);
    choose(END_TITLES.scrapped);
    expect(end.disabled).toBe(true);
    type('Who of the customer’s said yes', 'Ada Forth');
    await pressed(end);
    expect(given).toEqual([
      { type: 'end-otherwise', how: 'scrapped', reason: 'It costs more than it is worth', agreedBy: 'Ada Forth' },
    ]);
  });
});

describe('what was said wrong', () => {
  const worked = workedUntil(sheet, (state) => Object.keys(state.steps).length > 12)!;
  const said = (kind: JobEvent['type']): JobEvent => eventsOf(worked.state).find((e) => e.type === kind)!;
  const correct = (event: JobEvent): Command[] => {
    const { bench, given } = benchOf(worked);
    show(<CorrectDialog bench={bench} event={event} close={() => undefined} />);
    return given;
  };

  test('a count is put right with why, and goes only once both are there', async () => {
    const event = said('parts-off');
    const given = correct(event);
    const part = event.type === 'parts-off' ? event.payload.parts[0]! : undefined;
    const go = button('Put it right');
    expect(go.disabled).toBe(true);
    type(sheet.parts[part!.part]!.title, String(part!.count + 1));
    expect(go.disabled).toBe(true);
    fireEvent.click(button('Typed wrong'));
    await pressed(go);
    expect(given).toEqual([
      { type: 'correct', seq: event.seq, to: { part: part!.part, count: part!.count + 1 }, reason: 'Typed wrong' },
    ]);
  });

  test('a reading that was never so is taken out', () => {
    const event = said('reading-taken');
    const given = correct(event);
    expect(button('It was never so: take it out').disabled).toBe(true);
    fireEvent.click(button('Read wrong'));
    fireEvent.click(button('It was never so: take it out'));
    expect(given).toEqual([{ type: 'correct', seq: event.seq, to: { gone: true }, reason: 'Read wrong' }]);
  });
});

describe('a unit that comes back from the shelf', () => {
  test('its trays are counted again; a difference has its reason', () => {
    const worked = workedUntil(sheet, (state) => Object.keys(state.off).length > 2)!;
    const { bench, given } = benchOf(worked);
    show(<ResumePanel bench={bench} floor={floor} />);
    fireEvent.click(button(/^Read; count the trays/));
    const resume = button(/^Resume at B/);
    expect(resume.disabled).toBe(true);
    fireEvent.click(button('All trays agree'));
    expect(resume.disabled).toBe(false);
    const [part, lying] = Object.entries(worked.state.off)[0]!;
    type(`${bench.sheet.parts[part]!.title}: how many`, String(lying.count + 1));
    expect(resume.disabled).toBe(true);
    type(/^A count differs/, 'one more in the rag');
    fireEvent.click(resume);
    expect(given[0]).toMatchObject({ type: 'resume', to: 'B', reason: 'one more in the rag' });
    expect((given[0] as { counts: Record<string, number> }).counts[part]).toBe(lying.count + 1);
  });
});
