/** Routes of papers. */
import type { PaperGiveDto, PaperView } from './papers.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

export const papersRoutes = {
  papersList: get('/api/builds/:buildId/papers', DESK).of('none').answers<{ papers: PaperView[] }>(),
  /** The body is a PDF, as it is. */
  paperUpload: put('/api/builds/:buildId/papers/:paperId', DESK).answers<PaperView>(),
  paperGive: post('/api/papers/:paperId/give', DESK).takes<PaperGiveDto>().answers<PaperView>(),
  paperDrop: del('/api/papers/:paperId', DESK).answers<{ removed: true }>(),
  paperFile: get('/api/papers/:paperId/file', DESK),
} as const;
