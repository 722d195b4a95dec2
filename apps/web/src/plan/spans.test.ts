import { expect, test } from '@jest/globals';
import { spansOf, spansWords } from './spans.ts';

test.each([
  ['08:00 to 12:00, 12:30 to 17:00', [['08:00', '12:00'], ['12:30', '17:00']]],
  ['8-12', [['08:00', '12:00']]],
  ['0800 – 1215', [['08:00', '12:15']]],
  ['', []],
])('%s is read', (words, spans) => {
  expect(spansOf(words)).toEqual(spans);
  expect(spansOf(spansWords(spansOf(words)!))).toEqual(spans);
}); // prettier-ignore

test.each(['mornings', '8 to', '8 to 12 to 14', 'to 17'])('%s is not', (words) => {
  expect(spansOf(words)).toBeUndefined();
});
