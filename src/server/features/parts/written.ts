/** Parts as they are written down and changed: each keeps an entry, and goes or stands as it did when that is taken back. */
import type { DoneAct } from '#core/acts/acts.ts';
import type { Facts } from '#core/log/kinds.ts';
import { placedName } from '#core/log/sentences.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import type { BuildKey } from '../builds/index.ts';
import {
  actedSince,
  changedFields,
  doneSince,
  logIn,
  sameWritten,
  type ChangeBefore,
  type Revision,
} from '../entries/index.ts';
import * as q from './parts.queries.ts';
import { factsOf, inCount } from './saying.ts';

/** Longest name of a part. */
const LONGEST_NAME = 160;

/** What is written about a part, apart from what was done with it. */
export type Written = Omit<q.Kept, 'id'>;

export const writtenOf = (p: q.PartRow): Written => ({
  lineId: p.line_id,
  donorId: p.donor_id,
  content: p.content,
  vendor: p.vendor,
});

export const needed = (id: string): DoneAct => ({ act: 'need', type: 'part', id, before: null });

const NAMES = {
  what: 'name',
  quantity: 'count',
  number: 'number',
  vendor: 'vendor',
  priceMinor: 'price',
  costMinor: 'price',
  depositMinor: 'price',
  lineId: 'line',
  taskId: 'task',
  donorId: 'donor',
  source: 'source',
  sourceNote: 'source',
} as const;

const flat = ({ content, ...more }: Written) => ({ ...content, ...more });

/** Writes a part down, or changes what is written; the caller holds the build. */
export async function writeIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  id: string,
  is: Written,
  known: q.PartRow | undefined,
): Promise<void> {
  if (known) await q.savePart(tx, { id, ...is });
  else await q.insertPart(tx, { id, ...is, buildId: build.id, now: deps.clock.now() });
  const { content } = is;
  const said = { personId: who.personId, audience: 'shop', about: { type: 'part', id } } as const;
  if (!known)
    return logIn(tx, deps, build, {
      ...said,
      kind: 'needs',
      text: `needs ${inCount(content)}`,
      facts: factsOf(content),
      acts: [needed(id)],
    });
  const was = writtenOf(known);
  const change: DoneAct<ChangeBefore<Written>> = { act: 'change', type: 'part', id, before: { was, is } };
  await logIn(tx, deps, build, {
    ...said,
    kind: 'note',
    text: `parts list, ${content.what}: ${changedFields(flat(was), flat(is), NAMES).join(', ')} changed`,
    facts: { subject: content.what.slice(0, 300) },
    acts: [change],
  });
}

/** Writes down a part as something else that is done needs it, which keeps the entry. The same id again is the same part. */
export async function addPartIn(
  tx: Tx,
  deps: Deps,
  buildId: string,
  { id, ...said }: { id: string } & Pick<q.PartContent, 'what' | 'quantity' | 'source' | 'sourceNote'>,
): Promise<DoneAct> {
  const content = { ...said, number: '', catalogue: '', instead: '' };
  const part = { id, buildId, lineId: null, donorId: null, content, vendor: '' };
  if (!(await q.partById(tx, id))) await q.insertPart(tx, { ...part, now: deps.clock.now() });
  return needed(id);
}

/** It was never needed; refused where something was done with it since, or it stands on an invoice. */
export async function takeBackNeed(tx: Tx, deps: Deps, done: DoneAct, entryId: string): Promise<void> {
  const part = await q.partById(tx, done.id);
  if (!part) return;
  if (part.history.length > 0 || (await actedSince(tx, entryId, done)) || (await q.isInvoiced(tx, part.id)))
    throw doneSince(part.content.what);
  await q.removePart(tx, part.id, deps.clock.now());
}

/** What is written about it is as it was, unless something was done with it or written about it since. */
export async function takeBackChange(tx: Tx, done: DoneAct, entryId: string): Promise<void> {
  const part = await q.partById(tx, done.id);
  if (!part) return;
  const { was, is } = (done as DoneAct<ChangeBefore<Written>>).before!;
  if (!sameWritten(writtenOf(part), is) || (await actedSince(tx, entryId, done)))
    throw doneSince(part.content.what);
  await q.savePart(tx, { id: part.id, ...was });
}

const countIn = ({ quantity = 1 }: Facts): number =>
  Number.isInteger(quantity) && quantity >= 1 ? quantity : 1;

/** A part that is needed follows the facts of its entry when they are put right, until something is done with it, as far as nobody wrote something else. */
export async function reviseNeed(tx: Tx, { id }: DoneAct, { was, now }: Revision): Promise<void> {
  const part = await q.partById(tx, id);
  if (!part || part.history.length > 0 || was.subject === undefined) return;
  const { what, quantity } = part.content;
  const isAs = (facts: Facts): boolean => what === nameIn(facts);
  const content = {
    ...part.content,
    what: isAs(was) && now.subject !== undefined ? nameIn(now) : what,
    quantity: quantity === countIn(was) ? countIn(now) : quantity,
  };
  const vendor = part.vendor === (was.vendor ?? '') ? (now.vendor ?? '') : part.vendor;
  const written = { ...writtenOf(part), content, vendor };
  if (!sameWritten(writtenOf(part), written)) await q.savePart(tx, { id, ...written });
}

/** What a part that a line names is called. */
export const nameIn = ({ subject = '', zone }: Facts): string =>
  placedName(subject, zone).slice(0, LONGEST_NAME);
