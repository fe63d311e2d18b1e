/** One line as it is typed into the log: all of it is one thing. */
import { parseLine, type CaptureContext, type ParsedLine } from '../capture/index.ts';
import { withoutAddress } from '../capture/understood.ts';
import type { Kind } from '../log/kinds.ts';
import { answersOf, doubtsOf, spokenFactsOf, type Answers, type Asked } from './doubt.ts';
import { entryKindOf } from './entryKinds.ts';
import { readIntents } from './intents.ts';
import { withoutNames } from './names.ts';
import { wordsOf } from './words.ts';

export { loadWeights } from './weights.ts';

export interface LineRead extends Answers {
  line: ParsedLine;
  asks: Asked[];
  /** The words that decided its kind. */
  because: string[];
}

/** A line may begin with the word of its kind, as the logbook writes it: “note keys are in the office”. These words say nothing else there. */
const FIRST_WORD: Readonly<Record<string, Kind>> = {
  note: 'note',
  nb: 'note',
  reading: 'reading',
  asked: 'asked',
  decided: 'decided',
  told: 'told',
  resumed: 'resumed',
  planned: 'planned',
  correction: 'correction',
};

/** Said of an earlier entry, these point at nothing by themselves. */
const CORRECTS = /^(?:scrap that|strike that|should have said)\b/i;

/** What is answered where nothing is in doubt. */
const NO_DOUBT = { asks: [], because: [], orElse: 'note', ifHappened: 'did', ifNot: 'planned' } as const;

/**
 * Reads a line. Its kind, and whether it has happened, are learnt from what shops say; its values are read by rules.
 *
 * @param text any length; a car's name in front of a mark (“microcar: …”) says where it goes, and nothing of what it is
 * @param context what the shop knows
 * @returns what it says, and what is in doubt; of a text without a word, a note without doubt
 */
export function readLine(text: string, context: CaptureContext): LineRead {
  const unread = parseLine(text, context, 'note');
  const said = withoutAddress(text, unread);
  const words = withoutNames(wordsOf(said), context);
  const first = words[0];
  if (!first) return { line: unread, ...NO_DOUBT, asks: [], because: [] };
  const named = CORRECTS.test(said) ? 'correction' : FIRST_WORD[first.norm];
  if (named) return { line: parseLine(text, context, named), ...NO_DOUBT, asks: [], because: [first.norm] };
  const [intent] = readIntents(words, [{ from: 0, next: words.length }]);
  const { kind, tense, because } = intent!;
  const line = parseLine(text, context, entryKindOf(kind, tense, said));
  return { line, asks: doubtsOf(intent!, spokenFactsOf(line, intent!)), because, ...answersOf(intent!) };
}
