/** A book tells of one car: lines that would tell of another, of a person, or of the shop’s own matters are left out of it. */
import { leaksOf, type Leak, type LeakGuard } from '../update/leaks.ts';
import type { Book, BookEntry } from './book.ts';

/** A line that is not in the book, and why. */
export interface LeftOut {
  text: string;
  why: string;
  /** Surely not for this customer; otherwise the owner may say that it is meant. */
  isSure: boolean;
}

/** Whether what these texts say may stand in the book. `isOurs`: its money is what the customer pays. */
type May = (texts: readonly string[], isOurs?: boolean) => boolean;

/** Facts that are words and are not in the words of the line already. */
const moreWords = ({ text, facts }: BookEntry): string[] =>
  Object.values(facts).filter((f): f is string => typeof f === 'string' && !text.includes(f));

const orNothing = (may: May, text: string): string => (may([text]) ? text : '');

/** The book with what may stand in it. */
function whatMay({ registers, ...book }: Book, may: May): Book {
  return {
    ...book,
    build: { ...book.build, complaint: orNothing(may, book.build.complaint) },
    vehicle: { ...book.vehicle, evidence: orNothing(may, book.vehicle.evidence) },
    registers: {
      unit: registers.unit.filter((u) => may([u.evidence])),
      belonging: registers.belonging.filter((b) => may([b.what, b.keptAt])),
      provenance: registers.provenance.filter((p) => may([p.component, p.evidence, p.originalKept])),
      requirement: registers.requirement.filter((r) => may([r.text, r.evidence])),
    },
    logbook: book.logbook
      .filter((e) => may([e.text, ...moreWords(e)]))
      .map((e) => ({ ...e, pictures: e.pictures.filter((p) => may([p.caption])) })),
    parts: book.parts.filter((p) => may([p.what, p.instead])),
    costs: book.costs && { ...book.costs, lines: book.costs.lines.filter((l) => may([l.title], true)) },
    followUps: book.followUps.filter((f) => may([f.title])),
  };
}

const asOne = (texts: readonly string[]): string => texts.filter((t) => t !== '').join('. ');

/**
 * The book without what is not for its customer.
 *
 * @param meant texts that the owner has looked at: what may be a leak and is none
 */
export function withoutLeaks(
  book: Book,
  guard: LeakGuard,
  meant: readonly string[],
): { book: Book; leftOut: LeftOut[] } {
  // All of it is held against the guard at once: to read the guard costs more than to read a line.
  const texts = new Map<string, boolean>();
  whatMay(book, (of, isOurs = false) => Boolean(texts.set(asOne(of), isOurs)));
  const all = [...texts];
  const items = all.map(([text, fixed], i) => ({ id: String(i), text, leftOut: false, fixed }));
  const letter = {
    subject: '',
    greeting: '',
    parts: [{ id: 'next' as const, title: '', items }],
    closing: '',
  };
  const found = new Map<string, Leak>();
  for (const leak of leaksOf(letter, guard)) {
    const text = all[Number(leak.where)]![0];
    if (!found.get(text)?.isSure) found.set(text, leak);
  }
  const known = new Set(meant);
  for (const [text, { isSure }] of found) if (!isSure && known.has(text)) found.delete(text);
  return {
    book: whatMay(book, (of) => !found.has(asOne(of))),
    leftOut: [...found].map(([text, { words, why, isSure }]) => ({
      text,
      why: `“${words}”: ${why}`,
      isSure,
    })),
  };
}
