/** Routes of estimatePage. */
import { get, post } from './route.ts';

export const estimatePageRoutes = {
  estimatePage: get('/l/:token/estimate', 'anyone'),
  estimateAnswer: post('/l/:token/estimate', 'anyone'),
  estimateCode: post('/l/:token/estimate/code', 'anyone'),
} as const;
