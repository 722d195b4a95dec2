import type { Problem } from '@jubb/contract';
import { noteServerTime } from './server-clock.ts';

/** What is not answered by then is given up: a server that is silent is not waited for. */
const PATIENCE_MS = 20_000;
const FILE_PATIENCE_MS = 120_000;

/** The server said no, and why. */
export class ApiError extends Error {
  constructor(readonly problem: Problem & Readonly<Record<string, unknown>>) {
    super(problem.detail);
    this.name = 'ApiError';
  }
  get status(): number {
    return this.problem.status;
  }
}

/** Sends a form with a file in it. Throws as {@link api} does. */
export async function sendForm<T>(path: string, form: FormData): Promise<T> {
  const signal = AbortSignal.timeout(FILE_PATIENCE_MS);
  return answered(await fetch(`/api/${path}`, { method: 'POST', body: form, signal }));
}

/**
 * Asks the API. Throws ApiError for a refusal; whatever fetch throws when there is no network; a TimeoutError when the
 * server does not answer in time.
 */
export async function api<T>(
  path: string,
  body?: unknown,
  method = body === undefined ? 'GET' : 'POST',
  patienceMs = PATIENCE_MS,
): Promise<T> {
  const response = await fetch(`/api/${path}`, {
    method,
    headers: body === undefined ? {} : { 'content-type': 'application/json' },
    signal: AbortSignal.timeout(patienceMs),
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  return answered(response);
}

async function answered<T>(response: Response): Promise<T> {
  noteServerTime(response.headers.get('date'));
  if (!response.ok) {
    const isProblem = response.headers.get('content-type')?.includes('json') ?? false;
    const problem = isProblem
      ? ((await response.json()) as Problem)
      : {
          type: 'about:blank',
          title: 'Error',
          status: response.status,
          detail: 'The server does not answer as it should',
        };
    throw new ApiError(problem as ApiError['problem']);
  }
  return (response.status === 204 ? undefined : await response.json()) as T;
}
