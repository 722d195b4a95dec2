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

/**
 * Parses a JSON body and counts what is in it, before anything is made of it: depth, keys and items, and texts that could
 * not be stored. Goes through it once, without recursion.
 * @throws BodyError
 */
export function parseBody(text: string, bound: Omit<BodyBound, 'bytes' | 'raw' | 'check'>): unknown {
  tooDeep(text, bound.depth);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new BodyError(400, 'The body is not JSON');
  }
  checkJson(body, bound);
  return body;
}

/** A parser goes as deep as the text does: brackets are counted first. */
function tooDeep(text: string, most: number): void {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < text.length; i += 1) {
    const c = text.charCodeAt(i);
    if (inText) {
      if (c === 0x5c) i += 1;
      else if (c === 0x22) inText = false;
    } else if (c === 0x22) inText = true;
    else if (c === 0x7b || c === 0x5b) {
      depth += 1;
      if (depth > most) throw new BodyError(400, `The body is nested deeper than ${most}`);
    } else if (c === 0x7d || c === 0x5d) depth -= 1;
  }
}

/** Counts what is in a parsed body and looks at its texts. @throws BodyError */
export function checkJson(
  body: unknown,
  { values: most, objects: mostObjects, keys: mostKeys }: Pick<BodyBound, 'values' | 'objects' | 'keys'>,
): void {
  const left: unknown[] = [body];
  let values = 0;
  let objects = 0;
  const count = (n: number): void => {
    values += n;
    if (values > most) throw new BodyError(413, `The body has more than ${most} keys and items`);
  };
  while (left.length > 0) {
    const value = left.pop();
    if (typeof value === 'object' && value !== null && (objects += 1) > mostObjects)
      throw new BodyError(413, `The body has more than ${mostObjects} lists and objects`);
    if (typeof value === 'string') storable(value);
    else if (Array.isArray(value)) {
      count(value.length);
      for (const item of value) if (typeof item === 'string' || typeof item === 'object') left.push(item);
    } else if (typeof value === 'object' && value !== null) {
      const keys = Object.keys(value);
      if (keys.length > mostKeys) throw new BodyError(413, `An object of the body has more than ${mostKeys} keys`);
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
