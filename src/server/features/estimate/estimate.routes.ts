import {
  AnswerTakenDto,
  ChoicePutDto,
  EstimateLineDto,
  ImportDto,
  LineVersionDto,
  OpeningDto,
  ProposalsDto,
  RevisionSendDto,
  TermsDto,
} from '#contract/estimate.ts';
import { RatePutDto } from '#contract/rates.ts';
import type { Deps } from '../../deps.ts';
import { sendFile } from '../../http/outFile.ts';
import type { Feature } from '../../http/routes.ts';
import { putChoice, settleChoice } from './choices.service.ts';
import { beginLine } from './begin.service.ts';
import { readEstimate } from './estimateNow.ts';
import { dropRate, putRate, readRates } from './rates.service.ts';
import * as s from './estimate.service.ts';
import { exportCsv, exportJson, exportPdf, importLines } from './exchange.service.ts';
import { sendRevision, takeAnswer } from './revisions.service.ts';

export function estimateRoutes(deps: Deps): Feature {
  return {
    estimateRead: { run: ({ who, params }) => readEstimate(deps, who, params.buildId) },
    estimateLinePut: {
      body: EstimateLineDto,
      run: ({ who, params, body }) => s.putLine(deps, who, params.buildId, params.lineId, body),
    },
    estimateLineDrop: {
      body: LineVersionDto,
      run: ({ who, params, body }) => s.removeLine(deps, who, params.buildId, params.lineId, body),
    },
    choicePut: {
      body: ChoicePutDto,
      run: ({ who, params, body }) => putChoice(deps, who, params.buildId, params.choiceId, body),
    },
    choiceSettle: {
      body: LineVersionDto,
      run: ({ who, params, body }) => settleChoice(deps, who, params.buildId, params.choiceId, body),
    },
    openingSet: {
      body: OpeningDto,
      run: ({ who, params, body }) => s.setOpening(deps, who, params.buildId, body),
    },
    estimateImport: {
      body: ImportDto,
      run: ({ who, params, body }) => importLines(deps, who, params.buildId, body),
    },
    estimateCsv: {
      run: async ({ who, params, res }) => sendFile(res, await exportCsv(deps, who, params.buildId)),
    },
    estimateJson: {
      run: async ({ who, params, res }) => sendFile(res, await exportJson(deps, who, params.buildId)),
    },
    estimatePdf: {
      run: async ({ who, params, res }) => sendFile(res, await exportPdf(deps, who, params.buildId, null)),
    },
    revisionPdf: {
      run: async ({ who, params, res }) =>
        sendFile(res, await exportPdf(deps, who, params.buildId, params.revisionId)),
    },
    estimatePropose: {
      body: ProposalsDto,
      run: ({ who, params, body }) => s.propose(deps, who, params.buildId, body),
    },
    estimateLineBegin: {
      run: ({ who, params }) => beginLine(deps, who, params.buildId, params.lineId),
    },
    revisionSend: {
      body: RevisionSendDto,
      run: ({ who, params, body }) => sendRevision(deps, who, params.buildId, body),
    },
    answerTake: {
      body: AnswerTakenDto,
      run: ({ who, params, body }) => takeAnswer(deps, who, params.buildId, params.revisionId, body),
    },
    ratesRead: { run: ({ who }) => readRates(deps, who) },
    ratePut: {
      body: RatePutDto,
      run: ({ who, params, body }) => putRate(deps, who, params.rateId, body),
    },
    rateDrop: { run: ({ who, params }) => dropRate(deps, who, params.rateId) },
    termsRead: { run: ({ who }) => s.readTerms(deps, who) },
    termsSave: { body: TermsDto, run: ({ who, body }) => s.saveTerms(deps, who, body) },
  };
}
