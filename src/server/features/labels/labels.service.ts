/** Labels on paper, and what a label's code stands for. */
import type { FoundView, LabelledThing, LabelsQueryDto } from '#contract/labels.ts';
import { codeOf, tailOfCode } from '#core/codes/codes.ts';
import { LABEL_SHAPES } from '#core/codes/labels.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { OutFile } from '../../http/outFile.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import * as q from './labels.queries.ts';

/** What a code opens: a phone’s camera goes there by itself. */
export const addressOfCode = ({ publicUrl }: Deps, code: string): string => `${publicUrl}/find/${code}`;

const withCode = (thing: Omit<LabelledThing, 'code'>): LabelledThing => ({
  ...thing,
  code: codeOf(thing.id),
});

/** In the order in which they were asked for. */
export async function printLabels(
  deps: Deps,
  who: SignedIn,
  { size, ids: said }: LabelsQueryDto,
): Promise<OutFile> {
  const ids = said.split(',');
  const found = await inShop(deps.db, who.shopId, (tx) => q.thingsById(tx, ids));
  const byId = new Map(found.map((t) => [t.id, withCode(t)]));
  const things = ids.flatMap((id) => byId.get(id) ?? []);
  if (things.length === 0) throw notFound('thing to label');
  const addressed = things.map((t) => ({ ...t, address: addressOfCode(deps, t.code) }));
  const body = Buffer.from(await deps.compute.run('labelsPaper', addressed, LABEL_SHAPES[size]));
  return { name: 'labels.pdf', type: 'application/pdf', body };
}

export async function findByCode(deps: Deps, who: SignedIn, code: string): Promise<FoundView> {
  const tail = tailOfCode(code);
  if (tail === null)
    throw new Refusal('invalid', 'That is no code of a label, or a sign of it was read wrongly.', {
      fields: [{ field: 'code', reason: 'no code of a label, or a sign of it was read wrongly' }],
    });
  const things = await inShop(deps.db, who.shopId, (tx) => q.thingsByTail(tx, tail));
  return { things: things.map(withCode) };
}
