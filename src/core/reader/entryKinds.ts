/** Which kind of entry a thing that was said becomes. */
import type { Kind } from '../log/kinds.ts';
import type { SpokenKind, Tense } from './intents.ts';

export type EntryKind = Exclude<Kind, 'correction'>;

const OF: Readonly<Record<SpokenKind, EntryKind>> = {
  note: 'note',
  found: 'found',
  did: 'did',
  planned: 'planned',
  needs: 'needs',
  ordered: 'ordered',
  received: 'arrived',
  fitted: 'fitted',
  spent: 'spent',
  hours: 'hours',
  held: 'waiting',
  resumed: 'resumed',
  measured: 'reading',
  moved: 'moved',
  asked: 'asked',
  decided: 'decided',
  told: 'told',
};

/** “Order brushes”, “need to order the hoses”. */
const TO_ORDER =
  /^(?:(?:we|i) )?(?:(?:(?:still )?(?:need|have|want|got|going)|must|will|should) (?:to )?)?(?:re-?)?order (?=\S)/i;

/**
 * What is only wished, or is not so, is a note: it plans nothing, asks for no part and posts nothing. What is to be ordered belongs on the
 * list of parts, and not among the work.
 *
 * @param said its words; where they are not at hand, an order to come is planned
 */
export function entryKindOf(kind: SpokenKind, tense: Tense, said = ''): EntryKind {
  if (kind === 'planned' && tense === 'coming' && TO_ORDER.test(said)) return 'needs';
  if (tense === 'wished' || tense === 'not') return 'note';
  if (tense === 'coming' && (kind === 'did' || kind === 'fitted' || kind === 'moved' || kind === 'measured'))
    return 'planned';
  return OF[kind];
}
