import { formatQuantity } from '../../quantities/index.ts';
import type { Sayings } from '../registry/shapes.ts';

/** What these events said, in words: it can be put right. */
export const measuringSayings = {
  'reading-taken': (sheet, { subject, id, where, value }) => {
    const of = { measure: sheet.measures, setting: sheet.settings, test: sheet.tests, process: sheet.parts }[subject];
    const title = of[id]?.title ?? id;
    return { what: 'reading', title: where === null ? title : `${title}, ${where}`, words: formatQuantity(value) };
  },
  'sense-answered': (_sheet, { ask, answer }) => ({ what: 'answer', title: ask, words: answer }),
} satisfies Sayings;
