/** Routes of questions. */
import type { QuestionAnswerDto, QuestionView } from './questions.ts';
import { DESK } from './access.ts';
import { get, post } from './route.ts';

export const questionsRoutes = {
  questionsRead: get('/api/builds/:buildId/questions', DESK).answers<QuestionView[]>(),
  questionAnswer: post('/api/questions/:questionId/answer', DESK)
    .takes<QuestionAnswerDto>()
    .answers<QuestionView[]>()
    .of('every build'),
} as const;
