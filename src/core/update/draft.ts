/** The draft of a letter: from the logbook since the last one to sections, sentences and figures. */
import type { Entry, EffectiveEntry, Totals } from '../log/entries.ts';
import { effectiveEntries } from '../log/entries.ts';
import { KIND_SPECS, LETTER_SECTIONS, type Kind, type LetterSection } from '../log/kinds.ts';
import {
  customerSentence,
  figuresInWords,
  fromVendor,
  inSentence,
  placedName,
  withArticle,
  type Manner,
} from '../log/sentences.ts';
import { formatMoney } from '../money/money.ts';
import { formatDay } from '../time/days.ts';
import { formatMinutes } from '../time/hours.ts';
import type { Wait } from '../waits/waits.ts';

/** One sentence of a letter, with the entries it tells and whether the owner leaves it out. */
export interface LetterItem {
  id: string;
  text: string;
  leftOut: boolean;
  /** Ids of the photographs that go with it. */
  media?: readonly string[];
}

export interface LetterPart {
  id: LetterSection | 'costs' | 'next';
  title: string;
  items: LetterItem[];
}

/** A letter as it is kept and sent: plain words in order. */
export interface Letter {
  subject: string;
  greeting: string;
  parts: LetterPart[];
  closing: string;
}

export interface DraftInput {
  build: {
    number: string;
    vehicle: string;
    promised: string | null;
    /** Where pauses for the customer’s reasons moved the promise: what it was, and by how many days. */
    rested?: { was: string; days: number };
  };
  customerFirstName: string;
  shopName: string;
  ownerName: string;
  manner: Manner;
  /** Entries kept since the last letter's cut, and the entries that corrections among them name. */
  entries: readonly Entry[];
  /** The last letter told everything up to this seq; 0 before the first. */
  toldUpTo: number;
  totals: Totals;
  waits: readonly Wait[];
  /** What the shop means to do next; empty when nobody has said. */
  next: string;
  /** What is due after hand-over and not done yet, by a day or by miles. */
  followUps: readonly { id: string; title: string; dueOn: string | null; dueMiles: number | null }[];
}

const TITLES: Record<LetterPart['id'], string> = {
  done: 'What we did',
  found: 'What we found',
  ordered: 'Parts and things sent out',
  waiting: 'What it waits for',
  decisions: 'Asked and settled',
  corrections: 'Put right since my last letter',
  other: 'Also worth knowing',
  costs: 'What it comes to so far',
  next: 'What is next',
};

/** Drafts a letter. Pure: the same input gives the same letter, and every figure in it is the ledger's. */
export function draftLetter(input: DraftInput): Letter {
  const effective = effectiveEntries(input.entries);
  const fresh = effective.filter((e) => e.seq > input.toldUpTo && !e.withdrawn && e.audience === 'customer');
  const bySection = new Map<LetterSection, LetterItem[]>(LETTER_SECTIONS.map((s) => [s, []]));
  for (const e of [...fresh].sort((a, b) => a.at.localeCompare(b.at) || a.seq - b.seq)) {
    const spec = KIND_SPECS[e.kind].letter;
    if ('never' in spec || e.kind === 'waiting' || e.kind === 'resumed') continue;
    bySection.get(spec.section)?.push(itemOf(e, input.manner));
  }
  bySection.set('corrections', corrections(effective, input));
  bySection.set('waiting', waitItems(input));
  const parts = LETTER_SECTIONS.map((id): LetterPart => ({
    id,
    title: TITLES[id],
    items: bySection.get(id) ?? [],
  }));
  const told = parts.filter((p) => p.items.length > 0);
  told.push({ id: 'costs', title: TITLES.costs, items: costItems(input) });
  const next = nextItems(input);
  if (next.length > 0) told.push({ id: 'next', title: TITLES.next, items: next });
  return {
    subject: subjectLine(input, fresh),
    greeting: `Dear ${input.customerFirstName},`,
    parts: fresh.length === 0 ? [quietPart(input), ...told] : told,
    closing: `With kind regards,\n${input.ownerName}\n${input.shopName}`,
  };
}

function itemOf(e: EffectiveEntry, manner: Manner): LetterItem {
  const sentence = customerSentence(e, manner) ?? '';
  const media = e.media.length > 0 ? { media: e.media } : {};
  const figures = KIND_SPECS[e.kind].money === 'estimate' ? figuresInWords(e.facts, manner) : null;
  if (figures === null || e.kind === 'decided' || e.kind === 'asked')
    return { id: e.id, text: sentence, leftOut: false, ...media };
  const text = `${sentence.replace(/\.$/, '')}. To put right: about ${figures}.`;
  return { id: e.id, text, leftOut: false, ...media };
}

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

function waitItems({ waits, manner }: DraftInput): LetterItem[] {
  return waits.map((w) => {
    const since = formatDay(w.since, manner.locale, manner.today);
    const from = fromVendor(w.vendor);
    const late = w.due !== undefined && w.due < manner.today;
    const due = w.due
      ? late
        ? `, which was due on ${formatDay(w.due, manner.locale, manner.today)}`
        : `, due ${formatDay(w.due, manner.locale, manner.today)}`
      : '';
    return {
      id: `wait-${w.entryId}`,
      text: `Waiting for ${withArticle(w.subject)}${from} since ${since}${due}.`,
      leftOut: false,
    };
  });
}

function costItems({ totals, manner }: DraftInput): LetterItem[] {
  const spent = formatMoney(totals.spentMinor, manner.currency, manner.locale);
  return [
    {
      id: 'costs-so-far',
      text: `Parts, materials and outside work so far: ${spent}. Hours worked so far: ${formatMinutes(totals.workedMinutes)}.`,
      leftOut: false,
    },
  ];
}

function restedWords({ rested }: DraftInput['build'], { locale, today }: DraftInput['manner']): string {
  if (rested === undefined || rested.days === 0) return '';
  const days = rested.days === 1 ? 'The day' : `The ${rested.days} days`;
  return ` ${days} that it rested ${rested.days === 1 ? 'is' : 'are'} added to ${formatDay(rested.was, locale, today)}.`;
}

/** “Due when it is back on the road: bolts again, after 150 miles.” */
function dueItem(
  { id, title, dueOn, dueMiles }: DraftInput['followUps'][number],
  { locale, today }: Manner,
): LetterItem {
  const when = [
    dueMiles !== null && `after ${dueMiles} miles`,
    dueOn !== null && `by ${formatDay(dueOn, locale, today)}`,
  ].filter((w): w is string => w !== false);
  const text = `Due once it is on the road again: ${inSentence(title)}, ${when.join(' or ')}.`;
  return { id: `due-${id}`, text, leftOut: false };
}

function nextItems({ next, build, manner, followUps }: DraftInput): LetterItem[] {
  const items: LetterItem[] = [];
  if (next.trim() !== '') items.push({ id: 'next', text: next.trim(), leftOut: false });
  if (build.promised !== null)
    items.push({
      id: 'promised',
      text: `Promised for ${formatDay(build.promised, manner.locale, manner.today)}.${restedWords(build, manner)}`,
      leftOut: false,
    });
  items.push(...followUps.map((f) => dueItem(f, manner)));
  return items;
}

function quietPart({ waits }: DraftInput): LetterPart {
  const text =
    waits.length > 0
      ? 'Nothing has been done on your car since my last letter, because it stands waiting. Here is for what.'
      : 'Nothing has been done on your car since my last letter. I would rather say so than leave you wondering.';
  return { id: 'other', title: 'A quiet spell', items: [{ id: 'quiet', text, leftOut: false }] };
}

/** A heading worth opening: the newest thing done or found, else what it waits for. */
function subjectLine({ build, waits }: DraftInput, fresh: readonly EffectiveEntry[]): string {
  const newest = [...fresh].reverse().find((e) => e.facts.subject !== undefined && e.kind in PAST);
  const wait = waits[0];
  const about = newest ? doneTo(newest) : wait ? `waiting for ${withArticle(wait.subject)}` : 'how it stands';
  return `${build.vehicle}: ${about}`.slice(0, 140);
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
