/** How the installation is kept: copies, disk, mail. */
import type { UpkeepView } from '#contract/upkeep.ts';
import { upkeepAlarms, type UpkeepFacts } from '#core/upkeep/alarms.ts';
import { readStatus } from '../../backup/copies.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { mailServerOf, whyNoMail } from '../../mail/post.ts';

interface ShopRow {
  is_demo: boolean;
  created_at: string;
  mail_tried_at: string | null;
  perhaps: number;
  waiting: number;
}

export async function readUpkeep(deps: Deps, who: SignedIn): Promise<UpkeepView> {
  const { shop, own } = await inShop(deps.db, who.shopId, async (tx) => ({
    own: await mailServerOf(tx),
    shop: (await tx.one<ShopRow>(
      `select is_demo, created_at, mail_tried_at,
         (select count(*)::int from mails where shop_id = :shopId and state = 'perhaps') as perhaps,
         (select count(*)::int from mails where shop_id = :shopId and state = 'waiting') as waiting
       from shops where id = :shopId`,
    ))!,
  }));
  const status = await readStatus(deps.dataFolder);
  const now = deps.clock.now();
  const facts: UpkeepFacts = {
    copies: { made: deps.copies, lastGood: status?.lastGood ?? null, fault: status?.fault ?? null },
    disk: await deps.disk(),
    mail: {
      whyNot: whyNoMail(deps, { isDemo: shop.is_demo }, own),
      tried: shop.is_demo || shop.mail_tried_at !== null,
      perhaps: shop.perhaps,
      waiting: shop.waiting,
    },
  };
  return {
    ...facts,
    // The demo shop’s months are made up: there was nothing to copy before today.
    alarms: upkeepAlarms(facts, now, shop.is_demo ? now : shop.created_at),
    copiesKept: status?.count ?? 0,
    publicUrl: deps.publicUrl,
  };
}
