/** Calls to the server by the names of the route table. */
import {
  addressOf,
  ROUTES,
  type AnswerOf,
  type BodyOf,
  type ParamsOf,
  type QueryOf,
  type RouteName,
} from '#contract/routes.ts';
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

type NoneOf<T> = [T] extends [undefined] ? true : [keyof T] extends [never] ? true : false;
type Needed<Key extends string, T> = NoneOf<T> extends true ? { [K in Key]?: undefined } : { [K in Key]: T };
/** What a query is written from: numbers and words; what is undefined or empty is left out. */
type Asked<Q> = { [K in keyof Q]?: string | number | undefined };

/** What a route is called with: its parameters and body where it has them. */
export type Given<N extends RouteName> = Needed<'params', ParamsOf<N>> &
  Needed<'body', BodyOf<N>> & {
    query?: Asked<QueryOf<N>>;
    /** A file, sent as it is, in place of a body. */
    file?: Blob;
    signal?: AbortSignal;
  };

/** A file goes with its own name, where it has one. */
const fileHeaders = (file: Blob): Record<string, string> => ({
  'content-type': 'application/octet-stream',
  ...(file instanceof File ? { [NAME_HEADER]: encodeURIComponent(file.name) } : {}),
});

/** Nothing has to be given to a route without parameters and body. */
export type GivenTo<N extends RouteName> = object extends Given<N> ? [given?: Given<N>] : [given: Given<N>];

export const call = <N extends RouteName>(name: N, ...[given]: GivenTo<N>): Promise<AnswerOf<N>> =>
  send(name, given ?? {}) as Promise<AnswerOf<N>>;

/** The same with what was put together before. */
export const callWith = <N extends RouteName>(name: N, given: Given<N>): Promise<AnswerOf<N>> =>
  send(name, given) as Promise<AnswerOf<N>>;

/** The same with a signal that ends it. */
export const callUntil = <N extends RouteName>(
  signal: AbortSignal,
  name: N,
  ...[given]: GivenTo<N>
): Promise<AnswerOf<N>> => send(name, { ...given, signal }) as Promise<AnswerOf<N>>;

/** Those of a route’s parameters that are not of its car, and its body. */
export interface OfCar<N extends RouteName> {
  params: Omit<ParamsOf<N>, 'buildId'>;
  body: BodyOf<N>;
}

/** Calls one of several routes of a car, which take different bodies. */
export const callOfCar = <N extends RouteName>(
  name: N,
  buildId: string,
  { params, body }: OfCar<N>,
): Promise<AnswerOf<N>> =>
  send(name, { params: { ...params, buildId }, body: body as object }) as Promise<AnswerOf<N>>;

/** Calls a route with what was kept of an earlier call to it. */
export const callAgain = (
  name: RouteName,
  kept: { params: Record<string, string>; body: object; signal: AbortSignal },
): Promise<unknown> => send(name, kept);

interface Sent {
  params?: Record<string, string>;
  query?: object;
  body?: object;
  file?: Blob;
  signal?: AbortSignal;
}

async function send(name: RouteName, { params, query, body, file, signal }: Sent): Promise<unknown> {
  const search = new URLSearchParams(
    Object.entries(query ?? {}).flatMap(([key, v]) => (v ? [[key, String(v)]] : [])),
  ).toString();
  const response = await fetch(addressOf(name, params) + (search ? `?${search}` : ''), {
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
  if (response.ok) return response.json();
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
