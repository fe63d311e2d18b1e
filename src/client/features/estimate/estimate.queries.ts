import type {
  AnswerTakenDto,
  ChoicePutDto,
  EstimateLineDto,
  ImportDto,
  OpeningDto,
  RevisionSendDto,
  TermsDto,
} from '#contract/estimate.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const estimateQuery = (buildId: string) => readOf('estimateRead', { params: { buildId } });

export const usePutLine = (buildId: string) =>
  useChange('estimateLinePut', ({ lineId, body }: { lineId: string; body: EstimateLineDto }) => ({
    params: { buildId, lineId },
    body,
  }));

export const useDropLine = (buildId: string) =>
  useChange('estimateLineDrop', ({ lineId, version }: { lineId: string; version: number }) => ({
    params: { buildId, lineId },
    body: { version },
  }));

export const usePutChoice = (buildId: string) =>
  useChange('choicePut', ({ choiceId, body }: { choiceId: string; body: ChoicePutDto }) => ({
    params: { buildId, choiceId },
    body,
  }));

export const useSettleChoice = (buildId: string) =>
  useChange('choiceSettle', ({ choiceId, version }: { choiceId: string; version: number }) => ({
    params: { buildId, choiceId },
    body: { version },
  }));

export const useSetOpening = (buildId: string) =>
  useChange('openingSet', (body: OpeningDto) => ({ params: { buildId }, body }));

export const usePropose = (buildId: string) =>
  useChange('estimatePropose', (wait: string[]) => ({ params: { buildId }, body: { wait } }));

export const useBeginLine = (buildId: string) =>
  useChange('estimateLineBegin', (lineId: string) => ({ params: { buildId, lineId } }));

export const useSendRevision = (buildId: string) =>
  useChange('revisionSend', (body: RevisionSendDto) => ({ params: { buildId }, body }));

export const useTakeAnswer = (buildId: string) =>
  useChange('answerTake', ({ revisionId, body }: { revisionId: string; body: AnswerTakenDto }) => ({
    params: { buildId, revisionId },
    body,
  }));

/** Looks at a table of lines, or keeps it. */
export const useImportLines = (buildId: string) =>
  useChange('estimateImport', (body: ImportDto) => ({ params: { buildId }, body }));

export const termsQuery = readOf('termsRead');

export const useSaveTerms = () => useChange('termsSave', (body: TermsDto) => ({ body }));
