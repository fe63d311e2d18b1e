/** What a letter does not mention, so that the obvious is never missed. */
import { shortened } from '../log/shortened.ts';
import { formatDay } from '../time/days.ts';
import type { LetterManner, LetterMoney, LetterReady } from './figures.ts';
import { allItems, type Letter, type LetterItem } from './letter.ts';

export const UNSAID = [
  'left out',
  'no price',
  'promise',
  'question',
  'picture',
  'over',
  'being done',
  'next',
] as const;
export type UnsaidKind = (typeof UNSAID)[number];

export interface Unsaid {
  kind: UnsaidKind;
  what: string;
  /** The sentence that would say it, where the letter has one. */
  itemId?: string;
}

export interface UnsaidInput {
  letter: Letter;
  /** Findings that are told or open and carry no figure, on no line. */
  withoutPrice: readonly { id: string; text: string }[];
  /** Photographs taken since the last letter, with what they are of. */
  pictures: readonly { id: string; of: string }[];
  money: LetterMoney | null;
  ready: LetterReady;
  manner: LetterManner;
}

const short = (text: string): string => shortened(text, 90);

const isDecision = (id: string): boolean => id.startsWith('decide-') || id.startsWith('open-');

function leftOut(items: readonly LetterItem[]): Unsaid[] {
  return items
    .filter((i) => i.leftOut)
    .map((i) => ({
      kind: isDecision(i.id) ? ('question' as const) : ('left out' as const),
      what: short(i.text),
      itemId: i.id,
    }));
}

function promise({ ready, manner, letter }: UnsaidInput): Unsaid[] {
  const said = allItems(letter).some((i) => i.id === 'ready' && !i.leftOut);
  if (ready.promised === null)
    return [{ kind: 'promise', what: 'No day is named on which it will be ready.' }];
  const day = formatDay(ready.promised, manner.locale, manner.today);
  if (ready.promised < manner.today)
    return [{ kind: 'promise', what: `The promise of ${day} has passed, and no new day is given.` }];
  return said ? [] : [{ kind: 'promise', what: `The promise of ${day} is not in it.`, itemId: 'ready' }];
}

/** Waits that are told without a word of what is done about them. */
function notDoneAbout({ letter }: UnsaidInput): Unsaid[] {
  const waiting = letter.parts.find((p) => p.id === 'waiting');
  const told = (waiting?.items ?? []).filter((i) => !i.leftOut);
  if (told.length === 0 || told.some((i) => i.id.startsWith('own-') && i.text.trim() !== '')) return [];
  return [{ kind: 'being done', what: `What is being done about it: ${short(told[0]!.text)}` }];
}

function over({ money }: UnsaidInput): Unsaid[] {
  if (money === null || money.approvedMinor === 0) return [];
  const asked = money.changes.some((c) => c.state === 'asked');
  const more = money.expectedMinor > money.approvedMinor + money.discretionMinor;
  return more && !asked
    ? [{ kind: 'over', what: 'It comes to more than was agreed, and no change has been asked for.' }]
    : [];
}

/** What the owner should see before the letter goes, the gravest first. */
export function unsaidIn(input: UnsaidInput): Unsaid[] {
  const items = allItems(input.letter);
  const out = leftOut(items);
  const shown = new Set(items.flatMap((i) => (i.leftOut ? [] : (i.media ?? []))));
  const unused = input.pictures.filter((p) => !shown.has(p.id));
  const saysNext = input.letter.parts.some(
    (p) => p.id === 'next' && p.items.some((i) => !i.fixed && !i.leftOut),
  );
  return [
    ...out.filter((u) => u.kind === 'question'),
    ...over(input),
    ...promise(input),
    ...notDoneAbout(input),
    ...input.withoutPrice.map((f): Unsaid => ({ kind: 'no price', what: short(f.text), itemId: f.id })),
    ...(saysNext ? [] : [{ kind: 'next' as const, what: 'What is next on the car.' }]),
    ...out.filter((u) => u.kind === 'left out' && u.itemId !== 'ready'),
    ...unused.map((p): Unsaid => ({ kind: 'picture', what: short(p.of) })),
  ];
}
