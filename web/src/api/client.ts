import createClient from 'openapi-fetch';
import { basePath } from './place';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** A "no" of the server, as problem details. */
export interface Problem {
  readonly code: string;
  readonly detail: string;
  readonly status: number;
  readonly place?: string;
  readonly current?: unknown;
}

export class ProblemError extends Error implements Problem {
  readonly code: string;
  readonly detail: string;
  readonly status: number;
  readonly place?: string;
  readonly current?: unknown;

  constructor(problem: Problem) {
    super(problem.detail);
    this.code = problem.code;
    this.detail = problem.detail;
    this.status = problem.status;
    this.place = problem.place;
    this.current = problem.current;
  }
}

export const isProblem = (error: unknown): error is ProblemError => error instanceof ProblemError;

let guard = '';

/** The token that requests which change something carry; told by the session. */
export function setGuard(token: string) {
  guard = token;
}

const client = createClient<paths>({ credentials: 'same-origin', baseUrl: basePath });
client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-Blue-Slate-Guard', guard);
    return request;
  },
});

export const api = client;

/** The data of a reply; throws the problem that came instead of it. */
export async function must<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok) return data as T;
  throw new ProblemError(problemOf(error, response.status));
}

function problemOf(error: unknown, status: number): Problem {
  const body = (typeof error === 'object' && error !== null ? error : {}) as Partial<Problem>;
  return {
    status,
    code: body.code ?? 'server-error',
    detail:
      body.detail ?? sentences[status] ?? 'Something went wrong at the server. Nothing of yours is lost; try again.',
    place: body.place,
    current: body.current,
  };
}

const sentences: Readonly<Record<number, string>> = {
  401: 'You are signed out. Sign in to go on.',
  403: 'Your account may not do this.',
  404: 'There is nothing here, or it is not yours to see.',
  429: 'Too much was sent at once. Wait a moment and try again.',
};
