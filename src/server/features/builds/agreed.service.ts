/** What was agreed at the start, agreed anew: kept, and said in the logbook, what it was and what it is. */
import { v7 as uuidv7 } from 'uuid';
import type { AgreedPutDto, BuildView } from '#contract/builds.ts';
import { changesOfAgreed, whyNotDiscretion, type Agreed } from '#core/approval/agreed.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { addIn } from '../entries/index.ts';
import { discretionUsed } from '../estimate/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './builds.queries.ts';
import { readIn } from './builds.service.ts';

const agreedOf = (b: q.BuildDetail): Agreed => ({
  complaint: b.complaint,
  standard: b.standard,
  promised: b.promised,
  eventDay: b.event_day,
  budgetMinor: b.budget_minor,
  discretionMinor: b.discretion_minor,
  customerEmail: b.customer_email,
  tellBy: b.tell_by,
  tellEveryDays: b.tell_every_days,
});

/** Keeps what is agreed now. The same again changes nothing and says nothing. */
export const putAgreed = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  { version, ...dto }: AgreedPutDto,
): Promise<BuildView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const key = await q.buildForUpdate(tx, buildId);
    const build = key && (await q.buildDetail(tx, buildId));
    if (!key || !build) throw notFound('build');
    const shop = await shopOf(tx);
    const after = {
      ...dto,
      complaint: dto.complaint.trim(),
      promised: dto.promised ?? null,
      eventDay: dto.eventDay ?? null,
      budgetMinor: dto.budgetMinor ?? null,
      customerEmail: dto.customerEmail.trim(),
    };
    const changes = changesOfAgreed(agreedOf(build), after, shop);
    if (changes.length === 0) return readIn(tx, deps, who, buildId);
    const tooLow = whyNotDiscretion(after.discretionMinor, await discretionUsed(tx, buildId), shop);
    if (tooLow !== null)
      throw new Refusal('invalid', `${tooLow}. Nothing was kept.`, {
        fields: [{ field: 'discretionMinor', reason: tooLow }],
      });
    const { customerEmail: email, tellBy, tellEveryDays, ...ofBuild } = after;
    const today = dayOf(deps.clock.now(), shop.timeZone);
    if (!(await q.saveAgreed(tx, { id: buildId, version, today, ...ofBuild })))
      throw changedMeanwhile('this build', await readIn(tx, deps, who, buildId));
    await q.saveTelling(tx, { id: build.customer_id, email, tellBy, tellEveryDays });
    for (const { text, subject, audience } of changes)
      await addIn(tx, deps, who, key, {
        id: uuidv7(),
        kind: 'decided',
        text: text.slice(0, 4000),
        facts: { subject },
        audience,
      });
    return readIn(tx, deps, who, buildId);
  });
