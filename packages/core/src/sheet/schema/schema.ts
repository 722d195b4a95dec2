import { mapValues } from '../../records.ts';
import { joint, part, setting } from './entries.ts';
import { namedStep, off, op, rung, side } from './rungs.ts';
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
  odds,
  quantity,
  oneOrMore,
  pair,
  ref,
  some,
  text,
  varied,
  words,
  type Schema,
  type Written,
} from './shapes.ts';
import { fluidKinds } from '../../reckoners/index.ts';
import { cureVerbs } from '../faults.ts';
import { wheres } from '../ops.ts';
import { measureShapes, weights } from '../types.ts';
import { standFigures, standKinds, type StandKind } from '../stand.ts';

/** The run of a test on a stand: its kind, and the figures that this kind takes. */
const stand: Schema<{ readonly kind: StandKind } & Readonly<Record<string, string | number>>> = {
  oneOf: standKinds.map((kind) =>
    object<Readonly<Record<string, Schema>>, string>(
      { kind: text(kind), ...mapValues(standFigures[kind], () => figure) },
      ['kind', ...Object.entries(standFigures[kind]).flatMap(([name, f]) => (f.needed ? [name] : []))],
    ),
  ),
};
const yes: Schema<true> = { const: true };
/** Choices by their names: two at least. */
const fewOf = <S extends Schema>(of: S, most: number): Schema<Readonly<Record<string, Written<S>>>> => ({
  ...map(of),
  minProperties: 2,
  maxProperties: most,
});

/** A part of a row, or one with what lies in it or on it. */
const lain = <S extends Schema>(
  inner: S,
): Schema<string | Readonly<Record<string, readonly (string | Written<S>)[]>>> => ({
  anyOf: [
    ref,
    {
      type: 'object',
      minProperties: 1,
      maxProperties: 1,
      propertyNames: ref,
      additionalProperties: listOf(either(ref, inner)),
    },
  ],
});

/** A build sheet as it is written. */
export const sheet = object(
  {
    jubb: choice('build-sheet/1', 'build-sheet/2'),
    sheet: id,
    revision: integer({ minimum: 1 }),
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
          count: yes,
          needs: choice('nothing', 'cover', 'strip'),
          part: id,
          choose: some(object({ is: figure, variant: oneOrMore(id), order: words, says: words }, ['is']), {
            minItems: 1,
          }),
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
      object({ title: words, from: words, order: some(id, { minItems: 2, maxItems: 40 }), last: words }, [
        'title',
        'order',
      ]),
    ),
    looks: map(
      object(
        {
          title: words,
          ask: words,
          by: choice('ear', 'eye', 'hand', 'nose'),
          part: id,
          each,
          choose: fewOf(
            object({ title: words, verdict: choice('good', 'bad', 'unsure'), says: words }, ['title', 'verdict']),
            5,
          ),
          pattern: choice('drive', 'coast'),
          'failed-by': listOf(id),
        },
        ['title', 'ask'],
      ),
    ),
    parts: map(varied(part)),
    kits: map(
      object({ title: words, order: words, price: number({ minimum: 0 }), covers: listOf(id) }, ['order', 'covers']),
    ),
    causes: map(
      object(
        {
          ask: words,
          each,
          choose: fewOf(object({ title: words, speaks: oneOrMore(ref), then: words }, ['title']), 6),
        },
        ['ask', 'choose'],
      ),
    ),
    axes: map(
      object({ title: words, each, body: ref, row: some(lain(lain(lain(ref))), { minItems: 1, maxItems: 80 }) }, [
        'title',
        'row',
      ]),
    ),
    mesh: listOf(pair(ref)),
    routes: map(
      object(
        {
          title: words,
          of: ref,
          variant: id,
          length: figure,
          pulleys: some(
            object({ id, title: words, at: pair(number()), diameter: figure, side: choice('inside', 'back') }, [
              'id',
              'at',
              'diameter',
            ]),
            { minItems: 2, maxItems: 20 },
          ),
        },
        ['title', 'of', 'pulleys'],
      ),
    ),
    faults: map(
      object(
        {
          title: words,
          often: number({ minimum: 0 }),
          shows: { ...map(id), minProperties: 1 },
          cure: { ...map(choice(...cureVerbs)), minProperties: 1 },
        },
        ['title', 'shows', 'cure'],
      ),
    ),
    sets: map(object({ title: words, parts: some(id, { minItems: 1, maxItems: 20 }) }, ['parts'])),
    'while-open': listOf(object({ part: id, asks: odds, takes: quantity }, ['part', 'asks'])),
    exchange: object(
      {
        title: words,
        order: words,
        price: number({ minimum: 0 }),
        'lead-days': integer({ minimum: 0, maximum: 365 }),
        takes: quantity,
      },
      ['order', 'price', 'lead-days', 'takes'],
    ),
    comeback: object({ repair: odds, dressed: odds, exchange: odds }),
    joints: map(varied(joint)),
    aids: map(object({ title: words, where: words, on: ref, leaves: flag, each }, ['title', 'where'])),
    marks: map(
      object(
        {
          title: words,
          between: some(ref, { minItems: 2, maxItems: 3 }),
          where: words,
          with: words,
          each,
        },
        ['between', 'where'],
      ),
    ),
    standing: map(object({ say: words, from: words, until: words }, ['say', 'from', 'until'])),
    measures: map(
      varied(
        object(
          {
            title: words,
            part: id,
            each,
            from,
            quantity: words,
            gauge: words,
            shape: choice(...measureShapes),
            inside: flag,
            'out-of-round': figure,
            taper: figure,
            spread: figure,
            clearance: object({ of: id, band: figure }, ['of', 'band']),
            housing: figure,
            room: figure,
            voltage: figure,
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
    ),
    settings: map(setting),
    methods: map(
      object({ ask: words, choices: map(object({ title: words, why: words }, ['title'])) }, ['ask', 'choices']),
    ),
    fluids: map(
      object({ title: words, grade: words, amount: figure, kind: choice(...fluidKinds), from }, ['grade', 'amount']),
    ),
    spaces: map(
      object({
        title: words,
        holds: id,
        drain: ref,
        fill: ref,
        level: ref,
        under: choice('pressure', 'vacuum'),
        ports: oneOrMore(ref),
      }),
    ),
    loads: map(
      object({ title: words, part: ref, 'loaded-by': ref, frees: oneOrMore(ref), each }, [
        'title',
        'loaded-by',
        'frees',
      ]),
    ),
    scopes: map(object({ title: words, 'down-to': oneOrMore(ref), without: oneOrMore(ref), asks: words }, ['title'])),
    tests: map(
      varied(
        object(
          {
            title: words,
            quantity: words,
            gauge: words,
            accept: figure,
            'failed-by': listOf(id),
            stand,
            tells: map(ref),
            at: choice(...wheres),
            running: flag,
            weight: choice(...weights),
            after: figure,
            of: oneOrMore(ref),
            from,
            each,
          },
          ['title', 'quantity', 'accept'],
        ),
      ),
    ),
    'hand-over': object({
      'run-in': listOf(words),
      'look-again': listOf(words),
      'follow-up': listOf(
        object({ do: words, after: object({ running: figure, distance: figure, calendar: figure }) }, ['do', 'after']),
      ),
      'second-person': flag,
    }),
    rungs: some(rung, { minItems: 1 }),
  },
  ['jubb', 'sheet', 'revision', 'title', 'kind', 'maker', 'parts', 'rungs'],
);

/**
 * JSON Schema (draft 2020-12) of a build sheet as it is written. Published as library/build-sheet.schema.json.
 * It says which keys there are and what shape each has; that names resolve, quantities parse and things add up is the
 * work of the compiler and the lint. Unknown keys are refused everywhere: a comma in an unquoted sentence makes one.
 */
export const sheetSchema: Schema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Jubb build sheet, forms 1 and 2',
  ...sheet,
  $defs: { off, op, side, namedStep },
};
