import { PaperGiveDto } from '#contract/papers.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './papers.service.ts';

export function papersRoutes(deps: Deps): Feature {
  return {
    papersList: { run: ({ who, params }) => s.listPapers(deps, who, params.buildId) },
    paperUpload: {
      run: ({ who, params, req }) =>
        s.uploadPaper(deps, who, { buildId: params.buildId, id: params.paperId }, req),
    },
    paperGive: {
      body: PaperGiveDto,
      run: ({ who, params, body }) => s.givePaper(deps, who, params.paperId, body),
    },
    paperDrop: { run: ({ who, params }) => s.dropPaper(deps, who, params.paperId) },
    paperFile: {
      run: async ({ who, params, res }) => {
        await s.sendPaper(deps, who, params.paperId, res);
        return undefined;
      },
    },
  };
}
