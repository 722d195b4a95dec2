import { expect, test } from '@jest/globals';
import { reckoners } from '@jubb/core/reckoners';
import { OFTEN } from './often.ts';

test('what is often asked is answered by a calculation that there is, each by its own', () => {
  const ids = OFTEN.map(([id]) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(reckoners.map((r) => r.id)).toEqual(expect.arrayContaining(ids));
});
