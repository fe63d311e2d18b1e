/** What other features may use of this one. */
export { prepareQuestion, takeBackOfQuestion } from './line.ts';
export { mailAnswer } from './questions.mail.ts';
export { questionsOf } from './questions.queries.ts';
export { askIn } from './questions.service.ts';
