/** What holds a car up, told to its customer: no other car, no name of a person, no word of the shop’s own. */
import { fromVendor, inSentence, withArticle } from '../log/sentences.ts';
import { isNameOf } from '../match/names.ts';
import { formatDay, type Day } from '../time/days.ts';
import type { Hold } from '../waits/binding.ts';
import type { Wait } from '../waits/waits.ts';
import type { LetterManner } from './figures.ts';
import type { LetterItem } from './letter.ts';

const item = (id: string, text: string): LetterItem => ({ id, text, leftOut: false });

function endWords(until: Day | null, due: string, manner: LetterManner): string {
  if (until === null) return '';
  const day = formatDay(until, manner.locale, manner.today);
  return until < manner.today ? `, which was ${due} on ${day}` : `, ${due} ${day}`;
}

/** “Waiting for the hood frame from the plater since Mon 2 Mar, due Fri 6 Mar.” */
function saidItem(wait: Wait, manner: LetterManner, rests: ReadonlySet<string>): LetterItem {
  const since = formatDay(wait.since, manner.locale, manner.today);
  // Why it rests is a sentence of its own.
  if (rests.has(wait.entryId))
    return item(`wait-${wait.entryId}`, `It rests since ${since}: ${wait.subject}.`);
  const end = endWords(wait.due ?? null, 'due', manner);
  return item(
    `wait-${wait.entryId}`,
    `Waiting for ${withArticle(wait.subject)}${fromVendor(wait.vendor)} since ${since}${end}.`,
  );
}

const forTask = ({ task }: Hold): string => (task === undefined ? 'the next work' : inSentence(task));

/** A batch’s number means nothing to a customer. */
const withoutNumber = (what: string): string => what.replace(/ \(O-\d+\)/, '');

/** How a hold of a kind is told; null for what is told elsewhere: a question, what somebody said, what nobody planned. */
const TOLD: Record<Hold['kind'], ((hold: Hold, manner: LetterManner) => string) | null> = {
  part: (h, m) => `Waiting for ${h.what}${endWords(h.until, 'due', m)}`,
  vendor: (h, m) => `Waiting for ${h.what}${endWords(h.until, 'due', m)}`,
  batch: (h, m) => `Away: ${withoutNumber(h.what)}${endWords(h.until, 'expected back', m)}`,
  payment: (h, m) => `Work goes on when this is in: ${h.what}${endWords(h.until, 'due', m)}`,
  place: (h) => `Waiting for a free place for the next job, ${forTask(h)}`,
  person: (h, m) =>
    `Waiting for the one who does ${forTask(h)}${h.until === null ? '' : `, here again ${formatDay(h.until, m.locale, m.today)}`}`,
  cure: (h, m) =>
    `Resting before ${forTask(h)}${h.until === null ? '' : `, until ${formatDay(h.until, m.locale, m.today)}`}`,
  gate: (h) => `To be looked at before ${forTask(h)}`,
  weather: (h) => `Waiting for ${h.what}`,
  'other build': () => 'Waiting for work that has to be finished first',
  answer: null,
  said: null,
  // A task that another comes before is not said to a customer: what holds the other one is.
  task: null,
  plan: null,
};

/** Kinds that are told wherever they hold; the others only where they are what holds the car. */
const ALWAYS: ReadonlySet<Hold['kind']> = new Set(['part', 'vendor', 'batch', 'payment']);

/**
 * What it waits for: what the logbook says, then what follows from its parts, places and tasks. `binding` is what releases it
 * last; of the others only what comes from outside is told. `rests`: entries that let the car rest.
 */
export function waitItems(
  waits: readonly Wait[],
  holds: { binding: Hold | null; others: readonly Hold[] },
  manner: LetterManner,
  rests: ReadonlySet<string> = new Set(),
): LetterItem[] {
  // What is waited for by reference is among the holds, with its own day.
  const said = waits.filter((w) => w.about === undefined).map((w) => saidItem(w, manner, rests));
  const others = holds.others.filter((h) => ALWAYS.has(h.kind));
  const isNamed = ({ what }: Hold): boolean =>
    waits.some((w) => w.about === undefined && isNameOf(w.subject, what));
  const items = new Map<string, LetterItem>();
  for (const hold of [...(holds.binding ? [holds.binding] : []), ...others]) {
    const tell = TOLD[hold.kind];
    // What somebody typed is told from its entry, and so is a thing that it names.
    if (tell === null || hold.entryId !== undefined || isNamed(hold)) continue;
    const since = formatDay(hold.since, manner.locale, manner.today);
    const told = item(
      `held-${hold.kind}-${hold.what}`.slice(0, 100),
      `${tell(hold, manner)} (since ${since}).`,
    );
    // Two tasks may wait for the same thing.
    if (!items.has(told.id)) items.set(told.id, told);
  }
  return [...said, ...items.values()];
}
