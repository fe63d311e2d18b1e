/** Routes of houseRules. */
import type { HouseRuleDto, HouseRulesView, PastDto, ProposalsView, SettleDto } from './houseRules.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const houseRulesRoutes = {
  rulesRead: get('/api/shop/rules', EVERYBODY).answers<HouseRulesView>(),
  ruleSave: put('/api/shop/rules/:rule', ['owner']).takes<HouseRuleDto>().answers<HouseRulesView>(),
  proposalsRead: get('/api/builds/:buildId/proposals', EVERYBODY).answers<ProposalsView>(),
  pastSave: put('/api/builds/:buildId/past', EVERYBODY).takes<PastDto>().answers<ProposalsView>(),
  proposalsSettle: post('/api/builds/:buildId/proposals', EVERYBODY)
    .takes<SettleDto>()
    .answers<ProposalsView>(),
} as const;
