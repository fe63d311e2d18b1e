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

export const estimateRoutes = {
  ratesRead: get('/api/shop/rates', ['owner']).answers<RatesView>(),
  ratePut: put('/api/shop/rates/:rateId', ['owner']).takes<RatePutDto>().answers<RatesView>(),
  rateDrop: del('/api/shop/rates/:rateId', ['owner']).answers<RatesView>(),
  estimateRead: get('/api/builds/:buildId/estimate', DESK).answers<EstimateView>(),
  estimateLinePut: put('/api/builds/:buildId/estimate/lines/:lineId', DESK)
    .takes<EstimateLineDto>()
    .answers<EstimateView>(),
  estimateLineDrop: del('/api/builds/:buildId/estimate/lines/:lineId', DESK)
    .takes<LineVersionDto>()
    .answers<EstimateView>(),
  choicePut: put('/api/builds/:buildId/estimate/choices/:choiceId', DESK)
    .takes<ChoicePutDto>()
    .answers<EstimateView>(),
  choiceSettle: post('/api/builds/:buildId/estimate/choices/:choiceId/settled', DESK)
    .takes<LineVersionDto>()
    .answers<EstimateView>(),
  estimateImport: post('/api/builds/:buildId/estimate/import', DESK).takes<ImportDto>().answers<ImportView>(),
  estimateCsv: get('/api/builds/:buildId/estimate/csv', DESK),
  estimateJson: get('/api/builds/:buildId/estimate/json', DESK),
  estimatePdf: get('/api/builds/:buildId/estimate/pdf', DESK),
  revisionPdf: get('/api/builds/:buildId/revisions/:revisionId/pdf', DESK),
  openingSet: put('/api/builds/:buildId/estimate/openings', DESK).takes<OpeningDto>().answers<EstimateView>(),
  estimatePropose: put('/api/builds/:buildId/estimate/proposals', DESK)
    .takes<ProposalsDto>()
    .answers<EstimateView>(),
  estimateLineBegin: post('/api/builds/:buildId/estimate/lines/:lineId/begin', DESK).answers<EstimateView>(),
  revisionSend: post('/api/builds/:buildId/revisions', DESK).takes<RevisionSendDto>().answers<EstimateView>(),
  answerTake: post('/api/builds/:buildId/revisions/:revisionId/answers', DESK)
    .takes<AnswerTakenDto>()
    .answers<EstimateView>(),
  termsRead: get('/api/shop/terms', DESK).answers<TermsView>(),
  termsSave: put('/api/shop/terms', ['owner']).takes<TermsDto>().answers<TermsView>(),
} as const;
