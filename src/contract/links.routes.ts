/** Routes of links. */
import type { ReaderDto, ReaderView } from './readers.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

export const linksRoutes = {
  readersList: get('/api/builds/:buildId/readers', DESK).of('none').answers<ReaderView[]>(),
  readerPut: put('/api/builds/:buildId/readers/:readerId', DESK).takes<ReaderDto>().answers<ReaderView[]>(),
  readerDrop: del('/api/builds/:buildId/readers/:readerId', DESK).answers<ReaderView[]>(),
  linkRenew: post('/api/builds/:buildId/link', DESK).answers<{ made: true }>(),
  linkRevoke: del('/api/builds/:buildId/link', DESK).answers<{ revoked: true }>(),
} as const;
