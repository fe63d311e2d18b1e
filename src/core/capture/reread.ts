/** A kept line whose words are put right is read again: what had been read follows, what somebody had chosen stays. */
import { canonical } from '../approval/canonical.ts';
import type { FactField, Facts } from '../log/kinds.ts';
import type { ParsedLine } from './types.ts';
import { factsFor, NOTHING_PUT_RIGHT, understand, type LoggedKind } from './understood.ts';

export interface Worded {
  text: string;
  kind: LoggedKind;
  facts: Facts;
}

const same = (a: unknown, b: unknown): boolean => canonical([a ?? null]) === canonical([b ?? null]);

/**
 * The line with other words.
 *
 * @param before the line so far, with what somebody chose in it
 * @param text the words that hold now
 * @param read what reads a line, as of the day on which it happened: “due friday” is the Friday after that day
 */
export function reread(before: Worded, text: string, read: (text: string) => ParsedLine): Worded {
  const was = understand(read(before.text), NOTHING_PUT_RIGHT);
  const is = understand(read(text), NOTHING_PUT_RIGHT);
  const kind = before.kind === was.kind ? is.kind : before.kind;
  const fields = new Set([...Object.keys(before.facts), ...Object.keys(is.facts)] as FactField[]);
  const facts: Record<string, unknown> = {};
  for (const field of fields) {
    const isRead = same(before.facts[field], was.facts[field]);
    facts[field] = isRead ? is.facts[field] : before.facts[field];
  }
  return { text, kind, facts: factsFor(kind, facts as Facts) };
}
