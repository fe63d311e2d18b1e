/** What the parser of the log line takes and gives. */
import type { Kind, LineClass, Measure } from '../log/kinds.ts';
import type { Day } from '../time/days.ts';

/** Something the shop knows by name. `aliases` are further names it answers to (nickname, number, customer). */
export interface Known {
  id: string;
  name: string;
  aliases?: readonly string[];
  /** Of a build: whose it is. */
  customer?: string;
}

export interface CaptureContext {
  /** The day it is in the shop. */
  today: Day;
  /** ISO 4217 code. */
  currency: string;
  units: 'imperial' | 'metric';
  /** BCP 47 tag; decides the decimal mark and the order of day and month. */
  locale: string;
  builds: readonly Known[];
  people: readonly Known[];
  vendors: readonly Known[];
  parts: readonly Known[];
  places: readonly Known[];
}

/** A name found in the text; without an id it is a name the shop does not know yet. */
export interface Named {
  id?: string;
  name: string;
}

export type SpanField =
  | 'kind'
  | 'subject'
  | 'build'
  | 'zone'
  | 'minutes'
  | 'moneyMinor'
  | 'quantity'
  | 'due'
  | 'on'
  | 'vendor'
  | 'person'
  | 'place'
  | 'class'
  | 'measures';

/** Where in the text a part was read: `text.slice(start, end)`. */
export interface Span {
  field: SpanField;
  start: number;
  end: number;
}

/** What a line was understood to say. The text itself is kept beside it, whole. */
export interface ParsedLine {
  kind: Kind;
  subject: string;
  build?: Named;
  zone?: string;
  minutes?: number;
  moneyMinor?: number;
  quantity?: number;
  due?: Day;
  on?: Day;
  vendor?: Named;
  person?: Named;
  place?: Named;
  class?: LineClass;
  measures: Measure[];
  spans: Span[];
}
