/** Routes of jobs. */
import { DESK, EVERYBODY } from './access.ts';
import type { JobJoinDto, JobPutDto, JobSplitDto, JobsView } from './jobs.ts';
import { get, post, put } from './route.ts';

export const jobsRoutes = {
  jobsRead: get('/api/builds/:buildId/jobs', EVERYBODY).answers<JobsView>(),
  jobPut: put('/api/builds/:buildId/jobs/:jobId', DESK).takes<JobPutDto>().answers<JobsView>(),
  jobJoin: post('/api/builds/:buildId/jobs/:jobId/join', DESK).takes<JobJoinDto>().answers<JobsView>(),
  jobSplit: post('/api/builds/:buildId/jobs/:jobId/split', DESK).takes<JobSplitDto>().answers<JobsView>(),
} as const;
