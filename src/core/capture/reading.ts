/** A line being read: its tokens, which of them are taken, what the shop knows, and what has been found. */
import { indexNames, type NameIndex } from './names.ts';
import { decimalMark } from './numbers.ts';
import type { Found } from './quantities.ts';
import { tokenize, type Token } from './tokens.ts';
import type { CaptureContext, ParsedLine, SpanField } from './types.ts';

export interface Prepared {
  builds: NameIndex;
  /** Also by any word that only one build has: for "microcar: …", where the colon says that it is a name. */
  buildWords: NameIndex;
  people: NameIndex;
  vendors: NameIndex;
  places: NameIndex;
  parts: NameIndex;
  mark: '.' | ',';
  monthFirst: boolean;
}

const prepared = new WeakMap<CaptureContext, Prepared>();

/** The context's names as indexes, made once for each context. */
export function prepare(context: CaptureContext): Prepared {
  const known = prepared.get(context);
  if (known) return known;
  const parts = new Intl.DateTimeFormat(context.locale).formatToParts(new Date(0)).map((p) => p.type);
  const made: Prepared = {
    builds: indexNames(context.builds, { headWord: true }),
    buildWords: indexNames(context.builds, { everyWord: true }),
    people: indexNames(context.people, { firstWord: true }),
    vendors: indexNames(context.vendors, { firstWord: true }),
    places: indexNames(context.places),
    // Parts are ordered one by one and by the dozen.
    parts: indexNames(context.parts.map((p) => ({ ...p, aliases: [...(p.aliases ?? []), `${p.name}s`] }))),
    mark: decimalMark(context.locale),
    monthFirst: parts.indexOf('month') < parts.indexOf('day') && parts.indexOf('year') > parts.indexOf('day'),
  };
  prepared.set(context, made);
  return made;
}

/** One line being read: its tokens, which of them are taken, and what has been found. */
export class Reading {
  readonly t: Token[];
  private readonly taken: boolean[];
  readonly result: ParsedLine;
  /** First token of the line's own words, behind "microcar:" and who did it. */
  start = 0;
  /** The known part that the line is about, if it names one. */
  part: Found<unknown> | null = null;

  constructor(
    readonly text: string,
    readonly context: CaptureContext,
    readonly known: Prepared,
  ) {
    this.t = tokenize(text);
    this.taken = new Array<boolean>(this.t.length).fill(false);
    this.result = { kind: 'note', subject: '', measures: [], spans: [] };
  }

  readonly blocked = (i: number): boolean => this.taken[i] === true;

  free(found: Found<unknown>): boolean {
    for (let i = found.from; i < found.next; i += 1) if (this.taken[i]) return false;
    return true;
  }

  take(field: SpanField, found: { from: number; next: number }): void {
    for (let i = found.from; i < found.next; i += 1) this.taken[i] = true;
    const [first, last] = [this.t[found.from], this.t[found.next - 1]];
    if (first && last) this.result.spans.push({ field, start: first.start, end: last.end });
  }
}
