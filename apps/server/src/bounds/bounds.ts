import { runProblem, slotsProblem } from '@jubb/contract';

/** How much of a body a route takes. */
export interface BodyBound {
  readonly bytes: number;
  /** Lists and objects in each other. */
  readonly depth: number;
  /** Keys and items, all of them together. */
  readonly values: number;
  /** Lists and objects, all of them together: what classes are made of one by one. */
  readonly objects: number;
  /** Keys of one object: making a class of one takes as long as the square of them. */
  readonly keys: number;
  /** Lists of thousands are looked at before a class is made of each entry: the first fault of one, with its field. */
  readonly check?: (body: unknown) => { readonly field: string; readonly says: string } | undefined;
  /** Not read here but handed on as it came, to a thread of its own. */
  readonly raw?: true;
}

/** A field of an object, whatever it is. */
const fieldOf = (body: unknown, name: string): unknown =>
  typeof body === 'object' && body !== null ? (body as Record<string, unknown>)[name] : undefined;

const checkSlots: BodyBound['check'] = (body) => {
  const slots = fieldOf(body, 'slots');
  // What is missing altogether the route says itself, once it knows who asks.
  const says = slots === undefined ? undefined : slotsProblem(slots);
  return says === undefined ? undefined : { field: 'slots', says };
};
const checkRun: BodyBound['check'] = (body) => {
  const run = fieldOf(fieldOf(body, 'command'), 'run');
  const says = run === undefined ? undefined : runProblem(run);
  return says === undefined ? undefined : { field: 'command.run', says };
};

const kB = 1024;
const MB = 1024 * kB;
/** What a form of a screen needs, several times over. A larger body is read only for somebody who is signed in. */
export const USUAL_BODY: BodyBound = { bytes: 16 * kB, depth: 10, values: 2000, objects: 500, keys: 100 };

const uuid = '[0-9a-fA-F-]{1,40}';
const route = (method: string, path: string, bound: BodyBound): readonly [string, RegExp, BodyBound] => [
  method,
  new RegExp(`^/api/${path}/?$`),
  bound,
];
/** Bodies of another size than the usual one. Nothing is read past its bound, and no class is made of it before. */
const OTHERS = [
  route('POST', 'session', { bytes: kB, depth: 1, values: 8, objects: 1, keys: 8 }),
  // A run of a stand: the points of its curve, or the samples of a ripple.
  route('POST', `jobs/${uuid}/commands`, {
    bytes: MB,
    depth: 12,
    values: 40_000,
    objects: 9000,
    keys: 200,
    check: checkRun,
  }),
  route('POST', 'plan', { bytes: MB, depth: 6, values: 30_000, objects: 7000, keys: 40, check: checkSlots }),
  route('POST', 'reckon/[\\w-]{1,60}', { bytes: 64 * kB, depth: 10, values: 4000, objects: 1000, keys: 200 }),
  route('POST', 'sheets/(lint|import)', { bytes: 2 * MB, depth: 1, values: 2, objects: 1, keys: 2, raw: true }),
  route('POST', 'records/(verify|import)', {
    bytes: 8 * MB,
    depth: 40,
    values: 400_000,
    objects: 200_000,
    keys: 400_000,
    raw: true,
  }),
] as const;

/** The bound of a route's body. */
export function boundOf(method: string, path: string): BodyBound {
  return OTHERS.find(([m, at]) => m === method && at.test(path))?.[2] ?? USUAL_BODY;
}

/** Longest address with its question, characters. */
export const LONGEST_URL = 2048;
/** A request is read and answered within these, ms; streams go on. */
export const TIMES = { headersMs: 10_000, requestMs: 30_000 } as const;
/** Files by what they are: a picture, a whole manual, a price list of two hundred thousand lines and some. */
export const FILE = { picture: 8 * MB, document: 24 * MB, priceList: 16 * MB } as const;
/** Of a form with a file: beside the file only short fields. */
export const FORM = { fields: 8, parts: 10, fieldNameSize: 60, fieldSize: 4 * kB } as const;
/** Work in a thread of its own: how long, how much memory, how many may wait. */
export const HEAVY = { ms: 8000, openMs: 20_000, memoryMb: 384, waiting: 20 } as const;
