/** What is written, as somebody who sees no money reads it. */
import type { ShownPicture } from '#core/photo/shown.ts';
import type { Letter } from '#core/update/letter.ts';
import { withMarksOf, withoutMoneyParts, type Scope } from '#core/update/scope.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { withoutPrices } from '../entries/index.ts';

/** Letters with their pictures, by what this reader may see. */
export async function lettersFor<L extends { content: Letter; pictures?: ShownPicture[] }>(
  tx: Tx,
  deps: Deps,
  scope: Scope,
  letters: readonly L[],
): Promise<L[]> {
  if (scope !== 'letters') return [...letters];
  const whole = letters.map((l) => ({ ...l, content: withoutMoneyParts(l.content) }));
  const hidden = await withoutPrices(tx, deps, whole);
  return hidden.map((l, i) => ({ ...l, content: withMarksOf(l.content, whole[i]!.content) }));
}
