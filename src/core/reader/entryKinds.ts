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

/** What is only wished, or is not so, is a note: it plans nothing, asks for no part and posts nothing. */
export function entryKindOf(kind: SpokenKind, tense: Tense): EntryKind {
  if (tense === 'wished' || tense === 'not') return 'note';
  if (tense === 'coming' && (kind === 'did' || kind === 'fitted' || kind === 'moved' || kind === 'measured'))
    return 'planned';
  return OF[kind];
}
