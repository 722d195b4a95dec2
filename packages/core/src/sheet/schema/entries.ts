import { choice, each, figure, from, id, listOf, object, quantity, text, words } from './shapes.ts';

export const part = object(
  {
    title: words,
    count: { anyOf: [{ type: 'integer', minimum: 1, maximum: 1000 }, text('unknown')] },
    each,
    where: words,
    length: quantity,
    fits: choice('one way', 'several ways'),
    'saved-from': id,
    replaces: id,
    renew: choice('always', 'inspect', 'judge'),
    order: words,
    price: { type: 'number', minimum: 0 },
    goes: words,
    stays: { type: 'boolean' },
    ring: object({ inside: quantity, section: quantity, material: words }, ['inside', 'section']),
    lip: object({ shaft: quantity, bore: quantity, width: quantity, faces: words }, [
      'shaft',
      'bore',
      'width',
      'faces',
    ]),
  },
  ['title'],
);

export const joint = object(
  {
    title: words,
    fastener: id,
    thread: words,
    class: words,
    each,
    pattern: {
      anyOf: [
        object({ circle: quantity, first: words }, ['circle']),
        object(
          {
            rectangle: { type: 'array', items: { type: 'integer', minimum: 1, maximum: 50 }, minItems: 2, maxItems: 2 },
          },
          ['rectangle'],
        ),
        object(
          {
            points: {
              type: 'array',
              minItems: 2,
              maxItems: 60,
              items: { type: 'array', items: { type: 'number' }, minItems: 2, maxItems: 2 },
            },
            order: listOf({ type: 'integer', minimum: 1 }),
          },
          ['points'],
        ),
      ],
    },
    into: object({ material: words, engagement: quantity }, ['material', 'engagement']),
    tighten: {
      type: 'array',
      minItems: 1,
      items: object({
        name: words,
        to: figure,
        range: figure,
        turn: figure,
        figure: choice('none'),
        'could-be': { type: 'array', items: words, minItems: 2, maxItems: 4 },
      }),
    },
    hold: words,
    'low-because': words,
    fasteners: choice('reuse', 'new', 'new-if-stretched'),
    threadlocker: words,
    hand: choice('left', 'right'),
    from,
  },
  ['fastener', 'thread', 'tighten'],
);
