/** Routes of snags. */
import type { SnagEndDto, SnagPutDto, SnagsView, TrialPutDto } from './snags.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const snagsRead = get('/api/builds/:buildId/snags', EVERYBODY).answers<SnagsView>();

export const snagsRoutes = {
  snagsRead,
  snagPut: put('/api/builds/:buildId/snags/:snagId', EVERYBODY).takes<SnagPutDto>().answersAs(snagsRead),
  snagEnd: post('/api/builds/:buildId/snags/:snagId/end', EVERYBODY).takes<SnagEndDto>().answersAs(snagsRead),
  trialPut: put('/api/builds/:buildId/trials/:entryId', EVERYBODY).takes<TrialPutDto>().answersAs(snagsRead),
} as const;
