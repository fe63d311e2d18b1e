/** Routes of labels. */
import type { FoundView, LabelsQueryDto } from './labels.ts';
import { EVERYBODY } from './access.ts';
import { get } from './route.ts';

export const labelsRoutes = {
  labelsPdf: get('/api/labels/pdf', EVERYBODY).asks<LabelsQueryDto>(),
  codeFind: get('/api/codes/:code', EVERYBODY).answers<FoundView>(),
} as const;
