/** The application: the list of features, and what every request passes through. */
import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type Express } from 'express';
import { pinoHttp } from 'pino-http';
import type { Deps } from './deps.ts';
import { actsRoutes } from './features/acts/acts.routes.ts';
import { benchRoutes } from './features/bench/bench.routes.ts';
import { bookRoutes } from './features/book/book.routes.ts';
import { papersRoutes } from './features/papers/papers.routes.ts';
import { buildsRoutes } from './features/builds/builds.routes.ts';
import { costsRoutes } from './features/costs/costs.routes.ts';
import { asReadBy, refuseHidden } from './features/entries/index.ts';
import { entriesRoutes } from './features/entries/entries.routes.ts';
import { estimateRoutes } from './features/estimate/estimate.routes.ts';
import { estimatePageRoutes } from './features/estimatePage/estimatePage.routes.ts';
import { healthRoutes } from './features/health/health.routes.ts';
import { letterPageRoutes } from './features/letterPage/letterPage.routes.ts';
import { jobsRoutes } from './features/jobs/jobs.routes.ts';
import { labelsRoutes } from './features/labels/labels.routes.ts';
import { lettersRoutes } from './features/letters/letters.routes.ts';
import { linksRoutes } from './features/links/links.routes.ts';
import { houseRulesRoutes } from './features/houseRules/houseRules.routes.ts';
import { inspectionRoutes } from './features/inspection/inspection.routes.ts';
import { LiveHub } from './features/live/live.hub.ts';
import { liveRoutes } from './features/live/live.routes.ts';
import { mailRoutes } from './features/mail/mail.routes.ts';
import { outworkRoutes } from './features/outwork/outwork.routes.ts';
import { partsRoutes } from './features/parts/parts.routes.ts';
import { photosRoutes } from './features/photos/photos.routes.ts';
import { planRoutes } from './features/plan/plan.routes.ts';
import { questionsRoutes } from './features/questions/questions.routes.ts';
import { sessionRoutes } from './features/session/session.routes.ts';
import { shopRoutes } from './features/shop/shop.routes.ts';
import { snagsRoutes } from './features/snags/snags.routes.ts';
import { symptomsRoutes } from './features/symptoms/symptoms.routes.ts';
import { toolsRoutes } from './features/tools/tools.routes.ts';
import { upkeepRoutes } from './features/upkeep/upkeep.routes.ts';
import { vehicleRoutes } from './features/vehicle/vehicle.routes.ts';
import { voiceRoutes } from './features/voice/voice.routes.ts';
import { waitsRoutes } from './features/waits/waits.routes.ts';
import { walkRoutes } from './features/walk/walk.routes.ts';
import { workRoutes } from './features/work/work.routes.ts';
import { serveClient } from './http/client.ts';
import { boundAddress } from './http/bounds.ts';
import { refuseStrangeHosts } from './http/hosts.ts';
import { answerProblems, noSuchRoute } from './http/problems.ts';
import { mount, type Feature } from './http/routes.ts';
import { refuseCrossSite, securityHeaders } from './http/security.ts';
import { openSessions } from './http/session.ts';

/** Largest request body. A letter of the longest kind is a tenth of it. */
const BODY_LIMIT = '1mb';

export interface App {
  express: Express;
  features: Feature[];
  hub: LiveHub;
  close: () => Promise<void>;
}

export function createApp(deps: Deps, clientFolder: string | null): App {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  // Only where a setting says that a proxy stands before: anybody can write X-Forwarded-For.
  app.set('trust proxy', deps.proxies);
  app.set('query parser', 'simple');
  app.use(
    pinoHttp({ logger: deps.log, genReqId: () => randomUUID(), autoLogging: false, quietReqLogger: true }),
  );
  app.use(...securityHeaders(deps.secure));
  app.use(refuseStrangeHosts(deps.publicUrl, deps.hosts), boundAddress);
  app.use(
    compression({
      filter: (req, res) =>
        !String(res.getHeader('content-type')).startsWith('text/event-stream') &&
        compression.filter(req, res),
    }),
  );
  const hub = new LiveHub(deps);
  const sessions = openSessions(deps);
  const features = [
    healthRoutes(deps),
    upkeepRoutes(deps),
    sessionRoutes(deps),
    shopRoutes(deps),
    buildsRoutes(deps),
    entriesRoutes(deps),
    actsRoutes(deps),
    photosRoutes(deps),
    voiceRoutes(deps),
    bookRoutes(deps),
    papersRoutes(deps),
    lettersRoutes(deps),
    linksRoutes(deps),
    questionsRoutes(deps),
    letterPageRoutes(deps),
    vehicleRoutes(deps),
    inspectionRoutes(deps),
    symptomsRoutes(deps),
    workRoutes(deps),
    jobsRoutes(deps),
    snagsRoutes(deps),
    benchRoutes(deps),
    planRoutes(deps),
    toolsRoutes(deps),
    walkRoutes(deps),
    partsRoutes(deps),
    outworkRoutes(deps),
    labelsRoutes(deps),
    costsRoutes(deps),
    waitsRoutes(deps),
    houseRulesRoutes(deps),
    estimateRoutes(deps),
    estimatePageRoutes(deps),
    mailRoutes(deps),
    liveRoutes(deps, hub),
  ];
  app.use('/api', (_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  app.use(
    '/api',
    refuseCrossSite,
    sessions.middleware,
    express.json({ limit: BODY_LIMIT, strict: true, type: 'application/json' }),
  );
  app.use(mount(features, { asReadBy: (who, answer) => asReadBy(deps, who, answer), refuseHidden }));
  app.use('/api', noSuchRoute);
  if (clientFolder !== null) app.use(serveClient(clientFolder));
  app.use(noSuchRoute);
  app.use(answerProblems);
  return {
    express: app,
    features,
    hub,
    close: async () => {
      await hub.stop();
      await sessions.close();
    },
  };
}
