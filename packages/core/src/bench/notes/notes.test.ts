import { describe, expect, test } from '@jest/globals';
import { booked, now } from '../bench.fixtures.ts';

const picture = { photo: 'p1', caption: 'the lip', sha256: 'a'.repeat(64), width: 1600, height: 1200 };

describe('notes and pictures at the bench', () => {
  test('a note stands at the step at hand, without the blanks around it', () => {
    const bench = booked();
    const { step } = now(bench);
    bench.do({ type: 'note', text: '  runs rough when cold ' });
    expect(bench.state.notes).toEqual([
      expect.objectContaining({ text: 'runs rough when cold', step: step.id, about: 'note' }),
    ]);
  });

  test('one that says nothing is refused', () => {
    expect(booked().refused({ type: 'note', text: ' \n ' }).code).toBe('not-complete');
  });

  test('a picture stands where it was taken; a step that the sheet does not know is the one at hand', () => {
    const bench = booked();
    const { step } = now(bench);
    const other = bench.sheet.steps.find((s) => s.id !== step.id)!.id;
    bench.do({ type: 'add-photo', ...picture, step: other });
    bench.do({ type: 'add-photo', ...picture, photo: 'p2', step: 'nowhere' });
    expect(bench.state.photos.map((p) => [p.photo, p.step])).toEqual([
      ['p1', other],
      ['p2', step.id],
    ]);
  });

  test('two hundred pictures are kept with a job, and no more', () => {
    const bench = booked();
    for (let i = 0; i < 200; i += 1) bench.do({ type: 'add-photo', ...picture, photo: `p${i}` });
    const refused = bench.refused({ type: 'add-photo', ...picture, photo: 'more' });
    expect([refused.code, refused.clears]).toEqual(['wrong-value', 'Say it in a note']);
    expect(bench.state.photos).toHaveLength(200);
  });
});
