import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

/** How the supplier answers: at once, late, or not at all. */
export const moods = ['open', 'slow', 'down'] as const;
export type Mood = (typeof moods)[number];

/** One line as a shop asks for it, and as the supplier answers it. */
export interface AskedLine {
  readonly line: string;
  readonly number: string;
  readonly count: number;
  /** What the shop's list says each costs, minor units; left out where it knows no price. */
  readonly listMinor?: number;
}
export interface AnsweredLine extends Omit<AskedLine, 'listMinor'> {
  readonly status: 'on-its-way' | 'out-of-stock';
  /** ISO date; null while it is out of stock. */
  readonly expected: string | null;
  /** Each, today, minor units. */
  readonly priceMinor: number;
}
export interface SupplierOptions {
  /** How long it takes to answer when slow, ms. */
  readonly slowMs?: number;
  readonly now?: () => Date;
}

const LARGEST_BODY = 200_000;
const DAY_MS = 24 * 3600_000;

/** FNV-1a: what a number's stock and lead time hang on, so that asking again says the same. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const byte of Buffer.from(text, 'utf8')) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return hash;
}

/** Nothing is sent on a Saturday or a Sunday: the days of the lead time are working days. */
export function expectedDate(from: Date, workingDays: number): Date {
  const date = new Date(from);
  for (let left = workingDays; left > 0;) {
    date.setTime(date.getTime() + DAY_MS);
    if (date.getUTCDay() !== 0 && date.getUTCDay() !== 6) left -= 1;
  }
  return date;
}

/** One number in nine has gone up since the list was printed, by this share; a number that no list prices costs up to so much. */
const DEARER = 0.06;
const UNLISTED_MINOR = 4000;

/** One to three working days by the number; one number in eleven is out of stock; the list's price, or today's own. */
export function answerLine({ line, number, count, listMinor }: AskedLine, now: Date): AnsweredLine {
  const hash = hashOf(number);
  const priceMinor =
    listMinor === undefined ? 100 + (hash % UNLISTED_MINOR) : Math.round(listMinor * (hash % 9 === 0 ? 1 + DEARER : 1));
  const answer = { line, number, count, priceMinor };
  if (hash % 11 === 0) return { ...answer, status: 'out-of-stock', expected: null };
  return { ...answer, status: 'on-its-way', expected: expectedDate(now, 1 + (hash % 3)).toISOString() };
}

/**
 * The simulated supplier, on loopback only: POST /orders {ref, lines} takes an order, and the same ref again answers the
 * same without taking it twice; GET /orders lists what was taken; POST /mood {mood} makes it slow or takes it down.
 */
export function startSupplier(port: number, options: SupplierOptions = {}): Promise<Server> {
  const taken = new Map<string, { ref: string; lines: readonly AnsweredLine[] }>();
  let mood: Mood = 'open';
  const now = options.now ?? ((): Date => new Date());

  const handle = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const say = (status: number, body: unknown): void => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(body));
    };
    if (request.method === 'POST' && request.url === '/mood') {
      const asked = (await bodyOf(request)) as { mood?: unknown };
      const wanted = moods.find((m) => m === asked.mood);
      if (!wanted) return say(400, { error: `mood: one of ${moods.join(', ')}` });
      mood = wanted;
      return say(200, { mood });
    }
    if (request.method === 'GET' && request.url === '/orders') return say(200, [...taken.values()]);
    if (request.method !== 'POST' || request.url !== '/orders') return say(404, { error: 'not here' });
    if (mood === 'down') {
      request.socket.destroy();
      return;
    }
    const order = (await bodyOf(request)) as { ref?: unknown; lines?: unknown };
    if (typeof order.ref !== 'string' || !Array.isArray(order.lines))
      return say(400, { error: 'ref and lines are due' });
    const known = taken.get(order.ref) ?? {
      ref: order.ref,
      lines: (order.lines as AskedLine[]).map((l) => answerLine(l, now())),
    };
    taken.set(order.ref, known);
    // A slow one has taken the order before it answers: asking again must not order twice.
    if (mood === 'slow') await new Promise((done) => setTimeout(done, options.slowMs ?? 8000));
    say(200, known);
  };

  const server = createServer((request, response) => {
    handle(request, response).catch((e: unknown) => {
      response.writeHead(400, { 'content-type': 'application/json' });
      response.end(JSON.stringify({ error: String(e) }));
    });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > LARGEST_BODY) throw new Error('the body is too large');
  }
  return JSON.parse(text);
}
