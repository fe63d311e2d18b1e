/** What will be kept of a line: what was read in it, with what the person put right laid over it. */
import { KIND_SPECS, type Audience, type FactField, type Facts, type Kind } from '../log/kinds.ts';
import { factsOf, parseLine } from './index.ts';
import type { CaptureContext, Named, ParsedLine } from './types.ts';

export type LoggedKind = Exclude<Kind, 'correction'>;

/** Corrections made before keeping. A fact of `null` was taken away; one that is absent is as read. */
export interface PutRight {
  kind?: LoggedKind;
  audience?: Audience;
  build?: Named;
  facts: { [F in FactField]?: Facts[F] | null };
}

export const NOTHING_PUT_RIGHT: PutRight = { facts: {} };

export interface Understood {
  kind: LoggedKind;
  facts: Facts;
  audience: Audience;
  build?: Named;
}

/** Facts that mean something for this kind; the rest stays in the text. */
export function factsFor(kind: Kind, facts: Facts): Facts {
  const { fields } = KIND_SPECS[kind];
  return Object.fromEntries(
    Object.entries(facts).filter(
      ([field, value]) => value !== undefined && fields.includes(field as FactField),
    ),
  );
}

/** A line as it was read; of a kind that somebody chose instead, read again, since what its words mean depends on its kind. */
export const lineAs = (
  kind: LoggedKind | undefined,
  read: { text: string; line: ParsedLine },
  context: CaptureContext,
): ParsedLine =>
  kind === undefined || kind === read.line.kind ? read.line : parseLine(read.text, context, kind);

export function understand(parsed: ParsedLine, right: PutRight): Understood {
  // "should have said …" is a correction only where one points at what it corrects; as a line it is a note.
  const read: LoggedKind = parsed.kind === 'correction' ? 'note' : parsed.kind;
  const kind = right.kind ?? read;
  const merged: Record<string, unknown> = { ...factsOf(parsed) };
  for (const [field, value] of Object.entries(right.facts)) {
    if (value === null) delete merged[field];
    else merged[field] = value;
  }
  const build = right.build ?? parsed.build;
  return {
    kind,
    facts: factsFor(kind, merged),
    audience: right.audience ?? KIND_SPECS[kind].audience,
    ...(build ? { build } : {}),
  };
}

/**
 * The line without the car's name in front ("microcar: …"): it says where the line goes, as on an envelope, and is kept
 * as the build of the entry. A name that is part of the sentence ("the milk float needs brushes") stays.
 */
export function withoutAddress(text: string, parsed: ParsedLine): string {
  const address = parsed.spans[0];
  if (address?.field !== 'build' || address.start > 0) return text.trim();
  const rest = /^\s*[:,–—]\s*(?=\S)/.exec(text.slice(address.end));
  return rest ? text.slice(address.end + rest[0].length).trim() : text.trim();
}
