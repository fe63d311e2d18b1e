/** Entries as the logbook keeps them, and what corrections make of them. */
import type { Day } from '../time/days.ts';
import { KIND_SPECS, type Audience, type Facts, type Kind } from './kinds.ts';

/** One line of a logbook, as kept. Corrections name the entry they correct and carry what holds now. */
export interface Entry {
  id: string;
  /** Order of keeping within the shop; grows with every entry of a build. */
  seq: number;
  buildId: string;
  /** When it happened (UTC instant). */
  at: string;
  recordedAt: string;
  personId: string | null;
  kind: Kind;
  text: string;
  facts: Facts;
  audience: Audience;
  /**
   * When the part that it is about is due now; null where no day is named, and for a piece or batch, whose day is told with what
   * is away; absent where it is about none.
   */
  thingDue?: Day | null;
  correctsId: string | null;
  /** Ids of the photographs that came with it. */
  media: readonly string[];
  /** Only on corrections: what the corrected entry says now, or `withdrawn` when it should never have been. */
  now: Corrected | 'withdrawn' | null;
}

/** What a corrected entry says instead. */
export interface Corrected {
  kind: Exclude<Kind, 'correction'>;
  text: string;
  facts: Facts;
  audience: Audience;
}

/** An entry as it holds after corrections. */
export interface EffectiveEntry extends Entry {
  /** The correction that holds, if any. */
  correction: { id: string; seq: number; at: string } | null;
  /** What was first written, when it was corrected. */
  original: { kind: Kind; text: string } | null;
  withdrawn: boolean;
}

/**
 * Entries with their corrections applied, in the order given; corrections themselves are left out.
 * Of several corrections of one entry the one kept last (highest seq) holds.
 */
export function effectiveEntries(entries: readonly Entry[]): EffectiveEntry[] {
  const latest = new Map<string, Entry>();
  for (const e of entries) {
    if (e.kind !== 'correction' || e.correctsId === null) continue;
    const known = latest.get(e.correctsId);
    if (!known || known.seq < e.seq) latest.set(e.correctsId, e);
  }
  return entries
    .filter((e) => e.kind !== 'correction')
    .map((e) => withCorrection(e, latest.get(e.id) ?? null));
}

/** One entry with the correction that holds for it (or none). */
function withCorrection(entry: Entry, by: Entry | null): EffectiveEntry {
  const bare = { ...entry, correction: null, original: null, withdrawn: false };
  if (!by) return bare;
  const correction = { id: by.id, seq: by.seq, at: by.at };
  const original = { kind: entry.kind, text: entry.text };
  if (by.now === null || by.now === 'withdrawn') return { ...bare, correction, original, withdrawn: true };
  return { ...bare, ...by.now, correction, original };
}

/** What has been worked on a build, and what is expected. Money in minor units; what is spent is in `core/costs`. */
export interface Totals {
  workedMinutes: number;
  /** Money and time in findings and questions that nobody has agreed yet. */
  estimateMinor: number;
  estimateMinutes: number;
  byKind: Partial<Record<Kind, { count: number; moneyMinor: number; minutes: number }>>;
}

/** Figures of one kind, as a sum over entries or as the database adds them up. */
export interface KindSum {
  kind: Kind;
  count: number;
  moneyMinor: number;
  minutes: number;
}

/** Adds up sums by kind into the build's totals, each kind counting as the registry says. */
export function totalsOf(sums: Iterable<KindSum>): Totals {
  const totals: Totals = {
    workedMinutes: 0,
    estimateMinor: 0,
    estimateMinutes: 0,
    byKind: {},
  };
  for (const { kind, count, moneyMinor, minutes } of sums) {
    const spec = KIND_SPECS[kind];
    if (spec.money === 'estimate') totals.estimateMinor += moneyMinor;
    if (spec.minutes === 'worked') totals.workedMinutes += minutes;
    if (spec.minutes === 'estimate') totals.estimateMinutes += minutes;
    const row = (totals.byKind[kind] ??= { count: 0, moneyMinor: 0, minutes: 0 });
    row.count += count;
    row.moneyMinor += moneyMinor;
    row.minutes += minutes;
  }
  return totals;
}
