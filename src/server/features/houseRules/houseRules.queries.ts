import type { ProposalsView } from '#contract/houseRules.ts';
import type { HouseRule } from '#core/houseRules/rules.ts';
import type { Standard } from '#core/log/standards.ts';
import type { Tx } from '../../db/pool.ts';

export interface RuleRow {
  rule: string;
  content: HouseRule;
  version: number;
}

export const changedRules = (tx: Tx): Promise<RuleRow[]> =>
  tx.rows('select rule, content, version from house_rules where shop_id = :shopId order by rule');

export const insertRule = (tx: Tx, rule: string, content: HouseRule): Promise<number> =>
  tx.run(
    `insert into house_rules (shop_id, rule, content) values (:shopId, :rule, :content::jsonb)
     on conflict do nothing`,
    { rule, content: JSON.stringify(content) },
  );

/** Keeps the rule if it is still at this version; answers whether it was. */
export const saveRule = async (tx: Tx, rule: string, content: HouseRule, version: number): Promise<boolean> =>
  (await tx.run(
    `update house_rules set content = :content::jsonb, version = version + 1
     where shop_id = :shopId and rule = :rule and version = :version`,
    { rule, content: JSON.stringify(content), version },
  )) === 1;

export interface PastRow {
  stood_since: number | null;
  tyre_code: string;
  own_car: boolean;
  standard: Standard;
  year: number | null;
  gas: boolean;
  high_voltage: boolean;
}

export const pastOf = (tx: Tx, buildId: string): Promise<PastRow | undefined> =>
  tx.one(
    `select b.stood_since, b.tyre_code, b.own_car, b.standard, v.year, v.gas, v.high_voltage from builds b
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     where b.shop_id = :shopId and b.id = :buildId`,
    { buildId },
  );

export const savePast = (tx: Tx, buildId: string, p: ProposalsView['past']): Promise<number> =>
  tx.run(
    `update builds set stood_since = :stoodSince, tyre_code = :tyreCode, own_car = :ownCar
     where shop_id = :shopId and id = :buildId`,
    { buildId, ...p },
  );

export const settledOf = (tx: Tx, buildId: string): Promise<{ rule: string; entry_id: string | null }[]> =>
  tx.rows('select rule, entry_id from settled_proposals where shop_id = :shopId and build_id = :buildId', {
    buildId,
  });

export const settle = (
  tx: Tx,
  s: { buildId: string; rule: string; entryId: string | null; personId: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into settled_proposals (shop_id, build_id, rule, entry_id, person_id, at)
     values (:shopId, :buildId, :rule, :entryId, :personId, :now) on conflict do nothing`,
    s,
  );

/** Refused proposals are asked again. */
export const askAgain = (tx: Tx, buildId: string): Promise<number> =>
  tx.run(
    'delete from settled_proposals where shop_id = :shopId and build_id = :buildId and entry_id is null',
    { buildId },
  );
