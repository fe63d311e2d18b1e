import type { QuestionAnswerDto } from '#contract/questions.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const questionsQuery = (buildId: string) => readOf('questionsRead', { params: { buildId } });

export const useAnswer = (questionId: string) =>
  useChange('questionAnswer', (body: QuestionAnswerDto) => ({ params: { questionId }, body }));
