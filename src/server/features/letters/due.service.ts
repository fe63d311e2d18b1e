/** Which customers are to be told now: by how often they wish to hear, and because their word holds a car up. */
import type { DueLetter, DueView } from '#contract/letters.ts';
import { whyTellNow } from '#core/update/due.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { shopOf } from '../session/index.ts';
import { waitsNow } from '../waits/index.ts';
import * as q from './due.queries.ts';
import { shopWords } from './manner.queries.ts';

export const readDue = (deps: Deps, who: SignedIn): Promise<DueView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { timeZone } = await shopOf(tx);
    const today = dayOf(deps.clock.now(), timeZone);
    const held = new Map((await waitsNow(tx, deps)).map((w) => [w.buildId, w]));
    const rows = await q.dueRows(tx);
    const all = rows.map((r): DueLetter => {
      const { binding, others } = held.get(r.buildId)!;
      const toldOn = dayOf(r.toldAt ?? r.arrivedAt, timeZone);
      const why = whyTellNow(
        { toldOn, tellEveryDays: r.tellEveryDays, binding, others, promised: r.promised, news: r.news },
        today,
      );
      const { buildId, nickname, vehicle, customer, tellBy, draftId } = r;
      return { buildId, nickname, vehicle, customer, tellBy, draftId, toldOn, ...why };
    });
    const due = all
      .filter((d) => d.reasons.length > 0)
      .sort((a, b) => Number(b.isWaitedFor) - Number(a.isWaitedFor) || b.overdue - a.overdue);
    return { due, others: all.length - due.length, words: await shopWords(tx) };
  });
