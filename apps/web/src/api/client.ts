import type { Problem } from '@jubb/contract';

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
  return answered(await fetch(`/api/${path}`, { method: 'POST', body: form }));
}

/** Asks the API. Throws ApiError for a refusal; whatever fetch throws when there is no network. */
export async function api<T>(path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST'): Promise<T> {
  const response = await fetch(`/api/${path}`, {
    method,
    headers: body === undefined ? {} : { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  return answered(response);
}

async function answered<T>(response: Response): Promise<T> {
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
