/** Every route of the API: the server mounts them, the client takes its paths from them, and a test walks all of them. */
import { benchRoutes } from './bench.routes.ts';
import { bookRoutes } from './book.routes.ts';
import { buildsRoutes } from './builds.routes.ts';
import { costsRoutes } from './costs.routes.ts';
import { entriesRoutes } from './entries.routes.ts';
import { estimateRoutes } from './estimate.routes.ts';
import { estimatePageRoutes } from './estimatePage.routes.ts';
import { healthRoutes } from './health.routes.ts';
import { houseRulesRoutes } from './houseRules.routes.ts';
import { inspectionRoutes } from './inspection.routes.ts';
import { jobsRoutes } from './jobs.routes.ts';
import { labelsRoutes } from './labels.routes.ts';
import { letterPageRoutes } from './letterPage.routes.ts';
import { lettersRoutes } from './letters.routes.ts';
import { linksRoutes } from './links.routes.ts';
import { liveRoutes } from './live.routes.ts';
import { mailRoutes } from './mail.routes.ts';
import { outworkRoutes } from './outwork.routes.ts';
import { papersRoutes } from './papers.routes.ts';
import { partsRoutes } from './parts.routes.ts';
import { photosRoutes } from './photos.routes.ts';
import { planRoutes } from './plan.routes.ts';
import { questionsRoutes } from './questions.routes.ts';
import { sessionRoutes } from './session.routes.ts';
import { shopRoutes } from './shop.routes.ts';
import { snagsRoutes } from './snags.routes.ts';
import { symptomsRoutes } from './symptoms.routes.ts';
import { toolsRoutes } from './tools.routes.ts';
import { upkeepRoutes } from './upkeep.routes.ts';
import { vehicleRoutes } from './vehicle.routes.ts';
import { voiceRoutes } from './voice.routes.ts';
import { waitsRoutes } from './waits.routes.ts';
import { walkRoutes } from './walk.routes.ts';
import { workRoutes } from './work.routes.ts';
import type { ParamsIn } from './route.ts';

export const ROUTES = {
  ...healthRoutes,
  ...sessionRoutes,
  ...shopRoutes,
  ...upkeepRoutes,
  ...buildsRoutes,
  ...liveRoutes,
  ...entriesRoutes,
  ...bookRoutes,
  ...papersRoutes,
  ...lettersRoutes,
  ...questionsRoutes,
  ...linksRoutes,
  ...mailRoutes,
  ...photosRoutes,
  ...voiceRoutes,
  ...vehicleRoutes,
  ...inspectionRoutes,
  ...symptomsRoutes,
  ...benchRoutes,
  ...snagsRoutes,
  ...workRoutes,
  ...jobsRoutes,
  ...toolsRoutes,
  ...walkRoutes,
  ...planRoutes,
  ...partsRoutes,
  ...outworkRoutes,
  ...labelsRoutes,
  ...costsRoutes,
  ...estimateRoutes,
  ...waitsRoutes,
  ...houseRulesRoutes,
  ...letterPageRoutes,
  ...estimatePageRoutes,
};

export type RouteName = keyof typeof ROUTES;
type TypesOf<N extends RouteName> = (typeof ROUTES)[N]['types'];

/** The parameters in the path of a route. */
export type ParamsOf<N extends RouteName> = Record<ParamsIn<(typeof ROUTES)[N]['path']>, string>;
export type QueryOf<N extends RouteName> = TypesOf<N>['query'];
export type BodyOf<N extends RouteName> = TypesOf<N>['body'];
export type AnswerOf<N extends RouteName> = TypesOf<N>['answer'];

/** Nothing to give where the path has no parameters. */
export type ParamsGiven<N extends RouteName> = keyof ParamsOf<N> extends never
  ? [params?: Record<string, never>]
  : [params: ParamsOf<N>];

/** The address of a route with its parameters filled in. */
export const pathOf = <N extends RouteName>(name: N, ...[params]: ParamsGiven<N>): string =>
  addressOf(name, params);

/** The same of a route that is not known by name. */
export function addressOf(name: RouteName, params: Record<string, string> = {}): string {
  return ROUTES[name].path.replace(/:(\w+)/g, (_, key: string) => {
    const value = params[key];
    if (value === undefined) throw new Error(`${name} needs ${key}`);
    return encodeURIComponent(value);
  });
}
