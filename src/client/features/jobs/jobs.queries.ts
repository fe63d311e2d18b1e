import { readOf } from '../../shared/reading.ts';

export const jobsQuery = (buildId: string) => readOf('jobsRead', { params: { buildId } });
