/** Calls to the server by the names of the route table. */
import { pathOf, ROUTES, type RouteName } from '#contract/access.ts';
import { NAME_HEADER } from '#contract/photoFiles.ts';
import type { Problem } from '#contract/problem.ts';
import { noAnswer, noteAnswer } from './reach.ts';

/** What the server refused, in its own words. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  /** The reason that stands at a field, if one does. */
  at(field: string): string | undefined {
    return this.problem.fields?.find((f) => f.field === field)?.reason;
  }
}

const OFFLINE: Problem = {
  type: 'urn:avrik:problem:offline',
  title: 'No answer',
  status: 0,
  detail: 'The shop’s server does not answer. What you wrote is kept on this page; try again in a moment.',
};

const isTimeout = (error: unknown): boolean => error instanceof DOMException && error.name === 'TimeoutError';

interface Call {
  params?: Record<string, string>;
  query?: Record<string, string | undefined>;
  body?: object;
  /** A file, sent as it is, in place of a body. */
  file?: Blob;
  signal?: AbortSignal;
}

/** A file goes with its own name, where it has one. */
const fileHeaders = (file: Blob): Record<string, string> => ({
  'content-type': 'application/octet-stream',
  ...(file instanceof File ? { [NAME_HEADER]: encodeURIComponent(file.name) } : {}),
});

export async function call<T>(name: RouteName, { params, query, body, file, signal }: Call = {}): Promise<T> {
  const search = new URLSearchParams(
    Object.entries(query ?? {}).filter((e): e is [string, string] => !!e[1]),
  ).toString();
  const response = await fetch(pathOf(name, params) + (search ? `?${search}` : ''), {
    method: ROUTES[name].method.toUpperCase(),
    ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}),
    ...(file ? { headers: fileHeaders(file), body: file } : {}),
    ...(signal ? { signal } : {}),
  }).catch((error: unknown) => {
    if (signal?.aborted && !isTimeout(error)) throw error;
    noAnswer();
    throw new ApiProblem(OFFLINE);
  });
  noteAnswer(response.headers);
  if (response.ok) return (await response.json()) as T;
  // What stands between may answer in words of its own; its number counts all the same.
  const problem = (await response.json().catch(() => null)) as Problem | null;
  throw new ApiProblem({ ...OFFLINE, ...problem, status: response.status });
}

/** What to tell the person about an error. */
export const wordsOf = (error: unknown): string =>
  error instanceof ApiProblem
    ? error.message
    : 'Something broke on this page. What you wrote is kept; try again.';

/** Silence and faults of the server pass; what it refused, it would refuse again. */
export const mayPass = (status: number): boolean =>
  status === 0 || status >= 500 || status === 401 || status === 429;
