/**
 * One route of the API as both sides see it: method, path, who may use it, and the types of what it takes and answers. A
 * server's handler and a client's call are inferred from it, so that another shape, parameter or path does not compile.
 * The types stand here without their classes, which load with the pages that need them; the server names the class.
 */
import type { Role } from './access.ts';

export type Method = 'get' | 'post' | 'put' | 'delete';

/** The names after the colons of a path. */
export type ParamsIn<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | ParamsIn<Rest>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

/**
 * Which logbooks an answer is read from: one that was logged on makes it another. Of a route that reads below `/builds/:buildId` it is
 * that build’s, where it does not say otherwise; of any other it is none.
 */
export type Reads = 'its build' | 'every build' | 'none';

/** What a route is at run time. */
export interface RouteSpec {
  readonly reads: Reads;
  readonly method: Method;
  readonly path: string;
  /** Roles that may use it; `anyone` needs no sign-in. */
  readonly allow: readonly Role[] | 'anyone';
}

export class Route<
  Path extends string = string,
  Query = undefined,
  Body = undefined,
  Answer = undefined,
> implements RouteSpec {
  /** Never set: it carries the types. */
  declare readonly types: { query: Query; body: Body; answer: Answer };

  constructor(
    readonly method: Method,
    readonly path: Path,
    readonly allow: RouteSpec['allow'],
    readonly reads: Reads = method === 'get' && /^\/api\/builds\/:buildId(?:\/|$)/.test(path)
      ? 'its build'
      : 'none',
  ) {}

  /** The same route: only its types are told. */
  #typed<Told>(): Told {
    return this as never;
  }

  /** Which logbooks its answer is read from, where its path does not say it. */
  of(reads: Reads): Route<Path, Query, Body, Answer> {
    return new Route(this.method, this.path, this.allow, reads).#typed();
  }

  /** What stands behind the question mark of its address. */
  asks<Q extends object>(): Route<Path, Q, Body, Answer> {
    return this.#typed();
  }

  /** Its body, as JSON. */
  takes<B extends object>(): Route<Path, Query, B, Answer> {
    return this.#typed();
  }

  /** Its answer, as JSON. A route without one answers with a page, a file or a stream. */
  answers<A extends object>(): Route<Path, Query, Body, A> {
    return this.#typed();
  }
}

const by =
  (method: Method) =>
  <Path extends string>(path: Path, allow: RouteSpec['allow']): Route<Path> =>
    new Route(method, path, allow);

export const get = by('get');
export const post = by('post');
export const put = by('put');
export const del = by('delete');
