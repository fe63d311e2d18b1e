/** What is asked of a piece of speech: what costs most where it is wrong, with the two likely answers. */
import { KIND_SPECS } from '#core/log/kinds.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import type { Asked } from '#core/reader/index.ts';
import type { Dictation, Reviewed } from './useDictation.ts';

export interface Question {
  asks: string;
  answers: { words: string; take: () => void }[];
}

const wordOf = (kind: LoggedKind): string => KIND_SPECS[kind].word;

/**
 * The question that is open about a piece; null where nothing is, or only its car, which is asked once for all that was said of it.
 * What costs little where it is wrong is asked of a piece that somebody opens.
 */
export function questionOf(
  { key, piece, understood, asks }: Reviewed,
  dictation: Dictation,
  isOpen: boolean,
): Question | null {
  const say = (answered: readonly Asked[], kind: LoggedKind) => () =>
    dictation.answer(key, answered, (right) => ({ ...right, kind }));
  if (asks.includes('tense'))
    return {
      asks: 'Happened?',
      answers: [
        {
          words: `Yes: ${wordOf(piece.ifHappened)}`,
          take: say(['tense', 'kind', 'amount'], piece.ifHappened),
        },
        { words: `No: ${wordOf(piece.ifNot)}`, take: say(['tense', 'kind', 'amount'], piece.ifNot) },
      ],
    };
  if (asks.includes('kind') && (isOpen || asks.includes('amount')) && piece.orElse !== understood.kind)
    return {
      asks: 'What is it?',
      answers: [understood.kind, piece.orElse].map((kind) => ({
        words: wordOf(kind),
        take: say(['kind', 'amount'], kind),
      })),
    };
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
