/** What is asked of a piece of speech: what costs most where it is wrong, with the two likely answers. */
import { KIND_SPECS } from '#core/log/kinds.ts';
import type { LoggedKind, PutRight } from '#core/capture/understood.ts';
import type { Answers, Asked } from '#core/reader/doubt.ts';
import type { Dictation, Reviewed } from './useDictation.ts';

export interface Question {
  asks: string;
  answers: { words: string; take: () => void }[];
}

const wordOf = (kind: LoggedKind): string => KIND_SPECS[kind].word;

/** What an answer puts right. */
export interface Put {
  kind: LoggedKind;
  facts?: PutRight['facts'];
}
const NO_AMOUNT: PutRight['facts'] = { minutes: null, moneyMinor: null };

export const withPut = (right: PutRight, { kind, facts }: Put): PutRight => ({
  ...right,
  kind,
  facts: { ...right.facts, ...facts },
});

/** What costs most where it is wrong: whether it has happened; then what its amount is, which its kind says. */
export function kindQuestion(
  asks: readonly Asked[],
  { kind, orElse, ifHappened, ifNot }: Answers & { kind: LoggedKind },
  say: (answered: readonly Asked[], put: Put) => void,
): Question | null {
  if (asks.includes('tense')) {
    const answer = (words: string, is: LoggedKind) => ({
      words: `${words}: ${wordOf(is)}`,
      take: () => say(['tense', 'kind', 'amount'], { kind: is }),
    });
    return { asks: 'Happened?', answers: [answer('Yes', ifHappened), answer('No', ifNot)] };
  }
  if (asks.includes('kind') && orElse !== kind)
    return {
      asks: 'What is it?',
      answers: [kind, orElse].map((is) => ({
        words: wordOf(is),
        take: () => say(['kind', 'amount'], { kind: is }),
      })),
    };
  if (!asks.includes('amount')) return null;
  return {
    asks: 'Keep its amount?',
    answers: [
      { words: 'Yes', take: () => say(['amount'], { kind }) },
      { words: 'No', take: () => say(['amount'], { kind, facts: NO_AMOUNT }) },
    ],
  };
}

/**
 * The question that is open about a piece; null where nothing is, or only its car, which is asked once for all that was said of it.
 * What costs little where it is wrong is asked of a piece that somebody opens.
 */
export function questionOf(
  { key, piece, understood, asks }: Reviewed,
  dictation: Dictation,
  isOpen: boolean,
): Question | null {
  const ofKind = kindQuestion(asks, { ...piece, kind: understood.kind }, (answered, put) =>
    dictation.answer(key, answered, (right) => withPut(right, put)),
  );
  if (ofKind && (isOpen || asks.includes('tense') || asks.includes('amount'))) return ofKind;
  if (asks.includes('boundary') && isOpen)
    return {
      asks: 'Does it belong in the logbook?',
      answers: [
        { words: 'Yes', take: () => dictation.answer(key, ['boundary']) },
        { words: 'No', take: () => dictation.setIs(key, 'chatter') },
      ],
    };
  return null;
}

/** What is asked of the car of a group: whether the talk turned to it. */
export function carQuestionOf(
  pieces: readonly Reviewed[],
  before: Reviewed | undefined,
  dictation: Dictation,
): Question | null {
  const inDoubt = pieces.find((r) => r.asks.includes('car'));
  const [car, other] = [inDoubt?.understood.build, before?.understood.build];
  if (!inDoubt || car?.id === undefined) return null;
  const choose = (id: string, name: string) => () => dictation.setCar(inDoubt.key, { id, name });
  return {
    asks: `Is it the ${car.name}?`,
    answers: [
      { words: 'Yes', take: choose(car.id, car.name) },
      ...(other?.id === undefined || other.id === car.id
        ? []
        : [{ words: `Still the ${other.name}`, take: choose(other.id, other.name) }]),
    ],
  };
}
