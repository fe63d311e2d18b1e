/** Routes of papers. */
import type { PaperGiveDto, PaperView } from './papers.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

export const papersRoutes = {
  papersList: get('/api/builds/:buildId/papers', DESK)
    .of('none')
    .answers<{ papers: PaperView[] }>()
    .about('papers'),
  /** The body is a PDF, as it is. */
  paperUpload: put('/api/builds/:buildId/papers/:paperId', DESK).answers<PaperView>().about('papers'),
  paperGive: post('/api/papers/:paperId/give', DESK)
    .takes<PaperGiveDto>()
    .answers<PaperView>()
    .about('papers'),
  paperDrop: del('/api/papers/:paperId', DESK).answers<{ removed: true }>().about('papers'),
  paperFile: get('/api/papers/:paperId/file', DESK),
} as const;
