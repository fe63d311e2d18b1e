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
import { handler, type Feature } from '../../http/routes.ts';
import { putChoice, settleChoice } from './choices.service.ts';
import { beginLine } from './begin.service.ts';
import { readEstimate } from './estimateNow.ts';
import { dropRate, putRate, readRates } from './rates.service.ts';
import * as s from './estimate.service.ts';
import { exportCsv, exportJson, exportPdf, importLines } from './exchange.service.ts';
import { sendRevision, takeAnswer } from './revisions.service.ts';

export function estimateRoutes(deps: Deps): Feature {
  return {
    estimateRead: handler({ run: ({ who, params }) => readEstimate(deps, who, params.buildId!) }),
    estimateLinePut: handler({
      body: EstimateLineDto,
      run: ({ who, params, body }) => s.putLine(deps, who, params.buildId!, params.lineId!, body),
    }),
    estimateLineDrop: handler({
      body: LineVersionDto,
      run: ({ who, params, body }) => s.removeLine(deps, who, params.buildId!, params.lineId!, body),
    }),
    choicePut: handler({
      body: ChoicePutDto,
      run: ({ who, params, body }) => putChoice(deps, who, params.buildId!, params.choiceId!, body),
    }),
    choiceSettle: handler({
      body: LineVersionDto,
      run: ({ who, params, body }) => settleChoice(deps, who, params.buildId!, params.choiceId!, body),
    }),
    openingSet: handler({
      body: OpeningDto,
      run: ({ who, params, body }) => s.setOpening(deps, who, params.buildId!, body),
    }),
    estimateImport: handler({
      body: ImportDto,
      run: ({ who, params, body }) => importLines(deps, who, params.buildId!, body),
    }),
    estimateCsv: handler({
      run: async ({ who, params, res }) => sendFile(res, await exportCsv(deps, who, params.buildId!)),
    }),
    estimateJson: handler({
      run: async ({ who, params, res }) => sendFile(res, await exportJson(deps, who, params.buildId!)),
    }),
    estimatePdf: handler({
      run: async ({ who, params, res }) => sendFile(res, await exportPdf(deps, who, params.buildId!, null)),
    }),
    revisionPdf: handler({
      run: async ({ who, params, res }) =>
        sendFile(res, await exportPdf(deps, who, params.buildId!, params.revisionId!)),
    }),
    estimatePropose: handler({
      body: ProposalsDto,
      run: ({ who, params, body }) => s.propose(deps, who, params.buildId!, body),
    }),
    estimateLineBegin: handler({
      run: ({ who, params }) => beginLine(deps, who, params.buildId!, params.lineId!),
    }),
    revisionSend: handler({
      body: RevisionSendDto,
      run: ({ who, params, body }) => sendRevision(deps, who, params.buildId!, body),
    }),
    answerTake: handler({
      body: AnswerTakenDto,
      run: ({ who, params, body }) => takeAnswer(deps, who, params.buildId!, params.revisionId!, body),
    }),
    ratesRead: handler({ run: ({ who }) => readRates(deps, who) }),
    ratePut: handler({
      body: RatePutDto,
      run: ({ who, params, body }) => putRate(deps, who, params.rateId!, body),
    }),
    rateDrop: handler({ run: ({ who, params }) => dropRate(deps, who, params.rateId!) }),
    termsRead: handler({ run: ({ who }) => s.readTerms(deps, who) }),
    termsSave: handler({ body: TermsDto, run: ({ who, body }) => s.saveTerms(deps, who, body) }),
  };
}
