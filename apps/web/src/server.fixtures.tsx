import type { MeView } from '@jubb/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, type RenderResult } from '@testing-library/react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';

/** Something that was asked of the server. */
export interface Asked {
  readonly method: string;
  /** After /api/, with its query. */
  readonly path: string;
  readonly body: unknown;
}
/** What the server answers to a path: a body, a refusal, or what a function makes of what was asked. */
export type Answers = Readonly<Record<string, unknown>>;

export class Refusal {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly errors?: Readonly<Record<string, readonly string[]>>,
  ) {}
}

/** A server of answers by path (the longest that fits); what it has no answer for it refuses as not found. */
export function serve(answers: Answers): readonly Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = (async (url: string, init: RequestInit = {}) => {
    const path = url.replace(/^\/api\//, '');
    const one: Asked = {
      method: init.method ?? 'GET',
      path,
      body: typeof init.body === 'string' ? JSON.parse(init.body) : undefined,
    };
    asked.push(one);
    const key = Object.keys(answers)
      .filter((k) => path === k || path.startsWith(`${k}?`) || path.startsWith(`${k}/`))
      .sort((a, b) => b.length - a.length)[0];
    const given = key === undefined ? new Refusal(404, `nothing at ${path}`) : answers[key];
    const says: unknown = await (typeof given === 'function' ? (given as (a: Asked) => unknown)(one) : given);
    const refused = says instanceof Refusal;
    const body = refused ? { type: 'about:blank', title: 'No', ...says } : says;
    return {
      ok: !refused,
      status: refused ? says.status : body === undefined ? 204 : 200,
      headers: new Headers({ 'content-type': 'application/problem+json' }),
      json: () => Promise.resolve(structuredCloneOf(body)),
    };
  }) as unknown as typeof fetch;
  return asked;
}
const structuredCloneOf = (body: unknown): unknown => JSON.parse(JSON.stringify(body ?? null));

export const una: MeView = {
  person: { id: 'p', name: 'Una Reith', initials: 'UR', role: 'owner' },
  workshop: { name: 'Ferrydown Rebuilds', currency: '£', zone: 'Europe/London' },
} as unknown as MeView;

/** A screen, or whatever is given, at an address; `where` says what has been gone to since. */
export function show(
  element: React.JSX.Element,
  { path = '/', at = path }: { readonly path?: string; readonly at?: string } = {},
): RenderResult & { readonly where: () => string; readonly client: QueryClient } {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  let here = at;
  function Where(): null {
    here = useLocation().pathname;
    return null;
  }
  const shown = render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>
        <Where />
        <Routes>
          <Route path={path} element={element} />
          <Route path="*" element={null} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { ...shown, client, where: () => here };
}

/** What browsers have and jsdom has not: streams that say nothing, and screens of a width. */
export function likeABrowser(): void {
  Object.assign(globalThis, {
    EventSource: class {
      close(): void {
        // Nothing is said, so there is nothing to stop.
      }
    },
    matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
  });
  if (!('timeout' in AbortSignal))
    Object.assign(AbortSignal, { timeout: (): AbortSignal => new AbortController().signal });
}

/** Presses something, and lets a form look its fields over before what it gives is asked for. */
export const pressed = (what: Element): Promise<void> =>
  act(async () => {
    fireEvent.click(what);
    await Promise.resolve();
  });

/** Sends a form as Enter does, and lets it look its fields over. */
export const submitted = (form: Element): Promise<void> =>
  act(async () => {
    fireEvent.submit(form);
    await Promise.resolve();
  });
