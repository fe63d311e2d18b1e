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

/** The same of a path that is not known before. */
export const paramNames = (path: string): string[] => [...path.matchAll(/:(\w+)/g)].map(([, name]) => name!);

/**
 * Which builds a route is of. One that reads: what is logged on them makes its answer another. One that changes: what is read from them
 * may be another after it. Below `/builds/:buildId` it is that build, where the route does not say otherwise; anywhere else it is none.
 */
export type Builds = 'its build' | 'every build' | 'none';

/** What a shop keeps beside the logbooks of its builds. What is read from it, and what changes it, both say so. */
export const TOPICS = [
  'account',
  'bench limits',
  'books',
  'clocks',
  'customers',
  'donors',
  'hours',
  'house rules',
  'letters',
  'lists',
  'loans',
  'mail',
  'papers',
  'playbooks',
  'rates',
  'terms',
  'voices',
  'walk',
] as const;
export type Topic = (typeof TOPICS)[number];

/** The route that reads what another one answers, and how its parameters are told from that answer where they are not in its address. */
export interface Shown {
  readonly by: RouteSpec;
  readonly paramsOf?: (answer: object) => Record<string, string>;
}

/** What a route is at run time. */
export interface RouteSpec {
  readonly builds: Builds;
  readonly topics: readonly Topic[];
  readonly shown?: Shown;
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
    readonly builds: Builds = /^\/api\/builds\/:buildId(?:\/|$)/.test(path) ? 'its build' : 'none',
    readonly topics: readonly Topic[] = [],
    readonly shown?: Shown,
  ) {}

  /** The same route: only its types are told. */
  #typed<Told>(): Told {
    return this as never;
  }

  /** Which builds it is of, where its path does not say it. */
  of(builds: Builds): Route<Path, Query, Body, Answer> {
    return new Route(this.method, this.path, this.allow, builds, this.topics, this.shown).#typed();
  }

  /** What it reads, or may change, beside builds. */
  about(...topics: Topic[]): Route<Path, Query, Body, Answer> {
    return new Route(this.method, this.path, this.allow, this.builds, topics, this.shown).#typed();
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

  /** Answers what that route reads, as it is after the change. */
  answersAs<P extends string, A extends object>(
    by: Route<P, undefined, undefined, A>,
    ...[paramsOf]: [Exclude<ParamsIn<P>, ParamsIn<Path>>] extends [never]
      ? []
      : [(answer: A) => Record<ParamsIn<P>, string>]
  ): Route<Path, Query, Body, A> {
    const shown = { by, paramsOf: paramsOf as Shown['paramsOf'] };
    return new Route(this.method, this.path, this.allow, this.builds, this.topics, shown).#typed();
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

const EVERY_BUILD = 'every build' satisfies Builds;
const NAMES: ReadonlySet<string> = new Set(TOPICS);

/** What may be another: builds, by their ids, and what a shop keeps beside them. */
export interface Changed {
  readonly builds: ReadonlySet<unknown> | 'every build';
  readonly topics: ReadonlySet<unknown>;
}

/** What a call of a route may have changed, as it is told: the build in its address, or every build, and topics. */
export const newsBy = ({ builds, topics }: RouteSpec, buildId: string | undefined): string[] => [
  ...(builds === EVERY_BUILD ? [builds] : builds === 'its build' && buildId !== undefined ? [buildId] : []),
  ...topics,
];

/** What news is of: ids of builds are what is no topic. */
export function changedIn(news: Iterable<string>): Changed {
  const what = new Set(news);
  return {
    builds: what.has(EVERY_BUILD) ? EVERY_BUILD : new Set([...what].filter((one) => !NAMES.has(one))),
    topics: what,
  };
}

/** Whether what a route reads, of the build in its address, may be another after that. */
export function isTouched(
  { method, builds, topics }: RouteSpec,
  buildId: unknown,
  changed: Changed,
): boolean {
  if (method !== 'get') return false;
  if (topics.some((topic) => changed.topics.has(topic))) return true;
  if (builds === 'every build') return changed.builds === 'every build' || changed.builds.size > 0;
  return builds === 'its build' && (changed.builds === 'every build' || changed.builds.has(buildId));
}
