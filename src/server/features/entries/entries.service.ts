/** Logging: an entry and what it changes, kept together or not at all. */
import { v7 as uuidv7 } from 'uuid';
import { LONGEST_LINE } from '#contract/entries.ts';
import type {
  EntriesQueryDto,
  EntriesView,
  EntryAddDto,
  EntryCorrectDto,
  EntryView,
  SaidDto,
} from '#contract/entries.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import { canonical } from '#core/approval/canonical.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import { whyNotCorrect } from '#core/log/corrections.ts';
import type { Corrected } from '#core/log/entries.ts';
import { KIND_SPECS, whyNotFacts, type Audience, type Facts, type Kind } from '#core/log/kinds.ts';
import { whenOf } from '#core/time/zones.ts';
import type { ShopView } from '#contract/session.ts';
import { holdShop } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import type { BuildKey } from '../builds/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './entries.queries.ts';
import { seesPrices, withoutPrices } from './prices.ts';
import { refreshPlace, refreshStanding, whyNotMoved } from './standing.ts';

/** An entry as this person gets it; prices in its words are taken out when it is answered. */
function shown(row: q.NowRow, who: SignedIn): EntryView {
  const view = q.toView(row);
  if (seesPrices(who)) return view;
  const facts = { ...view.facts };
  delete facts.moneyMinor;
  return { ...view, facts };
}

/** Facts as kept: only those given, and only those that mean something for the kind. */
function keptFacts(said: SaidDto, prefix = 'facts'): Facts {
  const facts = Object.fromEntries(Object.entries(said.facts).filter(([, v]) => v !== undefined)) as Facts;
  const faults = whyNotFacts(said.kind, facts);
  if (faults.length > 0) {
    const fields = faults.map((f) => ({ field: `${prefix}.${f.field}`, reason: f.reason }));
    throw new Refusal('invalid', `${fields[0]!.reason}. Nothing was kept.`, { fields });
  }
  return facts;
}

const saidOf = (said: SaidDto, prefix?: string): Corrected => ({
  kind: said.kind,
  text: said.text.trim(),
  facts: keptFacts(said, prefix),
  audience: said.audience,
});

/** PostgreSQL keeps jsonb keys in an order of its own. */
const sameSaid = (row: q.EntryRow, e: q.NewEntry): boolean => {
  const key = (x: q.NewEntry): string =>
    canonical([x.build_id, x.kind, x.text, x.facts, x.audience, x.corrects_id, x.now]);
  return key({ ...row, recorded_at: '' }) === key(e);
};

/**
 * Keeps one entry with what follows from it. The same id again is the same entry; the same id with other words is
 * refused.
 */
async function keep(tx: Tx, build: BuildKey, shop: ShopView, e: q.NewEntry): Promise<{ fresh: boolean }> {
  const moves = e.kind === 'moved' || e.kind === 'correction';
  if (moves) await holdShop(tx);
  if (!(await q.insertEntry(tx, e))) {
    const known = await q.entryById(tx, e.id);
    if (!known) throw notFound('build');
    if (!sameSaid(known, e)) throw new Refusal('conflict', 'Another entry was kept under this id already.');
    return { fresh: false };
  }
  const vendor = e.facts.vendor;
  if (vendor && /^\p{Lu}/u.test(vendor)) await q.saveVendor(tx, uuidv7(), vendor);
  await refreshStanding(tx, build.id, shop.timeZone, e.at);
  if (moves) await refreshPlace(tx, build.id, build.nickname);
  return { fresh: true };
}

/** What a service says in the logbook of something that it has just changed. */
export interface Said {
  /** A new one when absent; given where the client made it, so that twice is once. */
  id?: string;
  kind: LoggedKind;
  text: string;
  facts?: Facts;
  /** As usual for the kind when absent. */
  audience?: Audience;
  /** Null for the customer, who is no person of the shop. */
  personId: string | null;
  /** Now when absent. */
  at?: string;
  /** The thing it is about. */
  about?: { type: string; id: string };
  /** What was done to it, so that it can be taken back with the entry. */
  acts?: DoneAct[];
}

const entryOf = (build: BuildKey, said: Said, now: string): q.NewEntry => ({
  id: said.id ?? uuidv7(),
  build_id: build.id,
  at: said.at ?? now,
  recorded_at: now,
  person_id: said.personId,
  kind: said.kind,
  text: said.text.slice(0, LONGEST_LINE),
  facts: said.facts ?? {},
  audience: said.audience ?? KIND_SPECS[said.kind].audience,
  about_type: said.about?.type ?? null,
  about_id: said.about?.id ?? null,
  corrects_id: null,
  now: null,
  acts: said.acts ?? null,
});

/** Says in the logbook what a service has changed, inside its transaction; the caller holds the build. */
export async function logIn(tx: Tx, deps: Deps, build: BuildKey, said: Said): Promise<void> {
  await keep(tx, build, await shopOf(tx), entryOf(build, said, deps.clock.now()));
}

/** A whole logbook from elsewhere, in its order, for a build that has none yet. */
export async function logAll(tx: Tx, deps: Deps, build: BuildKey, all: readonly Said[]): Promise<void> {
  for (const said of all) await q.insertEntry(tx, entryOf(build, said, deps.clock.now()));
  await refreshStanding(tx, build.id, (await shopOf(tx)).timeZone, deps.clock.now());
}

/** The instant so many milliseconds ago. */
export const agoOf = (now: string, agoMs = 0): string => new Date(Date.parse(now) - agoMs).toISOString();

/** When what a line says happened: the day it names, or the moment it was written, which may be a while ago. */
export const whenIn = async (tx: Tx, deps: Deps, { facts, agoMs }: EntryAddDto): Promise<string> =>
  whenOf(facts.on, agoOf(deps.clock.now(), agoMs), (await shopOf(tx)).timeZone);

/** What an entry did, and to which thing. */
export interface Done {
  about: { type: string; id: string } | null;
  /** Null where nobody was shown what the line would do. */
  acts: DoneAct[] | null;
}
const NOTHING_DONE: Done = { about: null, acts: null };

/** Keeps an entry inside a transaction that does more; the caller holds the build. */
export async function addIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  dto: EntryAddDto,
  done: Done = NOTHING_DONE,
  prefix?: string,
): Promise<ShopView> {
  const said = saidOf(dto, prefix);
  const now = deps.clock.now();
  const shop = await shopOf(tx);
  const written = agoOf(now, dto.agoMs);
  const at = said.kind === 'waiting' ? written : whenOf(said.facts.on, written, shop.timeZone);
  await keep(tx, build, shop, {
    ...said,
    id: dto.id,
    build_id: build.id,
    at,
    recorded_at: now,
    person_id: who.personId,
    about_type: done.about?.type ?? null,
    about_id: done.about?.id ?? null,
    corrects_id: null,
    now: null,
    acts: done.acts,
  });
  return shop;
}

/** Two cars do not stand on one lift. Of a move in the past it is not asked: it has been. */
async function refuseMove(tx: Tx, build: BuildKey, { facts }: EntryAddDto): Promise<void> {
  if (facts.on !== undefined) return;
  await holdShop(tx);
  const refused = await whyNotMoved(tx, build, facts);
  if (refused !== null)
    throw new Refusal(
      'conflict',
      `${refused.charAt(0).toUpperCase()}${refused.slice(1)}. Nothing was moved.`,
    );
}

/** Keeps a line; the whole car does not move to where another stands. */
export async function addLineIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  dto: EntryAddDto,
  done: Done,
  prefix?: string,
): Promise<void> {
  if (dto.kind === 'moved' && !(await q.entryById(tx, dto.id))) await refuseMove(tx, build, dto);
  await addIn(tx, deps, who, build, dto, done, prefix);
}

/** An entry as it holds now, as this person gets it. */
export const entryShown = async (tx: Tx, who: SignedIn, id: string): Promise<EntryView> =>
  shown((await q.entryNow(tx, id))!, who);

/** What an entry says once it is put right, or that it should never have been. */
export function holdsAfter(dto: EntryCorrectDto): Corrected | 'withdrawn' {
  if ((dto.now === undefined) === (dto.withdraw !== true))
    throw new Refusal('invalid', 'Say what holds now, or withdraw the entry.', {
      fields: [{ field: 'now', reason: 'say what holds now, or withdraw the entry' }],
    });
  return dto.now ? saidOf(dto.now, 'now.facts') : 'withdrawn';
}

/** The entry that is to be corrected, and how it holds so far; refused where it is not of this build, or stays as it is. */
export async function correctable(
  tx: Tx,
  who: SignedIn,
  buildId: string,
  entryId: string,
): Promise<{ row: q.EntryRow; before: q.NowRow }> {
  const row = await q.entryById(tx, entryId);
  if (row?.build_id !== buildId) throw notFound('entry');
  const before = await q.entryNow(tx, entryId);
  const hasMoney = row.facts.moneyMinor !== undefined || before?.facts.moneyMinor !== undefined;
  const refused = whyNotCorrect({ kind: row.kind, aboutType: row.about_type, hasMoney }, seesPrices(who));
  if (refused) throw new Refusal('forbidden', refused);
  return { row, before: before! };
}

/** Keeps a correction of an entry; the first words stay in the logbook. */
export async function correctIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  { id, correctsId }: Pick<EntryCorrectDto, 'id' | 'correctsId'>,
  holds: Corrected | 'withdrawn',
): Promise<void> {
  const now = deps.clock.now();
  await keep(tx, build, await shopOf(tx), {
    id,
    build_id: build.id,
    at: now,
    recorded_at: now,
    person_id: who.personId,
    kind: 'correction',
    text: holds === 'withdrawn' ? 'Withdrawn' : holds.text,
    facts: {},
    audience: 'shop',
    about_type: 'entry',
    about_id: correctsId,
    corrects_id: correctsId,
    now: holds,
    acts: null,
  });
}

const PAGE = 200;

/** Whether what a person may see of an entry holds what they look for. */
const isFoundIn = ({ text, corrected, person }: EntryView, search: string): boolean =>
  [text, corrected?.first ?? '', person ?? ''].some((part) =>
    part.toLowerCase().includes(search.toLowerCase()),
  );

export async function listEntries(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  query: EntriesQueryDto,
): Promise<EntriesView> {
  const limit = query.limit ?? PAGE;
  const [at = '', seq = ''] = query.before?.split('_') ?? [];
  const page: q.LogbookPage = {
    buildId,
    kinds: (query.kinds?.split(',') ?? []) as Kind[],
    q: query.q?.trim() ?? '',
    before: query.before ? { at, seq: Number(seq) } : null,
    limit,
  };
  return inShop(deps.db, who.shopId, async (tx) => {
    const rows = await q.logbookPage(tx, page);
    const last = rows.length === limit ? rows.at(-1) : undefined;
    const older = last ? `${last.at}_${last.seq}` : null;
    const all = rows.map((r) => shown(r, who));
    if (seesPrices(who)) return { entries: all, older };
    // What was found by a price that is hidden is not shown: a search would tell the price digit by digit.
    const seen = await withoutPrices(tx, deps, all);
    return { entries: seen.filter((e) => page.q === '' || isFoundIn(e, page.q)), older };
  });
}
