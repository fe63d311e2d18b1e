import { QuestionAnswerDto } from '#contract/questions.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './questions.service.ts';

export function questionsRoutes(deps: Deps): Feature {
  return {
    questionsRead: { run: ({ who, params }) => s.readQuestions(deps, who, params.buildId) },
    questionAnswer: {
      body: QuestionAnswerDto,
      run: ({ who, params, body }) => s.answerQuestion(deps, who, params.questionId, body),
    },
  };
}
