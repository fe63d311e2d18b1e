/** Routes of snags. */
import type { SnagEndDto, SnagPutDto, SnagsView, TrialPutDto } from './snags.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const snagsRoutes = {
  snagsRead: get('/api/builds/:buildId/snags', EVERYBODY).answers<SnagsView>(),
  snagPut: put('/api/builds/:buildId/snags/:snagId', EVERYBODY).takes<SnagPutDto>().answers<SnagsView>(),
  snagEnd: post('/api/builds/:buildId/snags/:snagId/end', EVERYBODY).takes<SnagEndDto>().answers<SnagsView>(),
  trialPut: put('/api/builds/:buildId/trials/:entryId', EVERYBODY).takes<TrialPutDto>().answers<SnagsView>(),
} as const;
