import {
  AnswerTakenDto,
  EstimateLineDto,
  LineVersionDto,
  OpeningDto,
  ProposalsDto,
  RevisionSendDto,
  TermsDto,
} from '#contract/estimate.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './estimate.service.ts';
import { sendRevision, takeAnswer } from './revisions.service.ts';

export function estimateRoutes(deps: Deps): Feature {
  return {
    estimateRead: handler({ run: ({ who, params }) => s.readEstimate(deps, who, params.buildId!) }),
    estimateLinePut: handler({
      body: EstimateLineDto,
      run: ({ who, params, body }) => s.putLine(deps, who, params.buildId!, params.lineId!, body),
    }),
    estimateLineDrop: handler({
      body: LineVersionDto,
      run: ({ who, params, body }) => s.removeLine(deps, who, params.buildId!, params.lineId!, body),
    }),
    openingSet: handler({
      body: OpeningDto,
      run: ({ who, params, body }) => s.setOpening(deps, who, params.buildId!, body),
    }),
    estimatePropose: handler({
      body: ProposalsDto,
      run: ({ who, params, body }) => s.propose(deps, who, params.buildId!, body),
    }),
    estimateLineBegin: handler({
      run: ({ who, params }) => s.beginLine(deps, who, params.buildId!, params.lineId!),
    }),
    revisionSend: handler({
      body: RevisionSendDto,
      run: ({ who, params, body }) => sendRevision(deps, who, params.buildId!, body),
    }),
    answerTake: handler({
      body: AnswerTakenDto,
      run: ({ who, params, body }) => takeAnswer(deps, who, params.buildId!, params.revisionId!, body),
    }),
    termsRead: handler({ run: ({ who }) => s.readTerms(deps, who) }),
    termsSave: handler({ body: TermsDto, run: ({ who, body }) => s.saveTerms(deps, who, body) }),
  };
}
