import { useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AnswerTakenDto,
  ChoicePutDto,
  EstimateLineDto,
  EstimateView,
  ImportDto,
  OpeningDto,
  RevisionSendDto,
  TermsDto,
} from '#contract/estimate.ts';
import { call } from '../../shared/api.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const estimateQuery = (buildId: string) => readOf('estimateRead', { params: { buildId } });

/** A change of one estimate; the server answers with the whole of it as it is then. */
function useChange<T>(buildId: string, change: (given: T) => Promise<EstimateView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (view) => client.setQueryData(estimateQuery(buildId).queryKey, view),
    // Refused because somebody else was first: show what is there now.
    onError: () => client.invalidateQueries({ queryKey: keyOf('estimateRead', buildId) }),
  });
}

export const usePutLine = (buildId: string) =>
  useChange(buildId, ({ lineId, body }: { lineId: string; body: EstimateLineDto }) =>
    call('estimateLinePut', { params: { buildId, lineId }, body }),
  );

export const useDropLine = (buildId: string) =>
  useChange(buildId, ({ lineId, version }: { lineId: string; version: number }) =>
    call('estimateLineDrop', { params: { buildId, lineId }, body: { version } }),
  );

export const usePutChoice = (buildId: string) =>
  useChange(buildId, ({ choiceId, body }: { choiceId: string; body: ChoicePutDto }) =>
    call('choicePut', { params: { buildId, choiceId }, body }),
  );

export const useSettleChoice = (buildId: string) =>
  useChange(buildId, ({ choiceId, version }: { choiceId: string; version: number }) =>
    call('choiceSettle', { params: { buildId, choiceId }, body: { version } }),
  );

export const useSetOpening = (buildId: string) =>
  useChange(buildId, (body: OpeningDto) => call('openingSet', { params: { buildId }, body }));

export const usePropose = (buildId: string) =>
  useChange(buildId, (wait: string[]) => call('estimatePropose', { params: { buildId }, body: { wait } }));

export const useBeginLine = (buildId: string) =>
  useChange(buildId, (lineId: string) => call('estimateLineBegin', { params: { buildId, lineId } }));

export const useSendRevision = (buildId: string) =>
  useChange(buildId, (body: RevisionSendDto) => call('revisionSend', { params: { buildId }, body }));

export const useTakeAnswer = (buildId: string) =>
  useChange(buildId, ({ revisionId, body }: { revisionId: string; body: AnswerTakenDto }) =>
    call('answerTake', { params: { buildId, revisionId }, body }),
  );

export function useImportLines(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: ImportDto) => call('estimateImport', { params: { buildId }, body }),
    onSuccess: async ({ kept }) => {
      if (kept) await client.invalidateQueries({ queryKey: keyOf('estimateRead', buildId) });
    },
  });
}

export const termsQuery = readOf('termsRead');

export function useSaveTerms() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: TermsDto) => call('termsSave', { body }),
    onSuccess: (terms) => {
      client.setQueryData(termsQuery.queryKey, terms);
      void client.invalidateQueries({ queryKey: keyOf('estimateRead') });
    },
  });
}
