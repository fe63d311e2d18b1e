/** House rules: the shop's own, and what they propose for a build, answered one by one or all at once. */
import type {
  HouseRuleDto,
  HouseRulesView,
  HouseRuleView,
  PastDto,
  ProposalsView,
  SettleDto,
} from '#contract/houseRules.ts';
import { MOST_RULES } from '#contract/houseRules.ts';
import { canonical } from '#core/approval/canonical.ts';
import { FIRST_RULES, proposalsFor, type Proposal } from '#core/houseRules/rules.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { addIn } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './houseRules.queries.ts';

/** The rules as they hold: those the shop changed laid over those that came, its own after them. */
async function rulesNow(tx: Tx): Promise<HouseRuleView[]> {
  const changed = new Map((await q.changedRules(tx)).map((r) => [r.rule, r]));
  const names = [...new Set([...Object.keys(FIRST_RULES), ...changed.keys()])];
  return names.map((rule) => {
    const own = changed.get(rule);
    return { rule, version: own?.version ?? 0, ...(own?.content ?? FIRST_RULES[rule]!) };
  });
}

export const readRules = (deps: Deps, who: SignedIn): Promise<HouseRulesView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ rules: await rulesNow(tx) }));

const RULE = /^[a-z0-9-]{1,40}$/;

/** Keeps a rule, changed or new. The same again changes nothing. */
export const saveRule = (
  deps: Deps,
  who: SignedIn,
  rule: string,
  dto: HouseRuleDto,
): Promise<HouseRulesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!RULE.test(rule)) throw notFound('rule');
    const { version, ...content } = dto;
    const before = await rulesNow(tx);
    const known = before.find((r) => r.rule === rule);
    if (!known && before.length >= MOST_RULES) throw new Refusal('too-many', `At most ${MOST_RULES} rules.`);
    if (known && canonical(known) === canonical({ rule, version: known.version, ...content }))
      return { rules: before };
    const kept =
      version === 0
        ? (await q.insertRule(tx, rule, content)) === 1
        : await q.saveRule(tx, rule, content, version);
    if (!kept)
      throw new Refusal('conflict', 'Somebody changed this rule meanwhile. Yours is kept on the page.', {
        current: { rules: before },
      });
    return { rules: await rulesNow(tx) };
  });

/** Everything that the rules propose for a build, answered or not. */
async function allProposals(tx: Tx, deps: Deps, past: q.PastRow): Promise<Proposal[]> {
  const { timeZone } = await shopOf(tx);
  const thisYear = Number(dayOf(deps.clock.now(), timeZone).slice(0, 4));
  const rules = Object.fromEntries((await rulesNow(tx)).map((r) => [r.rule, r]));
  const facts = {
    year: past.year,
    stoodSince: past.stood_since,
    tyreCode: past.tyre_code,
    gas: past.gas,
    highVoltage: past.high_voltage,
    standard: past.standard,
    ownCar: past.own_car,
  };
  return proposalsFor(rules, facts, thisYear);
}

async function viewOf(tx: Tx, deps: Deps, buildId: string): Promise<ProposalsView> {
  const past = await q.pastOf(tx, buildId);
  if (!past) throw notFound('build');
  const settled = await q.settledOf(tx, buildId);
  const done = new Set(settled.map((s) => s.rule));
  return {
    buildId,
    past: { stoodSince: past.stood_since, tyreCode: past.tyre_code, ownCar: past.own_car },
    open: (await allProposals(tx, deps, past)).filter((p) => !done.has(p.rule)),
    accepted: settled.filter((s) => s.entry_id !== null).length,
    refused: settled.filter((s) => s.entry_id === null).length,
  };
}

export const readProposals = (deps: Deps, who: SignedIn, buildId: string): Promise<ProposalsView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, buildId));

/** Says what is known of the vehicle's past. What was refused under other facts is asked again. */
export const savePast = (deps: Deps, who: SignedIn, buildId: string, dto: PastDto): Promise<ProposalsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const after = { stoodSince: dto.stoodSince ?? null, tyreCode: dto.tyreCode, ownCar: dto.ownCar };
    const { past: before } = await viewOf(tx, deps, buildId);
    if (canonical(before) !== canonical(after)) {
      await q.savePast(tx, buildId, after);
      await q.askAgain(tx, buildId);
    }
    return viewOf(tx, deps, buildId);
  });

/** Keeps the accepted proposals as findings and lays the refused ones aside, all or none. */
export const settleProposals = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: SettleDto,
): Promise<ProposalsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const { open } = await viewOf(tx, deps, buildId);
    const settled = new Set((await q.settledOf(tx, buildId)).map((s) => s.rule));
    const proposed = new Map(open.map((p) => [p.rule, p]));
    const unknown = [...dto.accept.map((a) => a.rule), ...dto.refuse].find(
      (rule) => !proposed.has(rule) && !settled.has(rule),
    );
    if (unknown !== undefined)
      throw new Refusal('conflict', 'The rules propose something else by now. Look once more.');
    const base = { buildId, personId: who.personId, now: deps.clock.now() };
    for (const { rule, id } of dto.accept) {
      const p = proposed.get(rule);
      if (!p) continue;
      await addIn(tx, deps, who, build, { id, ...findingOf(p) });
      await q.settle(tx, { ...base, rule, entryId: id });
    }
    for (const rule of dto.refuse)
      if (proposed.has(rule)) await q.settle(tx, { ...base, rule, entryId: null });
    return viewOf(tx, deps, buildId);
  });

/** A proposal as the logbook keeps it: what was found, and why it is said of this car. */
function findingOf(p: Proposal) {
  const subject = p.finding
    .replace(/^found /, '')
    .split(':')[0]!
    .trim();
  const zone = subject.includes(p.zone) ? {} : { zone: p.zone };
  return {
    kind: 'found' as const,
    text: `${p.finding}. ${p.reason}`,
    facts: { subject: subject.slice(0, 300), class: p.class, ...zone },
    audience: KIND_SPECS.found.audience,
  };
}
