/** Routes of jobs. */
import { DESK, EVERYBODY } from './access.ts';
import type { JobJoinDto, JobPutDto, JobSplitDto, JobsView } from './jobs.ts';
import { get, post, put } from './route.ts';

const jobsRead = get('/api/builds/:buildId/jobs', EVERYBODY).answers<JobsView>();

export const jobsRoutes = {
  jobsRead,
  jobPut: put('/api/builds/:buildId/jobs/:jobId', DESK).takes<JobPutDto>().answersAs(jobsRead),
  jobJoin: post('/api/builds/:buildId/jobs/:jobId/join', DESK).takes<JobJoinDto>().answersAs(jobsRead),
  jobSplit: post('/api/builds/:buildId/jobs/:jobId/split', DESK).takes<JobSplitDto>().answersAs(jobsRead),
} as const;
