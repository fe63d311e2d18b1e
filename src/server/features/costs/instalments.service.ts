/** Money asked of the customer on account. Asking and what comes in stand in the logbook; until it is in, work may stop. */
import type { CostsView, InstalmentDropDto, InstalmentPaidDto, InstalmentPutDto } from '#contract/costs.ts';
import { canonical } from '#core/approval/canonical.ts';
import { formatMoney } from '#core/money/money.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import { costsOf } from './costs.service.ts';
import * as q from './instalments.queries.ts';

const changing = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<CostsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return costsOf(tx, deps, buildId);
  });

/** The instalment, if it is one of this build. */
async function ofBuild(tx: Tx, buildId: string, id: string) {
  const known = await q.instalmentById(tx, id);
  if (known && (known.buildId !== buildId || known.removed)) throw notFound('instalment');
  return known;
}

/** Asks for money (version 0), or changes what is asked. The same again changes nothing. */
export const putInstalment = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { version, what, askedMinor, due, holds }: InstalmentPutDto,
): Promise<CostsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const known = await ofBuild(tx, buildId, id);
    const kept = { id, what: what.trim(), askedMinor, due: due ?? null, holds };
    const { what: w, askedMinor: a, due: d, holds: h } = known ?? kept;
    if (known && canonical([w, a, d, h]) === canonical([kept.what, askedMinor, kept.due, holds])) return;
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this instalment', known);
    if (known) return q.saveInstalment(tx, kept);
    const shop = await shopOf(tx);
    const askedOn = dayOf(deps.clock.now(), shop.timeZone);
    await q.insertInstalment(tx, { ...kept, buildId, askedOn });
    const money = formatMoney(kept.askedMinor, shop.currency, shop.locale);
    return logIn(tx, deps, build, {
      kind: 'note',
      text: `asked for ${money} on account: ${kept.what}`,
      personId: who.personId,
      about: { type: 'instalment', id },
    });
  });

/** Takes down money that came in. The same press again is the same money. */
export const payInstalment = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { actId, amountMinor, on }: InstalmentPaidDto,
): Promise<CostsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const known = await ofBuild(tx, buildId, id);
    if (!known) throw notFound('instalment');
    if (known.acts.includes(actId)) return;
    const shop = await shopOf(tx);
    if (amountMinor === 0) throw invalidAt('amountMinor', 'say how much came in');
    if (known.receivedMinor + amountMinor < 0)
      throw invalidAt('amountMinor', 'more would go back than came in');
    if (on > dayOf(deps.clock.now(), shop.timeZone)) throw invalidAt('on', 'that day is still to come');
    await q.saveReceived(tx, { id, actId, amountMinor, on });
    const money = formatMoney(Math.abs(amountMinor), shop.currency, shop.locale);
    await logIn(tx, deps, build, {
      kind: 'note',
      text: `${money} ${amountMinor > 0 ? 'came in' : 'went back'} on account: ${known.what}`,
      personId: who.personId,
      about: { type: 'instalment', id },
    });
  });

/** Takes back what was asked, while nothing has come in for it. */
export const dropInstalment = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { version }: InstalmentDropDto,
): Promise<CostsView> =>
  changing(deps, who, buildId, async (tx) => {
    const known = await q.instalmentById(tx, id);
    if (!known || known.buildId !== buildId) throw notFound('instalment');
    if (known.removed) return;
    if (known.version !== version) throw changedMeanwhile('this instalment', known);
    if (known.receivedMinor > 0)
      throw new Refusal('forbidden', 'Money came in for it: it stays, with what went back, if it did.');
    await q.dropInstalment(tx, id, deps.clock.now());
  });
