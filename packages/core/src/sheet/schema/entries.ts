import { materialNames } from '../../reckoners/index.ts';
import { shapeKinds } from '../axis.ts';
import { settingMethodKinds } from '../setting.ts';
import {
  choice,
  each,
  either,
  figure,
  flag,
  from,
  id,
  integer,
  listOf,
  map,
  number,
  object,
  oneOrMore,
  pair,
  quantity,
  ref,
  some,
  text,
  words,
  type Schema,
  type Written,
} from './shapes.ts';

/** Places of a pattern, numbered from 1, each with the kind of fastener that goes there. */
const byPlace: Schema<Readonly<Record<string, string>>> = {
  type: 'object',
  minProperties: 1,
  propertyNames: { pattern: '^[1-9][0-9]?$' },
  additionalProperties: words,
};

export const part = object(
  {
    title: words,
    count: either(integer({ minimum: 1, maximum: 1000 }), text('unknown')),
    each,
    where: words,
    length: quantity,
    shape: choice(...shapeKinds),
    inside: quantity,
    outside: quantity,
    points: choice('left', 'right'),
    fits: choice('one way', 'several ways'),
    'saved-from': id,
    replaces: id,
    renew: choice('always', 'inspect', 'judge'),
    order: words,
    price: number({ minimum: 0 }),
    'reuse-if': words,
    'look-again': words,
    body: flag,
    goes: words,
    stays: flag,
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
        warm: object({ in: choice(...materialNames), to: quantity }, ['in', 'to']),
        bearing: object({ outside: quantity, clearance: quantity, type: choice('ball', 'roller') }, [
          'outside',
          'clearance',
        ]),
      },
      ['diameter'],
    ),
    'may-not-touch': words,
    in: ref,
    on: ref,
    behind: oneOrMore(ref),
    closes: oneOrMore(id),
    with: ref,
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
    pattern: either(
      object({ circle: quantity, first: words }, ['circle']),
      object({ rectangle: pair(integer({ minimum: 1, maximum: 50 })) }, ['rectangle']),
      object(
        {
          points: some(pair(number()), { minItems: 2, maxItems: 60 }),
          order: listOf(integer({ minimum: 1 })),
        },
        ['points'],
      ),
    ),
    clamps: oneOrMore(ref),
    into: object({ material: words, engagement: quantity }, ['material', 'engagement']),
    tighten: some(
      object({
        name: words,
        to: figure,
        range: figure,
        turn: figure,
        figure: choice('none'),
        'could-be': some(words, { minItems: 2, maxItems: 4 }),
        expect: figure,
      }),
      { minItems: 1 },
    ),
    hold: words,
    'low-because': words,
    fasteners: choice('reuse', 'new', 'new-if-stretched'),
    threadlocker: words,
    'keep-clear': words,
    running: flag,
    slot: object({ forward: figure, pin: ref }, ['forward', 'pin']),
    takes: byPlace,
    grip: figure,
    hand: choice('left', 'right'),
    from,
  },
  ['fastener', 'thread', 'tighten'],
);

const per = object({ move: figure, gives: figure }, ['move', 'gives']);

/** One way of reaching a setting. Which keys a kind needs is the compiler's to say. */
const method = object(
  {
    kind: choice(...settingMethodKinds),
    depths: some(object({ id, title: words, sign: choice('plus', 'minus'), gauge: words }, ['id', 'title', 'sign']), {
      minItems: 1,
      maxItems: 12,
    }),
    pitch: figure,
    slots: integer({ minimum: 1, maximum: 60 }),
    holes: listOf(figure),
    flats: integer({ minimum: 2, maximum: 60 }),
    first: figure,
    'back-off': figure,
    gauge: words,
    nominal: figure,
    part: ref,
    gear: integer({ minimum: 3, maximum: 1000 }),
    pinion: integer({ minimum: 3, maximum: 1000 }),
    per,
  },
  ['kind'],
);

const settingKeys = object(
  {
    title: words,
    kind: words,
    quantity: words,
    gauge: words,
    band: figure,
    target: figure,
    repeats: integer({ minimum: 1, maximum: 10 }),
    shims: id,
    thicker: choice('looser', 'tighter'),
    trial: figure,
    pack: words,
    'may-be-off': figure,
    pieces: integer({ minimum: 1, maximum: 6 }),
    per,
    seat: object({ joint: ref, to: figure, turning: words }, ['joint', 'to']),
    how: words,
    method,
    methods: map(method),
    pull: object(
      {
        radius: figure,
        'seal-drag': figure,
        second: object({ pull: figure, radius: figure, ratio: number({ exclusiveMinimum: 0 }) }, [
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
        rows: some(object({ shaft: figure, compression: figure }, ['shaft', 'compression']), {
          minItems: 1,
          maxItems: 60,
        }),
      },
      ['shaft', 'tolerance', 'rows'],
    ),
    outside: words,
    part: ref,
    of: oneOrMore(ref),
    each,
    from,
  },
  ['title', 'kind', 'quantity'],
);
const { properties: settingProperties } = settingKeys as unknown as { properties: object };
type WrittenSetting = Written<typeof settingKeys>;
/** `by` names the method that says how it is reached, or says what differs by variant. */
export const setting = {
  ...settingKeys,
  properties: {
    ...settingProperties,
    by: either(id, map({ ...settingKeys, required: [] })),
  },
} as Schema<WrittenSetting & { readonly by?: string | Readonly<Record<string, Partial<WrittenSetting>>> }>;
