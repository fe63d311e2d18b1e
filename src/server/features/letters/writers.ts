/** Who else has a draft open: each open page says every few seconds that it is there, and where in the letter. */
import type { LetterHereDto, LetterHereView } from '#contract/letters.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import * as q from './writers.queries.ts';

/** A page that has not said so for longer is taken to be gone. */
const GONE_MS = 15_000;

const before = (now: string, ms: number): string => new Date(Date.parse(now) - ms).toISOString();

export async function sayHere(
  deps: Deps,
  who: SignedIn,
  letterId: string,
  dto: LetterHereDto,
): Promise<LetterHereView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const version = await q.versionOf(tx, letterId);
    if (version === undefined) throw notFound('letter');
    const now = deps.clock.now();
    const gone = before(now, GONE_MS);
    if (dto.leaving) await q.dropWriter(tx, letterId, dto.pageId);
    else
      await q.putWriter(tx, {
        letterId,
        pageId: dto.pageId,
        personId: who.personId,
        place: dto.place,
        now,
        gone,
      });
    return { version, others: await q.writersOf(tx, { letterId, pageId: dto.pageId, gone }) };
  });
}
