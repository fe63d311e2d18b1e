import { readOf } from '../../shared/reading.ts';

export const snagsQuery = (buildId: string) => readOf('snagsRead', { params: { buildId } });
