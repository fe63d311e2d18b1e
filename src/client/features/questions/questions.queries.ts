import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { QuestionAnswerDto, QuestionView } from '#contract/questions.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const questionsQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['questions', buildId],
    queryFn: ({ signal }) => call<QuestionView[]>('questionsRead', { params: { buildId }, signal }),
  });

export function useAnswer(buildId: string, questionId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: QuestionAnswerDto) =>
      call<QuestionView[]>('questionAnswer', { params: { questionId }, body }),
    onSuccess: (all) => {
      client.setQueryData(questionsQuery(buildId).queryKey, all);
      changed(buildId);
    },
  });
}
