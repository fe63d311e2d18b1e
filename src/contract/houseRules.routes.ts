/** Routes of houseRules. */
import type { HouseRuleDto, HouseRulesView, PastDto, ProposalsView, SettleDto } from './houseRules.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const rulesRead = get('/api/shop/rules', EVERYBODY).answers<HouseRulesView>().about('house rules');

const proposalsRead = get('/api/builds/:buildId/proposals', EVERYBODY)
  .answers<ProposalsView>()
  .about('house rules');

export const houseRulesRoutes = {
  rulesRead,
  ruleSave: put('/api/shop/rules/:rule', ['owner'])
    .takes<HouseRuleDto>()
    .answersAs(rulesRead)
    .about('house rules'),
  proposalsRead,
  pastSave: put('/api/builds/:buildId/past', EVERYBODY).takes<PastDto>().answersAs(proposalsRead),
  proposalsSettle: post('/api/builds/:buildId/proposals', EVERYBODY)
    .takes<SettleDto>()
    .answersAs(proposalsRead),
} as const;
