import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { QuestionAnswerDto } from '#contract/questions.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { readOf } from '../../shared/reading.ts';

export const questionsQuery = (buildId: string) => readOf('questionsRead', { params: { buildId } });

export function useAnswer(buildId: string, questionId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: QuestionAnswerDto) => call('questionAnswer', { params: { questionId }, body }),
    onSuccess: (all) => {
      client.setQueryData(questionsQuery(buildId).queryKey, all);
      changed(buildId);
    },
  });
}
