/** Routes of letterPage. */
import { get, post } from './route.ts';

export const letterPageRoutes = {
  /** The customer's page: who has the link may read. */
  letterPage: get('/l/:token', 'anyone'),
  linkBook: get('/l/:token/book/:bookFile', 'anyone'),
  linkPaper: get('/l/:token/papers/:paperId', 'anyone'),
  linkRevision: get('/l/:token/estimates/:revisionId', 'anyone'),
  letterPicture: get('/l/:token/photos/:hash', 'anyone'),
  questionAsk: post('/l/:token/questions', 'anyone'),
} as const;
