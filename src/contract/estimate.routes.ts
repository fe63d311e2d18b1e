/** Routes of estimate. */
import type {
  AnswerTakenDto,
  ChoicePutDto,
  EstimateLineDto,
  EstimateView,
  ImportDto,
  ImportView,
  LineVersionDto,
  OpeningDto,
  ProposalsDto,
  RevisionSendDto,
  TermsDto,
  TermsView,
} from './estimate.ts';
import type { RatePutDto, RatesView } from './rates.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

const ratesRead = get('/api/shop/rates', ['owner']).answers<RatesView>().about('rates', 'terms');

const estimateRead = get('/api/builds/:buildId/estimate', DESK)
  .answers<EstimateView>()
  .about('rates', 'terms');

const termsRead = get('/api/shop/terms', DESK).answers<TermsView>().about('rates', 'terms');

export const estimateRoutes = {
  ratesRead,
  ratePut: put('/api/shop/rates/:rateId', ['owner']).takes<RatePutDto>().answersAs(ratesRead).about('rates'),
  rateDrop: del('/api/shop/rates/:rateId', ['owner']).answersAs(ratesRead).about('rates'),
  estimateRead,
  estimateLinePut: put('/api/builds/:buildId/estimate/lines/:lineId', DESK)
    .takes<EstimateLineDto>()
    .answersAs(estimateRead),
  estimateLineDrop: del('/api/builds/:buildId/estimate/lines/:lineId', DESK)
    .takes<LineVersionDto>()
    .answersAs(estimateRead),
  choicePut: put('/api/builds/:buildId/estimate/choices/:choiceId', DESK)
    .takes<ChoicePutDto>()
    .answersAs(estimateRead),
  choiceSettle: post('/api/builds/:buildId/estimate/choices/:choiceId/settled', DESK)
    .takes<LineVersionDto>()
    .answersAs(estimateRead),
  estimateImport: post('/api/builds/:buildId/estimate/import', DESK).takes<ImportDto>().answers<ImportView>(),
  estimateCsv: get('/api/builds/:buildId/estimate/csv', DESK),
  estimateJson: get('/api/builds/:buildId/estimate/json', DESK),
  estimatePdf: get('/api/builds/:buildId/estimate/pdf', DESK),
  revisionPdf: get('/api/builds/:buildId/revisions/:revisionId/pdf', DESK),
  openingSet: put('/api/builds/:buildId/estimate/openings', DESK).takes<OpeningDto>().answersAs(estimateRead),
  estimatePropose: put('/api/builds/:buildId/estimate/proposals', DESK)
    .takes<ProposalsDto>()
    .answersAs(estimateRead),
  estimateLineBegin: post('/api/builds/:buildId/estimate/lines/:lineId/begin', DESK).answersAs(estimateRead),
  revisionSend: post('/api/builds/:buildId/revisions', DESK).takes<RevisionSendDto>().answersAs(estimateRead),
  answerTake: post('/api/builds/:buildId/revisions/:revisionId/answers', DESK)
    .takes<AnswerTakenDto>()
    .answersAs(estimateRead),
  termsRead,
  termsSave: put('/api/shop/terms', ['owner']).takes<TermsDto>().answersAs(termsRead).about('terms'),
} as const;
