/**
 * What a written or spoken line means. `parseLine` is pure: the same text and context give the same result,
 * nothing is thrown for any text, and what is not understood simply stays in the text.
 */
import { KIND_SPECS, type Facts, type Kind } from '../log/kinds.ts';
import { readClass } from './classes.ts';
import { readCount } from './counts.ts';
import { findDays } from './dates.ts';
import { readKind, type KindRead } from './kindWords.ts';
import { findNames, nameAt, unknownVendor } from './names.ts';
import { findBarePrice, findMarkedPrices, type Price } from './prices.ts';
import { findDurations, findMeasures, type Found } from './quantities.ts';
import { prepare, Reading } from './reading.ts';
import { readSubject } from './subject.ts';
import type { CaptureContext, Named, ParsedLine, SpanField } from './types.ts';
import { workedMinutes } from './worked.ts';
import { findZone } from './zones.ts';

export type { CaptureContext, Named, ParsedLine, SpanField } from './types.ts';

/**
 * Reads one line of the log.
 *
 * @param text what was written or spoken, any length; never changed
 * @param context the day, the shop's currency, units and locale, and the names the shop knows
 * @param as the kind that it is; without it, the kind that one of its words names, if any does. What a line is, as a person means it, says
 *   the reader
 * @returns kind, subject and every part understood, with the places in the text they were read from
 */
export function parseLine(text: string, context: CaptureContext, as?: Kind): ParsedLine {
  // Nothing is written most of the time, and the first screen need not wait for the parser to warm up.
  if (text.trim() === '') return { kind: as ?? 'note', subject: '', measures: [], spans: [] };
  const r = new Reading(text, context, prepare(context));
  readPrefix(r);
  const days = readDays(r);
  readPart(r);
  readQuantities(r);
  readNames(r);
  const kind = readKind(r.t, r.start, r.blocked);
  r.result.kind = as ?? kind?.kind ?? 'note';
  if (kind) r.take('kind', kind);
  readVendor(r, kind);
  settleDays(r, days);
  const price = readPrice(r, kind);
  readClass(r);
  readCount(r, kind);
  const zone = findZone(
    r.t,
    r.start,
    (i) => r.blocked(i) || (kind !== null && i >= kind.from && i < kind.next),
  );
  if (zone) {
    r.result.zone = zone.value;
    r.take('zone', zone);
  }
  settlePrice(r, price);
  readSubjectOf(r, kind);
  dropForeignFields(r);
  r.result.spans.sort((a, b) => a.start - b.start || a.end - b.end);
  return r.result;
}

/** "microcar: …", "B-0107 …", "the hearse is …", "Joss did …". */
function readPrefix(r: Reading): void {
  const { t, known } = r;
  const the = t[0]?.lower === 'the' ? 1 : 0;
  const colon = t.findIndex((tok) => tok.text === ':');
  if (colon > 0 && colon <= 7) {
    for (let i = 0; i < colon; i += 1) {
      const build = nameAt(known.buildWords, t, i);
      if (!build || build.next > colon) continue;
      nameBuild(r, build.value, { from: 0, next: colon });
      r.start = colon + 1;
      break;
    }
  }
  if (r.start === 0) {
    const build = nameAt(known.builds, t, the);
    const then = build && t[build.next];
    const says = build && readKind(t, build.next, r.blocked);
    const speaks =
      then &&
      (/^(?:is|has|to|needs|had|was|went|now|moved|gone|still|wants|,|-|–|—)$/.test(then.lower) ||
        says?.from === build.next ||
        says?.subject === 'before');
    // “Microcar's up on lift 1”: it is; “the microcar's wheels” are its own.
    const isSaid =
      build &&
      /'s$/.test(t[build.next - 1]!.lower) &&
      /^(?:up|on|in|at|back|off|out|over|still|now|not|had|got|been|going|waiting|ready)$/.test(
        then?.lower ?? '',
      );
    if (build && (speaks || isSaid || build.next - build.from > 1)) {
      nameBuild(r, build.value, { from: the ? 0 : build.from, next: build.next });
      r.start = build.next + (then && /^[,–—-]$/.test(then.text) ? 1 : 0);
    }
  }
  const person = nameAt(known.people, t, r.start);
  if (person && person.next < t.length) {
    r.result.person = named(person.value);
    r.take('person', person);
    r.start = person.next;
  }
}

const named = ({ id, name }: { id: string; name: string }): Named => ({ id, name });

function nameBuild(
  r: Reading,
  build: { id: string; name: string },
  found: { from: number; next: number },
): void {
  r.result.build = named(build);
  r.take('build', found);
}

function readDays(r: Reading): ReturnType<typeof findDays> {
  const days = findDays(r.t, r.context.today, r.known.monthFirst).filter((d) => r.free(d));
  for (const d of days) for (let i = d.from; i < d.next; i += 1) r.take('on', { from: i, next: i + 1 });
  // The role (due or on) depends on the kind, read later: the spans are set then.
  r.result.spans = r.result.spans.filter((s) => s.field !== 'on');
  return days;
}

/** A part the shop knows is the subject, whole: the "rear axle" that is ordered is no place on the car. */
function readPart(r: Reading): void {
  r.part = findNames(r.known.parts, r.t, r.start).find((p) => r.free(p)) ?? null;
  if (r.part) r.take('subject', r.part);
}

function readQuantities(r: Reading): void {
  const { t, known } = r;
  const durations = findDurations(t, known.mark).filter((d) => r.free(d));
  for (const d of durations) r.take('minutes', d);
  const { minutes, anew } = workedMinutes(t, durations, known.mark);
  if (minutes !== null) r.result.minutes = minutes;
  if (anew) r.take('minutes', anew);
  const poundsWeigh = r.context.currency !== 'GBP';
  for (const m of findMeasures(t, known.mark, poundsWeigh)) {
    if (!r.free(m)) continue;
    r.result.measures.push(m.value);
    r.take('measures', m);
  }
}

function readNames(r: Reading): void {
  const { t, known, result } = r;
  if (!result.build) {
    for (const b of findNames(known.builds, t, r.start)) {
      const before = t[b.from - 1]?.lower ?? '';
      const whole = b.next - b.from > 1;
      const pointed =
        before === 'the' &&
        /^(?:on|for|in|to|from|at|of|off|with|onto|into)$/.test(t[b.from - 2]?.lower ?? '');
      if (!r.free(b) || !(whole || pointed || /^(?:on|for)$/.test(before))) continue;
      nameBuild(r, b.value, {
        from: /^(?:on|for)$/.test(before) ? b.from - 1 : pointed ? b.from - 2 : b.from,
        next: b.next,
      });
      break;
    }
  }
  for (const v of findNames(known.vendors, t, r.start)) {
    if (!r.free(v) || result.vendor) continue;
    result.vendor = named(v.value);
    const before = /^(?:from|at|by|with|via|to|off)$/.test(t[v.from - 1]?.lower ?? '') ? 1 : 0;
    r.take('vendor', { from: v.from - before, next: v.next });
  }
  for (const p of findNames(known.places, t, r.start)) {
    if (!r.free(p) || result.place) continue;
    result.place = named(p.value);
    let from = p.from;
    while (/^(?:the|to|on|in|onto|into|at|back|over)$/.test(t[from - 1]?.lower ?? '') && from > r.start)
      from -= 1;
    r.take('place', { from, next: p.next });
  }
  for (const p of findNames(known.people, t, r.start)) {
    if (!r.free(p) || result.person) continue;
    result.person = named(p.value);
    const before = t[p.from - 1]?.lower === 'by' ? 1 : 0;
    r.take('person', { from: p.from - before, next: p.next });
  }
}

function readVendor(r: Reading, kind: KindRead | null): void {
  if (r.result.vendor) return;
  // The "from" of "back from the welder" says the kind, and the vendor too.
  const vendor = unknownVendor(r.t, (i) => r.blocked(i) && !(kind && i >= kind.from && i < kind.next));
  if (!vendor || !KIND_SPECS[r.result.kind].fields.includes('vendor')) return;
  r.result.vendor = vendor.value;
  r.take('vendor', vendor);
}

/** Kinds that look forward: a bare "friday" is when it is expected. */
const FORWARD: ReadonlySet<Kind> = new Set<Kind>(['ordered', 'waiting', 'asked', 'needs', 'planned']);

function settleDays(r: Reading, days: ReturnType<typeof findDays>): void {
  const { result } = r;
  for (const d of days) {
    const { day, when, otherSide } = d.value;
    const role =
      d.role ?? (FORWARD.has(result.kind) && when !== 'past' && day !== r.context.today ? 'due' : 'on');
    if (result[role] !== undefined) continue;
    result[role] =
      role === 'on' && when === 'open' && otherSide !== undefined && day > r.context.today ? otherSide : day;
    const [first, last] = [r.t[d.from]!, r.t[d.next - 1]!];
    result.spans.push({ field: role, start: first.start, end: last.end });
  }
}

function readPrice(r: Reading, kind: KindRead | null): Found<Price> | null {
  const { t, context, known, result } = r;
  const marked = findMarkedPrices(t, context.currency, known.mark, r.blocked)[0];
  const vendorSpan = result.spans.find((s) => s.field === 'vendor');
  const vendorEnds = vendorSpan ? t.findIndex((tok) => tok.start >= vendorSpan.end) : -1;
  const price =
    marked ??
    findBarePrice(
      t,
      result.kind,
      kind ? kind.next : r.start,
      context.currency,
      known.mark,
      r.blocked,
      vendorEnds,
    );
  if (!price) return null;
  r.take('moneyMinor', price);
  return price;
}

/** "each" multiplies by the quantity, once that is known. */
function settlePrice(r: Reading, price: Found<Price> | null): void {
  if (!price) return;
  const { minor, each, per } = price.value;
  const measure = r.result.measures.find((m) => m.unit === per);
  if (per !== undefined && !measure) return;
  const total = Math.round(minor * (measure?.value ?? (each ? (r.result.quantity ?? 1) : 1)));
  if (Number.isSafeInteger(total)) r.result.moneyMinor = total;
}

function readSubjectOf(r: Reading, kind: KindRead | null): void {
  const subject = r.part ?? readSubject(r.t, r.start, kind, r.result.kind, r.blocked);
  if (!subject) return;
  const [first, last] = [r.t[subject.from]!, r.t[subject.next - 1]!];
  r.result.subject = r.text.slice(first.start, last.end);
  if (r.part) return;
  r.result.spans.push({ field: 'subject', start: first.start, end: last.end });
}

const KEPT_ANYWAY: ReadonlySet<string> = new Set(['kind', 'subject', 'build', 'measures']);

/** Parts that mean nothing for this kind (hours of a wait) are left in the text. */
function dropForeignFields(r: Reading): void {
  const { fields } = KIND_SPECS[r.result.kind];
  const keep = (field: SpanField): boolean =>
    KEPT_ANYWAY.has(field) || (fields as readonly string[]).includes(field);
  for (const field of [
    'minutes',
    'moneyMinor',
    'quantity',
    'due',
    'on',
    'vendor',
    'person',
    'place',
    'class',
    'zone',
  ] as const)
    if (!keep(field)) delete r.result[field];
  r.result.spans = r.result.spans.filter((s) => keep(s.field));
}

/** The parts of a parsed line that an entry keeps, by name. */
export function factsOf(parsed: ParsedLine): Facts {
  const { subject, zone, minutes, moneyMinor, quantity, due, on, vendor, person, place, measures } = parsed;
  return {
    ...(subject === '' ? {} : { subject }),
    ...(zone === undefined ? {} : { zone }),
    ...(minutes === undefined ? {} : { minutes }),
    ...(moneyMinor === undefined ? {} : { moneyMinor }),
    ...(quantity === undefined ? {} : { quantity }),
    ...(due === undefined ? {} : { due }),
    ...(on === undefined ? {} : { on }),
    ...(vendor === undefined ? {} : { vendor: vendor.name }),
    ...(person === undefined ? {} : { person: person.name }),
    ...(place === undefined ? {} : { place: place.name }),
    ...(parsed.class === undefined ? {} : { class: parsed.class }),
    ...(measures.length === 0 ? {} : { measures }),
  };
}
