import { HouseRuleDto, PastDto, SettleDto } from '#contract/houseRules.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './houseRules.service.ts';

export function houseRulesRoutes(deps: Deps): Feature {
  return {
    rulesRead: handler({ run: ({ who }) => s.readRules(deps, who) }),
    ruleSave: handler({
      body: HouseRuleDto,
      run: ({ who, params, body }) => s.saveRule(deps, who, params.rule!, body),
    }),
    proposalsRead: handler({ run: ({ who, params }) => s.readProposals(deps, who, params.buildId!) }),
    pastSave: handler({
      body: PastDto,
      run: ({ who, params, body }) => s.savePast(deps, who, params.buildId!, body),
    }),
    proposalsSettle: handler({
      body: SettleDto,
      run: ({ who, params, body }) => s.settleProposals(deps, who, params.buildId!, body),
    }),
  };
}
