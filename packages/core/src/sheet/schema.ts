/**
 * JSON Schema (draft 2020-12) of a build sheet as it is written. Published as library/build-sheet.schema.json.
 * It says which keys there are and what shape each has; that names resolve, quantities parse and things add up is the
 * work of the compiler and the lint. Unknown keys are refused everywhere: a comma in an unquoted sentence makes one.
 */
type Schema = Readonly<Record<string, unknown>>;

const words: Schema = { type: 'string', minLength: 1, maxLength: 400 };
const id: Schema = { type: 'string', pattern: '^[a-z][a-z0-9-]*$' };
/** A name that is meant; `caliper@left` where the thing stands once on each side. */
const ref: Schema = { type: 'string', pattern: '^[a-z][a-z0-9-]*(@[a-z][a-z0-9-]*)?$' };
const quantity: Schema = { type: 'string', minLength: 1, maxLength: 80, description: 'a number with its unit' };
const figure: Schema = { anyOf: [quantity, { type: 'number' }], description: 'a number with its unit' };
const object = (properties: Readonly<Record<string, Schema>>, required: readonly string[] = []): Schema => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
const map = (of: Schema): Schema => ({ type: 'object', propertyNames: id, additionalProperties: of });
const listOf = (items: Schema): Schema => ({ type: 'array', items });
const oneOrMore = (items: Schema): Schema => ({ anyOf: [items, listOf(items)] });
const text = (value: string): Schema => ({ const: value });
const choice = (...values: readonly string[]): Schema => ({ enum: values });

/** left and right, or the places on the unit where the same thing stands. */
const each = { type: 'array', items: id, minItems: 2, maxItems: 8, uniqueItems: true };
const when = object({ variant: words, method: words, finding: words });
const from = {
  anyOf: [choice('table', 'shop', 'hearsay', 'computed', 'guess'), object({ maker: words, page: words }, ['maker'])],
  description: 'whose figure it is',
};
const way = {
  anyOf: [words, object({ way: words, destroys: { type: 'boolean' }, saves: id }, ['way'])],
};
const ahead = object({ oven: words, soak: words, tool: words, order: words, takes: quantity });
const caution = {
  anyOf: [id, object({ class: id, say: words, acknowledge: { type: 'boolean' } })],
};

const op = object({
  when,
  note: words,
  with: words,
  to: words,
  ask: words,
  yes: words,
  except: listOf(words),
  for: quantity,
  by: oneOrMore(way),
  until: words,
  check: words,
  clear: words,
  through: words,
  clean: words,
  inspect: words,
  rework: words,
  lubricate: words,
  protect: words,
  place: words,
  press: words,
  heat: words,
  seal: words,
  threadlock: words,
  count: words,
  fill: words,
  bleed: words,
  cure: words,
  soak: words,
  rest: words,
  confirm: words,
  helper: words,
  disconnect: ref,
  reconnect: ref,
  slacken: ref,
  start: ref,
  'swing-aside': ref,
  hang: ref,
  refit: ref,
  scrap: ref,
  stack: ref,
  restack: ref,
  look: ref,
  identify: ref,
  caution,
  do: oneOrMore(words),
  measure: ref,
  judge: oneOrMore(ref),
  choose: ref,
  set: ref,
  tighten: ref,
  align: ref,
  mark: ref,
  read: ref,
  test: ref,
  undo: ref,
  fit: ref,
  remove: ref,
  off: { $ref: '#/$defs/off' },
});

const sideProperties = {
  when,
  caution: oneOrMore(caution),
  do: oneOrMore(words),
  fit: oneOrMore(ref),
  remove: oneOrMore(ref),
  test: oneOrMore(ref),
  look: oneOrMore(ref),
  read: oneOrMore(ref),
  identify: ref,
  disconnect: oneOrMore(ref),
  mark: oneOrMore(ref),
  slacken: oneOrMore(ref),
  undo: oneOrMore(ref),
  stack: ref,
  off: { $ref: '#/$defs/off' },
  by: oneOrMore(way),
  'swing-aside': oneOrMore(ref),
  hang: oneOrMore(ref),
  'leave-in': { type: 'integer', minimum: 1 },
  ops: listOf({ $ref: '#/$defs/op' }),
  after: listOf(words),
  before: listOf(words),
  helper: words,
  tools: listOf({ anyOf: [words, object({ special: words, instead: words }, ['special'])] }),
  ahead: oneOrMore(ahead),
  minutes: { type: 'number', minimum: 0, maximum: 2000 },
};

const rung = object(
  {
    id,
    title: words,
    group: words,
    each,
    when,
    side: choice('bottom'),
    strip: { $ref: '#/$defs/side' },
    build: { anyOf: [{ $ref: '#/$defs/side' }, listOf({ $ref: '#/$defs/namedStep' })] },
    ops: listOf({ $ref: '#/$defs/op' }),
    helper: words,
    minutes: { type: 'number', minimum: 0, maximum: 2000 },
  },
  ['id', 'title'],
);

const part = object(
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

const joint = object(
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

export const sheetSchema: Schema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Jubb build sheet, version 1',
  ...object(
    {
      jubb: text('build-sheet/1'),
      sheet: id,
      revision: { type: 'integer', minimum: 1 },
      title: words,
      kind: words,
      maker: words,
      models: listOf(words),
      variants: map(object({ title: words }, ['title'])),
      from,
      opened: listOf(words),
      identify: listOf(
        object(
          {
            id,
            ask: words,
            measure: object({ quantity: words, gauge: words }, ['quantity']),
            count: { const: true },
            needs: choice('nothing', 'cover', 'strip'),
            part: id,
            choose: {
              type: 'array',
              minItems: 1,
              items: object({ is: figure, variant: oneOrMore(id), order: words, says: words }, ['is']),
            },
          },
          ['ask', 'choose'],
        ),
      ),
      leads: map(
        object(
          {
            title: words,
            where: words,
            kind: choice('connector', 'earth', 'hose', 'cable', 'strap', 'clip', 'belt'),
            each,
          },
          ['title', 'where'],
        ),
      ),
      stacks: map(
        object(
          { title: words, from: words, order: { type: 'array', items: id, minItems: 2, maxItems: 40 }, last: words },
          ['title', 'order'],
        ),
      ),
      looks: map(
        object(
          {
            title: words,
            ask: words,
            by: choice('ear', 'eye', 'hand', 'nose'),
            part: id,
            each,
            choose: {
              ...map(
                object({ title: words, verdict: choice('good', 'bad', 'unsure'), says: words }, ['title', 'verdict']),
              ),
              minProperties: 2,
              maxProperties: 5,
            },
            'failed-by': listOf(id),
          },
          ['title', 'ask', 'choose'],
        ),
      ),
      parts: map(part),
      kits: map(
        object({ title: words, order: words, price: { type: 'number', minimum: 0 }, covers: listOf(id) }, [
          'order',
          'covers',
        ]),
      ),
      joints: map(joint),
      aids: map(object({ title: words, where: words, each }, ['title', 'where'])),
      marks: map(
        object(
          {
            title: words,
            between: { type: 'array', items: id, minItems: 2, maxItems: 3 },
            where: words,
            with: words,
            each,
          },
          ['between', 'where'],
        ),
      ),
      standing: map(object({ say: words, from: words, until: words }, ['say', 'from', 'until'])),
      measures: map(
        object(
          {
            title: words,
            part: id,
            each,
            from,
            quantity: words,
            gauge: words,
            at: listOf(words),
            new: figure,
            min: figure,
            max: figure,
            outside: object({ offer: listOf(words) }, ['offer']),
            groove: object({ by: words, ask: words, yes: words, no: words }, ['by', 'ask', 'yes', 'no']),
          },
          ['title', 'part', 'quantity'],
        ),
      ),
      settings: map(
        object(
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
            seat: object({ joint: id, to: figure, turning: words }, ['joint', 'to']),
            how: words,
            each,
            from,
          },
          ['title', 'kind', 'quantity', 'band'],
        ),
      ),
      methods: map(
        object({ ask: words, choices: map(object({ title: words, why: words }, ['title'])) }, ['ask', 'choices']),
      ),
      fluids: map(object({ title: words, grade: words, amount: figure, from }, ['grade', 'amount'])),
      tests: map(
        object({ title: words, quantity: words, gauge: words, accept: figure, 'failed-by': listOf(id), from, each }, [
          'title',
          'quantity',
          'accept',
        ]),
      ),
      rungs: { type: 'array', minItems: 1, items: rung },
    },
    ['jubb', 'sheet', 'revision', 'title', 'kind', 'maker', 'parts', 'rungs'],
  ),
  $defs: {
    off: {
      type: 'object',
      minProperties: 1,
      propertyNames: ref,
      additionalProperties: { type: 'integer', minimum: 1 },
    },
    op,
    side: object(sideProperties),
    namedStep: object({ id, title: words, ...sideProperties }, ['id']),
  },
};
