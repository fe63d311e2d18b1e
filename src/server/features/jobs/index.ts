/** What other features may use of this one. */
export { insertJob, liveJobs } from './jobs.queries.ts';
export { prepareJob, takeBackOfJob } from './line.ts';
