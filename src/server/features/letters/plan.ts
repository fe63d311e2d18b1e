/** The plan that stands on a customer's page, without what is not for them to read. */
import { dayOf } from '#core/time/days.ts';
import type { LetterManner } from '#core/update/figures.ts';
import type { LetterPart } from '#core/update/letter.ts';
import { planParts, type PlanLine } from '#core/update/plan.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { buildDetail } from '../builds/index.ts';
import { shopOf } from '../session/index.ts';
import { waitsNow } from '../waits/index.ts';
import { guardOf, readyOf } from './compose.ts';
import * as q from './compose.queries.ts';

/** The build's plan as of now. Nobody reads it before the customer does: what may be a leak is not told at all. */
export async function planNow(
  tx: Tx,
  deps: Deps,
  buildId: string,
  { lines, manner }: { lines: readonly PlanLine[]; manner: LetterManner },
): Promise<LetterPart[]> {
  const [{ timeZone }, build, [held], sent, guard] = await Promise.all([
    shopOf(tx),
    buildDetail(tx, buildId),
    waitsNow(tx, deps, buildId),
    q.promisesTold(tx, buildId),
    guardOf(tx, buildId),
  ]);
  if (!build) throw notFound('build');
  const holds = { binding: held!.binding, others: held!.others };
  const parts = planParts({
    ready: readyOf(build, sent.at(-1)?.promised ?? null, manner.today, [], manner.today),
    promises: sent.map((s) => ({ on: dayOf(s.sent_at, timeZone), promised: s.promised })),
    lines,
    waits: build.standing.waits,
    rests: new Set((build.pauses ?? []).map((p) => p.entryId)),
    holds,
    manner,
  });
  const letter = { subject: '', greeting: '', parts, closing: '' };
  const told = await deps.compute.run('leaks', letter, guard);
  const bad = new Set(told.map((l) => l.where));
  return parts
    .map((p) => ({ ...p, items: p.items.filter((i) => !bad.has(i.id)) }))
    .filter((p) => p.items.length > 0);
}
