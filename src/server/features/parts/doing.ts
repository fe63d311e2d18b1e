/** What is done with a part, whoever says it and where: by the parts page or by a line of the log. */
import type { PartPutDto } from '#contract/parts.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import { coreAfter, fateAfter, stateAfter, whyNotDone, type PartDone } from '#core/parts/parts.ts';
import { dayOf } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidFields } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { doneSince } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './parts.queries.ts';

type Prices = Pick<PartPutDto, 'priceMinor' | 'costMinor' | 'depositMinor'>;

/** Only what is there: an absent price is not a price of nothing. */
export const pricesOf = ({ priceMinor, costMinor, depositMinor }: Prices): Prices => ({
  ...(priceMinor === undefined ? {} : { priceMinor }),
  ...(costMinor === undefined ? {} : { costMinor }),
  ...(depositMinor === undefined ? {} : { depositMinor }),
});

/** How a part stood before an act: of its content, what an act may change. */
export type PartBefore = Omit<q.PartStanding, 'id' | 'content'> & { prices: Prices };

const beforeOf = (p: q.PartRow): PartBefore => ({
  prices: pricesOf(p.content),
  vendor: p.vendor,
  state: p.state,
  due: p.due,
  core: p.core,
  oldFate: p.old_fate,
  creditMinor: p.credit_minor,
});

/** The act as its entry keeps it. */
export const doneTo = (part: q.PartRow, act: string): DoneAct<PartBefore> => ({
  act,
  type: 'part',
  id: part.id,
  before: beforeOf(part),
});

const nowOf = (p: q.PartRow) => ({
  state: p.state,
  core: p.core,
  creditMinor: p.credit_minor,
  oldFate: p.old_fate,
});

/** Throws a refusal where this cannot be done with the part as it is. */
export function refuseUndoable(part: q.PartRow, done: PartDone): void {
  const faults = whyNotDone(nowOf(part), done);
  if (faults.length > 0) throw invalidFields(faults);
}

/** Changes a part as an act does; its entry is kept already. `at`: when it happened. */
export async function doToPart(
  tx: Tx,
  who: SignedIn,
  part: q.PartRow,
  done: PartDone & Prices,
  entry: { id: string; words: string; at: string },
): Promise<void> {
  const now = nowOf(part);
  const priceMinor = done.priceMinor ?? part.content.priceMinor;
  const costMinor = done.costMinor ?? part.content.costMinor;
  const keepsDue = done.act === 'order' || done.act === 'new date';
  await q.saveDone(tx, {
    id: part.id,
    content: { ...part.content, ...pricesOf({ priceMinor, costMinor }) },
    vendor: done.vendor?.trim() || part.vendor,
    state: stateAfter(now, done),
    core: coreAfter(now, done),
    oldFate: fateAfter(now, done),
    creditMinor: part.credit_minor + (done.creditMinor ?? 0),
    due: keepsDue ? (done.due ?? null) : part.due,
    entry: {
      entryId: entry.id,
      act: done.act,
      on: dayOf(entry.at, (await shopOf(tx)).timeZone),
      by: who.name,
      words: entry.words,
    },
  });
}

/**
 * Takes an act back: the part stands as it did before, and what was written about it since stays. Refused where something was done
 * with it since.
 */
export async function takeBackPart(
  tx: Tx,
  deps: Deps,
  { id, before }: DoneAct<PartBefore>,
  entryId: string,
): Promise<void> {
  const part = await q.partById(tx, id);
  if (!part) return;
  if (part.history.at(-1)?.entryId !== entryId || (await q.wasParted(tx, part, entryId)))
    throw doneSince(part.content.what);
  if (before === null) await q.removePart(tx, id, deps.clock.now());
  else {
    const { prices, ...rest } = before;
    const content = { ...part.content };
    for (const price of ['priceMinor', 'costMinor', 'depositMinor'] as const) delete content[price];
    await q.restorePart(tx, { id, ...rest, content: { ...content, ...prices } });
  }
}
