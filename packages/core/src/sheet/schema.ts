/**
 * JSON Schema (draft 2020-12) of a build sheet as it is written. Published as library/build-sheet.schema.json.
 * It says which keys there are and what shape each has; that names resolve, quantities parse and things add up is the
 * work of the compiler and the lint. Unknown keys are refused everywhere: a comma in an unquoted sentence makes one.
 */
type Schema = Readonly<Record<string, unknown>>;

const words: Schema = { type: 'string', minLength: 1, maxLength: 400 };
const id: Schema = { type: 'string', pattern: '^[a-z][a-z0-9-]*$' };
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

const when = object({ variant: words, method: words, finding: words });
const from = {
  anyOf: [choice('table', 'shop', 'hearsay', 'computed', 'guess'), object({ maker: words, page: words }, ['maker'])],
};
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
  reconnect: words,
  confirm: words,
  caution,
  do: oneOrMore(words),
  measure: id,
  judge: oneOrMore(id),
  choose: id,
  set: id,
  tighten: id,
  align: id,
  mark: id,
  read: id,
  test: id,
  undo: id,
  fit: id,
  remove: id,
  off: { $ref: '#/$defs/off' },
});

const sideProperties = {
  when,
  caution: oneOrMore(caution),
  do: oneOrMore(words),
  fit: oneOrMore(id),
  remove: oneOrMore(id),
  test: id,
  read: oneOrMore(id),
  mark: oneOrMore(id),
  undo: oneOrMore(id),
  off: { $ref: '#/$defs/off' },
  'leave-in': { type: 'integer', minimum: 1 },
  ops: listOf({ $ref: '#/$defs/op' }),
  after: listOf(words),
  before: listOf(words),
  helper: words,
  tools: listOf({ anyOf: [words, object({ special: words, instead: words }, ['special'])] }),
  minutes: { type: 'number', minimum: 0, maximum: 2000 },
};

const rung = object(
  {
    id,
    title: words,
    group: words,
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
    count: { type: 'integer', minimum: 1, maximum: 1000 },
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
    pattern: object({ circle: quantity, first: words }, ['circle']),
    into: object({ material: words, engagement: quantity }, ['material', 'engagement']),
    tighten: { type: 'array', minItems: 1, items: object({ to: figure, range: figure }) },
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
      identify: listOf(
        object(
          {
            ask: words,
            measure: object({ quantity: words, gauge: words }, ['quantity']),
            choose: { type: 'array', minItems: 1, items: object({ is: figure, variant: id }, ['is', 'variant']) },
          },
          ['ask', 'choose'],
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
      aids: map(object({ title: words, where: words }, ['title', 'where'])),
      marks: map(
        object(
          { title: words, between: { type: 'array', items: id, minItems: 2, maxItems: 3 }, where: words, with: words },
          ['between', 'where'],
        ),
      ),
      standing: map(object({ say: words, from: words, until: words }, ['say', 'from', 'until'])),
      measures: map(
        object(
          {
            title: words,
            part: id,
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
          },
          ['title', 'kind', 'quantity', 'band'],
        ),
      ),
      methods: map(
        object({ ask: words, choices: map(object({ title: words, why: words }, ['title'])) }, ['ask', 'choices']),
      ),
      fluids: map(object({ title: words, grade: words, amount: figure }, ['grade', 'amount'])),
      tests: map(
        object({ title: words, quantity: words, gauge: words, accept: figure, 'failed-by': listOf(id) }, [
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
    off: { type: 'object', minProperties: 1, propertyNames: id, additionalProperties: { type: 'integer', minimum: 1 } },
    op,
    side: object(sideProperties),
    namedStep: object({ id, title: words, ...sideProperties }, ['id']),
  },
};
