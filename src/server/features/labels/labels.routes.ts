import { LabelsQueryDto } from '#contract/labels.ts';
import type { Deps } from '../../deps.ts';
import { sendFile } from '../../http/outFile.ts';
import type { Feature } from '../../http/routes.ts';
import { findByCode, printLabels } from './labels.service.ts';

export function labelsRoutes(deps: Deps): Feature {
  return {
    labelsPdf: {
      query: LabelsQueryDto,
      run: async ({ who, query, res }) => sendFile(res, await printLabels(deps, who, query)),
    },
    codeFind: { run: ({ who, params }) => findByCode(deps, who, params.code) },
  };
}
