/** The draft of a letter: from the logbook since the last one to sections, sentences and figures. */
import type { Entry, EffectiveEntry } from '../log/entries.ts';
import { effectiveEntries } from '../log/entries.ts';
import { KIND_SPECS, LETTER_SECTIONS, type Kind, type LetterSection } from '../log/kinds.ts';
import { customerSentence, figuresInWords, inSentence, placedName, withArticle } from '../log/sentences.ts';
import { formatDay, type Day } from '../time/days.ts';
import { formatMinutes } from '../time/hours.ts';
import type { Hold } from '../waits/binding.ts';
import type { Wait } from '../waits/waits.ts';
import {
  costItems,
  decisionItems,
  distanceWords,
  readyItems,
  type LetterDecision,
  type LetterManner,
  type LetterMoney,
  type LetterReady,
} from './figures.ts';
import { waitItems } from './held.ts';
import type { Detail, Letter, LetterItem, LetterPart, PartId } from './letter.ts';

export interface DraftInput {
  build: { number: string; vehicle: string };
  customerFirstName: string;
  shopName: string;
  ownerName: string;
  /** The shop’s or the owner’s own words for this customer; {name}, {owner} and {shop} stand for those. Empty: the usual ones. */
  words: { greeting: string; closing: string };
  detail: Detail;
  manner: LetterManner;
  /** Entries kept since the last letter's cut, and the entries that corrections among them name. */
  entries: readonly Entry[];
  /** The last letter told everything up to this seq; 0 before the first. */
  toldUpTo: number;
  /** What is spent on no line, and what is worked; told while there is no money of lines. */
  totals: { spentMinor: number; workedMinutes: number };
  /** The build’s costs; null while nothing is agreed and nothing begun. */
  money: LetterMoney | null;
  waits: readonly Wait[];
  /** Entries by which it was let rest. */
  rests: ReadonlySet<string>;
  /** What holds it that follows from its parts, places and tasks. */
  holds: { binding: Hold | null; others: readonly Hold[] };
  decisions: readonly LetterDecision[];
  /** Questions that an earlier letter told and nobody has answered. */
  openQuestions: readonly { id: string; text: string; on: Day }[];
  ready: LetterReady;
  /** What the shop means to do next; empty when nobody has said. */
  next: string;
  /** What is due after hand-over and not done yet, by a day or by miles. */
  followUps: readonly { id: string; title: string; dueOn: string | null; dueMiles: number | null }[];
}

const TITLES: Record<PartId, string> = {
  done: 'What we did',
  found: 'What we found',
  ordered: 'Parts and things sent out',
  waiting: 'What it waits for',
  decisions: 'What was settled',
  corrections: 'Put right since my last letter',
  other: 'Also worth knowing',
  costs: 'What it comes to so far',
  decide: 'What I need from you',
  next: 'What is next',
};
/** How letters begin and end where nobody has said. */
export const USUAL_WORDS = { greeting: 'Dear {name},', closing: 'With kind regards,\n{owner}\n{shop}' };

/** An order is told with the day on which its part is due now, not with the one that was named when it was ordered. */
function withDayOfThing<E extends Entry>(e: E): E {
  if (e.facts.due === undefined || e.thingDue === undefined) return e;
  const facts = { ...e.facts };
  if (e.thingDue === null) delete facts.due;
  else facts.due = e.thingDue;
  return { ...e, facts };
}

/** Drafts a letter. Pure: the same input gives the same letter, and every figure in it is the ledger's. */
export function draftLetter(input: DraftInput): Letter {
  const effective = effectiveEntries(input.entries);
  const fresh = effective
    .filter((e) => e.seq > input.toldUpTo && !e.withdrawn && e.audience === 'customer')
    .map(withDayOfThing);
  const sections = sectionsOf(fresh, input);
  const filled: Record<PartId, LetterItem[]> = {
    ...sections,
    corrections: corrections(effective, input),
    waiting: toYou(waitItems(input.waits, input.holds, input.manner, input.rests), input),
    costs: costItems(input.money, input.totals, input.manner),
    decide: toYou(
      [...decisionItems(input.decisions, input.manner), ...stillOpen(input), ...sections.decide],
      input,
    ),
    next: nextItems(input),
  };
  const told = ORDER.filter((id) => filled[id].length > 0).map((id): LetterPart => ({
    id,
    title: TITLES[id],
    items: atDetail(id, filled[id], input.detail),
  }));
  return {
    subject: subjectLine(input, fresh),
    greeting: ownWords(input.words.greeting || USUAL_WORDS.greeting, input),
    parts: fresh.length === 0 ? [quietPart(input), ...told] : told,
    closing: ownWords(input.words.closing || USUAL_WORDS.closing, input),
  };
}

const plain = (s: string): string => s.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** What was written of the customer by name is said to them: “Asked Hugh about …”, “Waiting for Anselm to …”. */
function toYou(items: LetterItem[], { customerFirstName }: DraftInput): LetterItem[] {
  const name = plain(customerFirstName);
  const turns: [RegExp, string][] = [
    [new RegExp(`^Asked ${name}\\b(?!’s)`), 'I asked you'],
    [new RegExp(`\\b(open since .{3,20}: )asked ${name}\\b(?!’s)`), '$1I asked you'],
    [new RegExp(`\\bfor ${name} to\\b`), 'for you to'],
    [new RegExp(`\\b${name}’s\\b`), 'your'],
  ];
  return items.map((item) => ({
    ...item,
    text: turns.reduce((text, [from, to]) => text.replace(from, to), item.text),
  }));
}

const ORDER: readonly PartId[] = [...LETTER_SECTIONS, 'costs', 'decide', 'next'];

const ownWords = (words: string, { customerFirstName, ownerName, shopName }: DraftInput): string =>
  words
    .replaceAll('{name}', customerFirstName)
    .replaceAll('{owner}', ownerName)
    .replaceAll('{shop}', shopName);

/** What was logged, by the part of the letter that tells it. */
function sectionsOf(
  fresh: readonly EffectiveEntry[],
  input: DraftInput,
): Record<LetterSection | 'decide', LetterItem[]> {
  const all = Object.fromEntries([...LETTER_SECTIONS, 'decide'].map((s) => [s, []])) as unknown as Record<
    LetterSection | 'decide',
    LetterItem[]
  >;
  for (const e of [...fresh].sort((a, b) => a.at.localeCompare(b.at) || a.seq - b.seq)) {
    const spec = KIND_SPECS[e.kind].letter;
    if ('never' in spec || e.kind === 'waiting' || e.kind === 'resumed') continue;
    const asks = e.kind === 'asked' && e.facts.vendor === undefined;
    all[asks ? 'decide' : spec.section].push(itemOf(e, input));
  }
  return all;
}

/** So many of what was done are told to those who want it brief: the newest. */
const BRIEF_DONE = 5;

/** What a customer does not want to read is left out, and stays to be put back. */
function atDetail(id: PartId, items: LetterItem[], detail: Detail): LetterItem[] {
  if (detail !== 'brief') return items;
  const out = (at: number): boolean =>
    id === 'ordered' || id === 'other' || (id === 'done' && at < items.length - BRIEF_DONE);
  return items.map((item, at) => (out(at) ? { ...item, leftOut: true } : item));
}

function itemOf(e: EffectiveEntry, { manner, detail }: DraftInput): LetterItem {
  const sentence = customerSentence(e, manner) ?? '';
  const media = e.media.length > 0 ? { media: e.media } : {};
  const asks = e.kind === 'decided' || e.kind === 'asked';
  const figures = KIND_SPECS[e.kind].money === 'estimate' && !asks ? figuresInWords(e.facts, manner) : null;
  const bare = sentence.replace(/\.$/, '');
  const { minutes } = e.facts;
  const text =
    figures !== null
      ? `${bare}. To put right: about ${figures}.`
      : detail === 'enthusiast' && KIND_SPECS[e.kind].minutes === 'worked' && minutes !== undefined
        ? `${bare} (${formatMinutes(minutes)}).`
        : sentence;
  return { id: e.id, text, leftOut: false, ...media };
}

const stillOpen = ({ openQuestions, manner }: DraftInput): LetterItem[] =>
  openQuestions.map(({ id, text, on }) => ({
    id: `open-${id}`,
    text: `Still open since ${formatDay(on, manner.locale, manner.today)}: ${inSentence(text).replace(/\.$/, '')}.`,
    leftOut: false,
  }));

/** What was told before and has been corrected since. */
function corrections(effective: readonly EffectiveEntry[], input: DraftInput): LetterItem[] {
  const { toldUpTo, manner } = input;
  return effective
    .filter(
      (e) =>
        e.correction !== null &&
        e.correction.seq > toldUpTo &&
        e.seq <= toldUpTo &&
        e.audience === 'customer',
    )
    .map((e) => {
      const was = toldText(e, input);
      const text = e.withdrawn
        ? `I wrote “${was}”. That was a mistake; please leave it out of account.`
        : `I wrote “${was}”. In fact: ${customerSentence(e, manner) ?? e.text}`;
      return { id: e.correction!.id, text, leftOut: false };
    });
}

/** The words that the last letter had: those of the newest correction before it, else the first ones. */
function toldText(e: EffectiveEntry, { entries, toldUpTo }: DraftInput): string {
  const before = entries
    .filter((c) => c.correctsId === e.id && c.seq <= toldUpTo && c.now !== null && c.now !== 'withdrawn')
    .sort((a, b) => b.seq - a.seq)[0];
  return before && typeof before.now === 'object' && before.now
    ? before.now.text
    : (e.original?.text ?? e.text);
}

/** “Due when it is back on the road: bolts again, after 150 miles.” */
function dueItem(
  { id, title, dueOn, dueMiles }: DraftInput['followUps'][number],
  manner: LetterManner,
): LetterItem {
  const when = [
    dueMiles !== null && `after ${distanceWords(dueMiles, manner)}`,
    dueOn !== null && `by ${formatDay(dueOn, manner.locale, manner.today)}`,
  ].filter((w): w is string => w !== false);
  const text = `Due once it is on the road again: ${inSentence(title)}, ${when.join(' or ')}.`;
  return { id: `due-${id}`, text, leftOut: false };
}

const nextItems = ({ next, ready, manner, followUps }: DraftInput): LetterItem[] => [
  ...(next.trim() === '' ? [] : [{ id: 'next', text: next.trim(), leftOut: false }]),
  ...readyItems(ready, manner),
  ...followUps.map((f) => dueItem(f, manner)),
];

function quietPart({ waits, holds }: DraftInput): LetterPart {
  const stands = waits.length > 0 || holds.binding !== null;
  const text = stands
    ? 'Nothing has been done on your car since my last letter, because it stands waiting. Here is for what.'
    : 'Nothing has been done on your car since my last letter. I would rather say so than leave you wondering.';
  return { id: 'other', title: 'A quiet spell', items: [{ id: 'quiet', text, leftOut: false }] };
}

/** A heading worth opening: the newest thing done or found, else what it waits for; and whether an answer is wanted. */
function subjectLine(
  { build, waits, rests, decisions }: DraftInput,
  fresh: readonly EffectiveEntry[],
): string {
  const newest = [...fresh].reverse().find((e) => e.facts.subject !== undefined && e.kind in PAST);
  const wait = waits.find((w) => !rests.has(w.entryId));
  const about = newest ? doneTo(newest) : wait ? `waiting for ${withArticle(wait.subject)}` : 'how it stands';
  const asks = decisions.length > 0 ? ', and your word is wanted' : '';
  return `${`${build.vehicle}: ${about}`.slice(0, 140 - asks.length)}${asks}`;
}

const PAST: Partial<Record<Kind, string>> = {
  did: 'done',
  fitted: 'fitted',
  arrived: 'here',
  found: 'looked at',
};

/** "serving hatch hinges done", but "gear change adjusted", which says already what was done. */
function doneTo({ facts, kind }: EffectiveEntry): string {
  const subject = placedName(facts.subject ?? '', facts.zone);
  const says = kind === 'did' && /(?:ed|made|cut|built|set|hung|done|in|up|out)$/.test(facts.subject ?? '');
  return says ? subject : `${subject} ${PAST[kind] ?? ''}`.trim();
}
