import { HouseRuleDto, PastDto, SettleDto } from '#contract/houseRules.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './houseRules.service.ts';

export function houseRulesRoutes(deps: Deps): Feature {
  return {
    rulesRead: { run: ({ who }) => s.readRules(deps, who) },
    ruleSave: {
      body: HouseRuleDto,
      run: ({ who, params, body }) => s.saveRule(deps, who, params.rule, body),
    },
    proposalsRead: { run: ({ who, params }) => s.readProposals(deps, who, params.buildId) },
    pastSave: {
      body: PastDto,
      run: ({ who, params, body }) => s.savePast(deps, who, params.buildId, body),
    },
    proposalsSettle: {
      body: SettleDto,
      run: ({ who, params, body }) => s.settleProposals(deps, who, params.buildId, body),
    },
  };
}
