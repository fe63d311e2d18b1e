/** Routes of bench. */
import type {
  BenchFormDto,
  BenchLimits,
  BenchView,
  DoneJobsView,
  ReadingFindingDto,
  ReadingPutDto,
} from './bench.ts';
import { DESK, EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const benchRead = get('/api/builds/:buildId/bench', EVERYBODY).answers<BenchView>();

const benchLimits = get('/api/bench/limits', EVERYBODY).answers<BenchLimits>().about('bench limits');

export const benchRoutes = {
  benchRead,
  readingPut: put('/api/builds/:buildId/readings/:readingId', EVERYBODY)
    .takes<ReadingPutDto>()
    .answersAs(benchRead),
  readingFinding: post('/api/builds/:buildId/readings/:readingId/finding', EVERYBODY)
    .takes<ReadingFindingDto>()
    .answersAs(benchRead),
  benchSpecPut: put('/api/builds/:buildId/bench/:calculator', EVERYBODY)
    .takes<BenchFormDto>()
    .answersAs(benchRead),
  benchJobs: get('/api/bench/jobs', EVERYBODY).answers<DoneJobsView>(),
  benchLimits,
  /** Limits of the shop's own, in place of the usual ones. */
  benchLimitsPut: put('/api/bench/limits/:calculator', DESK)
    .takes<BenchFormDto>()
    .answersAs(benchLimits)
    .about('bench limits'),
} as const;
