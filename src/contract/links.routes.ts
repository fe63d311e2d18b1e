/** Routes of links. */
import type { ReaderDto, ReaderView } from './readers.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

const readersList = get('/api/builds/:buildId/readers', DESK).of('none').answers<ReaderView[]>();

export const linksRoutes = {
  readersList,
  readerPut: put('/api/builds/:buildId/readers/:readerId', DESK).takes<ReaderDto>().answersAs(readersList),
  readerDrop: del('/api/builds/:buildId/readers/:readerId', DESK).answersAs(readersList),
  linkRenew: post('/api/builds/:buildId/link', DESK).answers<{ made: true }>(),
  linkRevoke: del('/api/builds/:buildId/link', DESK).answers<{ revoked: true }>(),
} as const;
