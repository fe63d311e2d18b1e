import { JobJoinDto, JobPutDto, JobSplitDto } from '#contract/jobs.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './jobs.service.ts';

export function jobsRoutes(deps: Deps): Feature {
  return {
    jobsRead: { run: ({ who, params }) => s.readJobs(deps, who, params.buildId) },
    jobPut: {
      body: JobPutDto,
      run: ({ who, params, body }) => s.putJob(deps, who, params.buildId, params.jobId, body),
    },
    jobJoin: {
      body: JobJoinDto,
      run: ({ who, params, body }) => s.joinJob(deps, who, params.buildId, params.jobId, body),
    },
    jobSplit: {
      body: JobSplitDto,
      run: ({ who, params, body }) => s.splitJob(deps, who, params.buildId, params.jobId, body),
    },
  };
}
