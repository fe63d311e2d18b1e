/**
 * What must not be in a letter: another customer, another customer's car or number, a private matter of a person, a rate, what
 * a thing costs the shop, a note for the shop. What is surely so cannot be sent; what may be so is for the owner to say.
 */
import { isAlsoAWord } from './commonNames.ts';
import type { Letter, LetterItem } from './letter.ts';
import { moneyLeaks } from './moneyLeaks.ts';
import { codeRuns, foldedWords, runsOf, SENTENCE, wordsIn, type Word } from './words.ts';

/** What a letter is held against. Everything of this customer and this car is `own`. */
export interface LeakGuard {
  currency: string;
  /** Names of the customer, the car, the shop, its people and vendors, and the car's numbers: these may always be said. */
  own: readonly string[];
  customers: readonly { name: string; email: string; phone: string | null }[];
  cars: readonly {
    nickname: string;
    vehicle: string;
    /** Build, registration, frame, engine. */ codes: readonly string[];
  }[];
  people: readonly string[];
  /** Why people are away, as it was written down. */
  absences: readonly string[];
  /** What an hour costs and is charged at. */
  ratesMinor: readonly number[];
  /** What things cost the shop, where the customer pays another price. */
  costsMinor: readonly number[];
  /** Entries for the shop only, and those for the customer. */
  internal: readonly string[];
  told: readonly string[];
}

export interface Leak {
  /** Where: an item's id, or the subject, greeting or closing. */
  where: string;
  start: number;
  end: number;
  words: string;
  why: string;
  /** Surely so: it cannot be sent. Otherwise the owner may say that it is meant. */
  isSure: boolean;
}

type Found = Omit<Leak, 'where' | 'words'>;

/** A note is recognised by so many of its words in a row. */
const NOTE_WORDS = 5;
/** A shorter code than this, or one without a digit, is too like a word. */
const SHORTEST_CODE = 4;

/** Words that are nobody’s business in a letter when they stand beside the name of one of the shop’s people. */
const PRIVATE = new Set(
  'ill sick illness hospital doctor surgery operation pregnant pregnancy divorce divorced funeral bereaved wage wages salary sacked fired dismissed drunk drinking depressed depression holiday court police debt'.split(
    ' ',
  ),
);

interface Place {
  text: string;
  words: readonly Word[];
  /** The same words, to see at once what cannot be there: most of what it is held against is not. */
  has: ReadonlySet<string>;
  joined: string;
}

function placeOf(text: string): Place {
  const words = wordsIn(text);
  const folded = words.map((w) => w.folded);
  return { text, words, has: new Set(folded), joined: folded.join('') };
}

const phraseRuns = ({ words, has }: Place, phrase: readonly string[]): { start: number; end: number }[] =>
  phrase.length > 0 && has.has(phrase[0]!) ? runsOf(words, phrase) : [];

const numberRuns = ({ words, joined }: Place, code: string): { start: number; end: number }[] =>
  joined.includes(code) ? codeRuns(words, code) : [];

function isSentenceStart(text: string, start: number): boolean {
  let at = start - 1;
  while (at >= 0 && /\s/.test(text[at]!)) {
    if (text[at] === '\n') return true;
    at -= 1;
  }
  return at < 0 || /[.!?…:]/.test(text[at]!);
}

/** What may always be said: its words, its codes, and whether several words stand together in one of its names. */
interface Own {
  words: ReadonlySet<string>;
  codes: ReadonlySet<string>;
  says: (phrase: readonly string[]) => boolean;
}

function ownOf(names: readonly string[]): Own {
  const phrases = names.map((n) => foldedWords(n));
  // Two names that each hold one of the words do not make a third that holds both.
  const says = (phrase: readonly string[]): boolean =>
    phrases.some((p) => ` ${p.join(' ')} `.includes(` ${phrase.join(' ')} `));
  return { words: new Set(phrases.flat()), codes: new Set(phrases.map((p) => p.join(''))), says };
}

/** Another customer, folded once for all the texts that are held against them. */
interface OtherCustomer {
  why: string;
  name: readonly string[];
  email: readonly string[];
  phone: string;
}

interface OtherCar {
  nickname: string;
  why: string;
  names: readonly { phrase: readonly string[]; isSure: boolean }[];
  codes: readonly { code: string; folded: string }[];
}

/**
 * What of the guard is not this customer’s own, folded; of a shop of many years only what the texts may hold at all.
 *
 * @param places the texts that are held against it
 */
function othersOf(
  guard: LeakGuard,
  own: Own,
  places: readonly Place[],
): { customers: OtherCustomer[]; cars: OtherCar[] } {
  const words = new Set(places.flatMap((p) => [...p.has]));
  const holds = (phrase: readonly string[]): boolean => phrase.length > 0 && words.has(phrase[0]!);
  const joined = places.map((p) => p.joined).join('\n');
  const holdsCode = (code: string): boolean => code !== '' && joined.includes(code);
  const customers = guard.customers
    .map(({ name, email, phone }) => ({
      why: `${name} is another customer`,
      name: foldedWords(name),
      email: foldedWords(email),
      phone: foldedWords(phone ?? '').join(''),
    }))
    .filter((c) => c.name.some((part) => words.has(part)) || holds(c.email) || holdsCode(c.phone));
  const cars = guard.cars
    .map(({ nickname, vehicle, codes }) => ({
      nickname,
      why: `the ${nickname} is another customer’s`,
      names: [
        { phrase: foldedWords(vehicle), isSure: true },
        { phrase: foldedWords(nickname), isSure: false },
      ].filter(({ phrase }) => holds(phrase) && !own.says(phrase)),
      codes: codes
        .map((code) => ({ code, folded: foldedWords(code).join('') }))
        .filter(
          ({ folded }) =>
            folded.length >= SHORTEST_CODE &&
            /\d/.test(folded) &&
            !own.codes.has(folded) &&
            holdsCode(folded),
        ),
    }))
    .filter((c) => c.names.length > 0 || c.codes.length > 0);
  return { customers, cars };
}

function nameLeaks(place: Place, customers: readonly OtherCustomer[], own: Own): Found[] {
  const { text } = place;
  const found: Found[] = [];
  for (const { name: parts, email, phone, why } of customers) {
    if (parts.length > 1 && place.has.has(parts[0]!) && !own.says(parts))
      found.push(...phraseRuns(place, parts).map((r) => ({ ...r, why, isSure: true })));
    for (const part of parts.filter((p) => p.length > 2 && place.has.has(p) && !own.words.has(p)))
      for (const run of phraseRuns(place, [part])) {
        const isCapital = /^\p{Lu}/u.test(text.slice(run.start, run.start + 2));
        if (isAlsoAWord(part) && (!isCapital || isSentenceStart(text, run.start))) continue;
        found.push({ ...run, why, isSure: false });
      }
    found.push(...phraseRuns(place, email).map((r) => ({ ...r, why, isSure: true })));
    if (phone !== '') found.push(...numberRuns(place, phone).map((r) => ({ ...r, why, isSure: true })));
  }
  return found;
}

function carLeaks(place: Place, cars: readonly OtherCar[]): Found[] {
  const found: Found[] = [];
  for (const { nickname, names, codes, why } of cars) {
    for (const { phrase, isSure } of names)
      found.push(...phraseRuns(place, phrase).map((r) => ({ ...r, why, isSure })));
    for (const { code, folded } of codes)
      found.push(
        ...numberRuns(place, folded).map((r) => ({
          ...r,
          why: `${code} is the ${nickname}’s`,
          isSure: true,
        })),
      );
  }
  return found;
}

function personLeaks(
  place: Place,
  names: ReadonlySet<string>,
  absences: readonly (readonly string[])[],
): Found[] {
  const { text, words, has } = place;
  const found: Found[] = [];
  if (![...names].some((n) => has.has(n)) && absences.every((a) => !has.has(a[0] ?? ''))) return found;
  let at = 0;
  for (const { 0: sentence, index } of text.matchAll(SENTENCE)) {
    while (at < words.length && words[at]!.start < index) at += 1;
    const inIt: Word[] = [];
    for (; at < words.length && words[at]!.end <= index + sentence.length; at += 1) inIt.push(words[at]!);
    if (!inIt.some((w) => names.has(w.folded))) continue;
    for (const { folded, start, end } of inIt)
      if (PRIVATE.has(folded))
        found.push({
          start,
          end,
          why: 'that is a private matter of one of the shop’s people',
          isSure: false,
        });
  }
  for (const phrase of absences) {
    if (phrase.length > 1)
      found.push(
        ...phraseRuns(place, phrase).map((r) => ({
          ...r,
          why: 'that is why one of the shop’s people is away',
          isSure: true,
        })),
      );
  }
  return found;
}

/** Runs of a note’s words, without those that are said to customers too. */
function noteRuns(notes: readonly string[]): Set<string> {
  const runs = new Set<string>();
  for (const note of notes) {
    const words = foldedWords(note);
    for (let i = 0; i + NOTE_WORDS <= words.length; i += 1)
      runs.add(words.slice(i, i + NOTE_WORDS).join(' '));
  }
  return runs;
}

function noteLeaks({ words }: Place, internal: ReadonlySet<string>): Found[] {
  const found: Found[] = [];
  for (let i = 0; i + NOTE_WORDS <= words.length; i += 1) {
    const run = words.slice(i, i + NOTE_WORDS);
    if (!internal.has(run.map((w) => w.folded).join(' '))) continue;
    const [start, end] = [run[0]!.start, run.at(-1)!.end];
    const last = found.at(-1);
    if (last && start <= last.end) last.end = end;
    else found.push({ start, end, why: 'that is a note for the shop', isSure: true });
  }
  return found;
}

/** The address of a customer’s page. Their own goes with every letter; any other is a way into somebody else’s. */
const PAGE = /\/l\/[\w-]{20,}/g;

const pageLeaks = ({ text }: Place): Found[] =>
  [...text.matchAll(PAGE)].map(({ 0: page, index }) => ({
    start: index,
    end: index + page.length,
    why: 'it leads to a customer’s page, and whoever has the address can read it',
    isSure: true,
  }));

/** What stands below the photographs of an item, by the item’s id and the photograph’s. */
export type Captions = ReadonlyMap<string, readonly { id: string; caption: string }[]>;

/** A text of a letter that goes to the customer. */
interface Told {
  where: string;
  text: string;
  isFixed?: boolean | undefined;
}

/** The captions of the photographs that go with an item. */
const captionsOf = ({ id, media }: LetterItem, captions: Captions): Told[] =>
  (captions.get(id) ?? [])
    .filter((c) => media?.includes(c.id) && c.caption !== '')
    .map((c) => ({ where: id, text: c.caption }));

/** Where words of an item lead to. */
const addressesOf = ({ id, marks = [] }: LetterItem): Told[] =>
  marks.flatMap(({ href }) => (href === undefined ? [] : [{ where: id, text: href }]));

const textsOf = (letter: Letter, captions: Captions): Told[] => [
  { where: 'subject', text: letter.subject },
  { where: 'greeting', text: letter.greeting },
  ...letter.parts.flatMap((p): Told[] => [
    { where: p.id, text: p.title },
    ...p.items
      .filter((i) => !i.leftOut)
      .flatMap((i): Told[] => [
        { where: i.id, text: i.text, isFixed: i.fixed },
        ...addressesOf(i),
        ...captionsOf(i, captions),
      ]),
  ]),
  { where: 'closing', text: letter.closing },
];

/** Of finds that overlap, the surest and longest one. */
function withoutOverlap(found: readonly Found[], length: number): Found[] {
  const best = [...found].sort(
    (a, b) => Number(b.isSure) - Number(a.isSure) || b.end - b.start - (a.end - a.start),
  );
  const kept: Found[] = [];
  // Where in the text something was found already; a find of a letter may have thousands of others beside it.
  const taken = new Uint8Array(length);
  for (const f of best) {
    if (taken.subarray(f.start, f.end).includes(1)) continue;
    taken.fill(1, f.start, f.end);
    kept.push(f);
  }
  return kept.sort((a, b) => a.start - b.start);
}

/** Everything in a letter, and below its photographs, that must not be, or may have to not be, there. */
export function leaksOf(letter: Letter, guard: LeakGuard, captions: Captions = new Map()): Leak[] {
  const own = ownOf(guard.own);
  const told = noteRuns(guard.told);
  const internal = new Set([...noteRuns(guard.internal)].filter((run) => !told.has(run)));
  const meant = new Set(letter.meant?.map((m) => foldedWords(m).join(' ')));
  const texts = textsOf(letter, captions).map((told) => ({ ...told, place: placeOf(told.text) }));
  const others = othersOf(
    guard,
    own,
    texts.map((t) => t.place),
  );
  const [rates, costs] = [new Set(guard.ratesMinor), new Set(guard.costsMinor)];
  const names = new Set(guard.people.flatMap((p) => foldedWords(p)).filter((p) => p.length > 2));
  const absences = guard.absences.map((reason) => foldedWords(reason));
  return texts.flatMap(({ where, text, isFixed, place }) => {
    const found = [
      ...nameLeaks(place, others.customers, own),
      ...carLeaks(place, others.cars),
      ...personLeaks(place, names, absences),
      ...pageLeaks(place),
      // What is worked out is the customer’s own, whatever else may come to as much or be worded so.
      ...(isFixed
        ? []
        : [...moneyLeaks(place.text, guard.currency, rates, costs), ...noteLeaks(place, internal)]),
    ];
    return withoutOverlap(found, text.length)
      .map((f): Leak => ({ ...f, where, words: text.slice(f.start, f.end) }))
      .filter((l) => l.isSure || !meant.has(foldedWords(l.words).join(' ')));
  });
}

/** Why a letter with these in it cannot go; null where it can. */
export function whyNotWith(leaks: readonly Leak[]): string | null {
  const [first] = leaks;
  if (first === undefined) return null;
  const more = leaks.length > 1 ? ` And ${leaks.length - 1} more.` : '';
  return `“${first.words}” is not for this customer: ${first.why}.${more}`;
}
