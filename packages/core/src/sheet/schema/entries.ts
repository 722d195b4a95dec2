import { schoolKinds } from '../setting.ts';
import {
  choice,
  each,
  figure,
  from,
  id,
  listOf,
  map,
  object,
  oneOrMore,
  quantity,
  ref,
  text,
  words,
} from './shapes.ts';

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
    'reuse-if': words,
    'look-again': words,
    body: { type: 'boolean' },
    goes: words,
    stays: { type: 'boolean' },
    ring: object(
      {
        inside: quantity,
        section: quantity,
        material: words,
        gland: object(
          {
            kind: choice('piston', 'rod', 'face'),
            motion: choice('static', 'dynamic'),
            groove: quantity,
            mating: quantity,
            depth: quantity,
            width: quantity,
            medium: choice('hydraulic', 'pneumatic'),
            'return-spring': quantity,
          },
          ['kind', 'groove', 'width'],
        ),
      },
      ['inside', 'section'],
    ),
    lip: object(
      {
        shaft: quantity,
        bore: quantity,
        width: quantity,
        faces: words,
        speed: quantity,
        material: choice('NBR', 'ACM', 'FKM', 'VMQ'),
        'bore-depth': quantity,
        'lip-at': quantity,
        'groove-at': quantity,
      },
      ['shaft', 'bore', 'width', 'faces'],
    ),
    fit: object(
      {
        diameter: quantity,
        interference: quantity,
        hole: words,
        shaft: words,
        length: quantity,
        outside: quantity,
        clearance: quantity,
        limit: quantity,
        mass: quantity,
        surface: quantity,
      },
      ['diameter'],
    ),
    'may-not-touch': words,
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
        expect: figure,
      }),
    },
    hold: words,
    'low-because': words,
    fasteners: choice('reuse', 'new', 'new-if-stretched'),
    threadlocker: words,
    'keep-clear': words,
    running: { type: 'boolean' },
    grip: figure,
    hand: choice('left', 'right'),
    from,
  },
  ['fastener', 'thread', 'tighten'],
);

const per = object({ move: figure, gives: figure }, ['move', 'gives']);

/** One way of reaching a setting. Which keys a kind needs is the compiler's to say. */
const school = object(
  {
    kind: choice(...schoolKinds),
    depths: {
      type: 'array',
      minItems: 1,
      maxItems: 12,
      items: object({ id, title: words, sign: choice('plus', 'minus'), gauge: words }, ['id', 'title', 'sign']),
    },
    pitch: figure,
    slots: { type: 'integer', minimum: 1, maximum: 60 },
    holes: listOf(figure),
    flats: { type: 'integer', minimum: 2, maximum: 60 },
    first: figure,
    'back-off': figure,
    gear: { type: 'integer', minimum: 3, maximum: 1000 },
    pinion: { type: 'integer', minimum: 3, maximum: 1000 },
    per,
  },
  ['kind'],
);

export const setting = object(
  {
    title: words,
    kind: words,
    quantity: words,
    gauge: words,
    band: figure,
    target: figure,
    repeats: { type: 'integer', minimum: 1, maximum: 10 },
    shims: id,
    thicker: choice('looser', 'tighter'),
    trial: figure,
    pack: words,
    'may-be-off': figure,
    pieces: { type: 'integer', minimum: 1, maximum: 6 },
    per,
    seat: object({ joint: ref, to: figure, turning: words }, ['joint', 'to']),
    how: words,
    by: id,
    school,
    schools: map(school),
    pull: object(
      {
        radius: figure,
        'seal-drag': figure,
        second: object({ pull: figure, radius: figure, ratio: { type: 'number', exclusiveMinimum: 0 } }, [
          'pull',
          'radius',
          'ratio',
        ]),
      },
      ['radius'],
    ),
    bearings: oneOrMore(ref),
    feel: object({ ask: words, good: words, bad: words }, ['ask', 'good', 'bad']),
    hot: object(
      {
        span: figure,
        rise: figure,
        case: words,
        shaft: words,
        arrangement: choice('face-to-face', 'back-to-back'),
      },
      ['span', 'rise', 'case'],
    ),
    together: id,
    chart: object(
      {
        shaft: figure,
        tolerance: figure,
        rows: {
          type: 'array',
          minItems: 1,
          maxItems: 60,
          items: object({ shaft: figure, compression: figure }, ['shaft', 'compression']),
        },
      },
      ['shaft', 'tolerance', 'rows'],
    ),
    outside: words,
    each,
    from,
  },
  ['title', 'kind', 'quantity'],
);
