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

export const benchRoutes = {
  benchRead: get('/api/builds/:buildId/bench', EVERYBODY).answers<BenchView>(),
  readingPut: put('/api/builds/:buildId/readings/:readingId', EVERYBODY)
    .takes<ReadingPutDto>()
    .answers<BenchView>(),
  readingFinding: post('/api/builds/:buildId/readings/:readingId/finding', EVERYBODY)
    .takes<ReadingFindingDto>()
    .answers<BenchView>(),
  benchSpecPut: put('/api/builds/:buildId/bench/:calculator', EVERYBODY)
    .takes<BenchFormDto>()
    .answers<BenchView>(),
  benchJobs: get('/api/bench/jobs', EVERYBODY).answers<DoneJobsView>(),
  benchLimits: get('/api/bench/limits', EVERYBODY).answers<BenchLimits>(),
  /** Limits of the shop's own, in place of the usual ones. */
  benchLimitsPut: put('/api/bench/limits/:calculator', DESK).takes<BenchFormDto>().answers<BenchLimits>(),
} as const;
