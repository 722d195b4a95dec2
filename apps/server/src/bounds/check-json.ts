import type { BodyBound } from './bounds.ts';

/** What a body has that it may not, in words. */
export class BodyError extends Error {
  constructor(
    readonly status: 400 | 413,
    says: string,
  ) {
    super(says);
    this.name = 'BodyError';
  }
}

type Counts = Omit<BodyBound, 'bytes' | 'raw' | 'check'>;

/**
 * Parses a JSON body and counts what is in it, before anything is made of it: depth, keys and items, and texts that could
 * not be stored. Goes through it once, without recursion.
 * @throws BodyError
 */
export function parseBody(text: string, bound: Counts): unknown {
  surelyTooMuch(text, bound);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new BodyError(400, 'The body is not JSON');
  }
  checkJson(body, bound);
  return body;
}

/**
 * Looks at the text alone: a parser goes as deep as its brackets do, and takes long over an object of many keys. What is
 * surely too much is refused before it is parsed; the parsed body is counted to the last item afterwards.
 */
function surelyTooMuch(text: string, { depth: deepest, values, objects, keys }: Counts): void {
  /** Keys so far of each object that is open. */
  const open: number[] = [];
  let commas = 0;
  let containers = 0;
  for (let i = 0; i < text.length; i += 1) {
    const c = text.charCodeAt(i);
    if (c === QUOTE) {
      for (i += 1; i < text.length; i += 1) {
        const inside = text.charCodeAt(i);
        if (inside === BACKSLASH) i += 1;
        else if (inside === QUOTE) break;
      }
    } else if (c === OPENS_OBJECT || c === OPENS_LIST) {
      open.push(0);
      if (open.length > deepest) throw new BodyError(400, `The body is nested deeper than ${deepest}`);
      if ((containers += 1) > objects) throw tooManyObjects(objects);
    } else if (c === CLOSES_OBJECT || c === CLOSES_LIST) open.pop();
    else if (c === COMMA) {
      if ((commas += 1) > values) throw tooManyValues(values);
    } else if (c === COLON && (open[open.length - 1]! += 1) > keys) throw tooManyKeys(keys);
  }
}

const [QUOTE, BACKSLASH, COMMA, COLON] = [0x22, 0x5c, 0x2c, 0x3a] as const;
const [OPENS_OBJECT, CLOSES_OBJECT, OPENS_LIST, CLOSES_LIST] = [0x7b, 0x7d, 0x5b, 0x5d] as const;
const tooManyValues = (most: number): BodyError => new BodyError(413, `The body has more than ${most} keys and items`);
const tooManyObjects = (most: number): BodyError =>
  new BodyError(413, `The body has more than ${most} lists and objects`);
const tooManyKeys = (most: number): BodyError => new BodyError(413, `An object of the body has more than ${most} keys`);

/** Counts what is in a parsed body and looks at its texts. @throws BodyError */
export function checkJson(
  body: unknown,
  { values: most, objects: mostObjects, keys: mostKeys }: Omit<Counts, 'depth'>,
): void {
  const left: unknown[] = [body];
  let values = 0;
  let objects = 0;
  const count = (n: number): void => {
    values += n;
    if (values > most) throw tooManyValues(most);
  };
  while (left.length > 0) {
    const value = left.pop();
    if (typeof value === 'object' && value !== null && (objects += 1) > mostObjects) throw tooManyObjects(mostObjects);
    if (typeof value === 'string') storable(value);
    else if (Array.isArray(value)) {
      count(value.length);
      for (const item of value) if (typeof item === 'string' || typeof item === 'object') left.push(item);
    } else if (typeof value === 'object' && value !== null) {
      const keys = Object.keys(value);
      if (keys.length > mostKeys) throw tooManyKeys(mostKeys);
      count(keys.length);
      for (const key of keys) {
        storable(key);
        if (key === '__proto__') throw new BodyError(400, 'The body has a key "__proto__"');
        const item = (value as Record<string, unknown>)[key];
        if (typeof item === 'string' || typeof item === 'object') left.push(item);
      }
    }
  }
}

/** PostgreSQL keeps no NUL and no half of a surrogate pair. @throws BodyError */
function storable(text: string): void {
  if (text.includes('\u0000')) throw new BodyError(400, 'A text holds a NUL character');
  if (!isWellFormed(text)) throw new BodyError(400, 'A text holds half of a character (a lone surrogate)');
}

/** Has it no half of a surrogate pair? */
export function isWellFormed(text: string): boolean {
  return !/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?:[^\uD800-\uDBFF]|^)[\uDC00-\uDFFF]/.test(text);
}
