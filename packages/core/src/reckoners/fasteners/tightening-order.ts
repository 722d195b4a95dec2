import { choice, defaulted, defineReckoner, list, number, optional, needed, ReckonError } from '../shape/index.ts';
import { areNeighbours, circleOrder, coverOrder, gridPoints, type Point } from './pulling-order.ts';

const MOST = 200;

/** The order in which to pull the fasteners of a joint, repeated for each stage. ASME PCC-1 stars for circles. */
export const tighteningOrder = defineReckoner({
  id: 'tightening-order',
  title: 'Tightening order',
  subject: 'fasteners',
  asks: ['which bolt next', 'star', 'cross', 'pulling order', 'cover bolts'],
  formula:
    'circle: opposite pairs, the pairs in the star of the half circle; cover: from the middle out, sides in turn',
  sources: ['ASME PCC-1 legacy star pattern (4, 8, 12, 16, 20; from memory)', 'covers: common practice'],
  checks: [
    {
      inputs: { pattern: 'circle', count: 8, stages: 2 },
      gives: { order: '1 5 3 7 2 6 4 8' },
      source: 'ASME PCC-1 legacy star',
    },
    { inputs: { pattern: 'circle', count: 4 }, gives: { order: '1 3 2 4' }, source: 'ASME PCC-1 legacy star' },
    {
      inputs: { pattern: 'circle', count: 12 },
      gives: { order: '1 7 4 10 2 8 5 11 3 9 6 12' },
      source: 'ASME PCC-1 legacy star',
    },
  ],
  dangers: {
    'one-pass': {
      harm: 'Pulled to the full figure in one pass, a flange or cover is cocked: it leaks, or cracks.',
      fires: { stages: 1 },
      silent: { stages: 2 },
    },
    neighbours: {
      harm: 'So few places that neighbours follow each other: the joint tips unless each is brought up a little at a time.',
      fires: { count: 3 },
      silent: { count: 5 },
    },
  },
  inputs: {
    pattern: choice(['circle', 'rectangle', 'points'], 'Pattern'),
    count: optional(number('Fasteners on the circle', { integer: true, min: 1, max: MOST })),
    rows: optional(number('Rows', { integer: true, min: 1, max: 50 })),
    columns: optional(number('Columns', { integer: true, min: 1, max: 50 })),
    points: optional(
      list(list(number('Coordinate', { min: -1e6, max: 1e6 }), 'Point', { minLength: 2, maxLength: 2 }), 'Points', {
        maxLength: MOST,
      }),
    ),
    stages: defaulted(number('Stages', { integer: true, min: 1, max: 10 }), 1),
  },
  outputs: {
    order: { label: 'Order', is: 'list' },
    passes: { label: 'Passes', is: 'table' },
  },
  compute(input, work) {
    const need = <T>(value: T | undefined, field: string): T =>
      needed(value, field, `for the pattern ${input.pattern}`);
    let order: number[];
    if (input.pattern === 'circle') {
      const count = need(input.count, 'count');
      order = circleOrder(count);
      const touching = order.some((b, i) => i > 0 && areNeighbours(b, order[i - 1]!, count));
      work.step('Star', 'opposite pairs, pairs spread', `${count} on a circle`, order.join(' '));
      if (count >= 5 && touching) throw new ReckonError('no-order', 'count', count, 'a circle that has a star order');
    } else {
      const points: readonly Point[] =
        input.pattern === 'rectangle'
          ? gridPoints(need(input.rows, 'rows'), need(input.columns, 'columns'))
          : need(input.points, 'points').map(([x, y]) => [x!, y!] as const);
      if (points.length > MOST) throw new ReckonError('too-many', 'rows', points.length, `at most ${MOST} fasteners`);
      order = coverOrder(points);
      work.step('Cover', 'from the middle out, farthest from the last', `${points.length} fasteners`, order.join(' '));
    }
    const few = order.length > 1 && order.length < 4;
    if (order.length >= 4 && input.stages === 1)
      work.warn('one-pass', 'Bring it up in two or three stages, and go round once more at the full figure.');
    if (few) work.warn('neighbours', 'With so few, bring each up a little at a time: there is no opposite one.');
    return { order, passes: Array.from({ length: input.stages }, (_, i) => ({ stage: i + 1, order })) };
  },
});
