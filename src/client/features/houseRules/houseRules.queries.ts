import type { HouseRuleDto, PastDto, SettleDto } from '#contract/houseRules.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const rulesQuery = readOf('rulesRead');

export const proposalsQuery = (buildId: string) => readOf('proposalsRead', { params: { buildId } });

export const useSaveRule = () =>
  useChange('ruleSave', ({ rule, body }: { rule: string; body: HouseRuleDto }) => ({
    params: { rule },
    body,
  }));

export const useSavePast = (buildId: string) =>
  useChange('pastSave', (body: PastDto) => ({ params: { buildId }, body }));

export const useSettle = (buildId: string) =>
  useChange('proposalsSettle', (body: SettleDto) => ({ params: { buildId }, body }));
