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
  SaidManyDto,
} from '#contract/entries.ts';
import { canonical } from '#core/approval/canonical.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import { whyNotCorrect } from '#core/log/corrections.ts';
import type { Corrected } from '#core/log/entries.ts';
import { KIND_SPECS, whyNotFacts, type Audience, type Facts, type Kind } from '#core/log/kinds.ts';
import { whenOf } from '#core/time/zones.ts';
import type { ShopView } from '#contract/session.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, sayNext, type BuildKey } from '../builds/index.ts';
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
 * refused. The shop's counter is held from here to the end of the transaction.
 */
async function keep(tx: Tx, build: BuildKey, shop: ShopView, e: q.NewEntry): Promise<{ fresh: boolean }> {
  await q.lockCounter(tx);
  const known = await q.entryById(tx, e.id);
  if (known) {
    if (!sameSaid(known, e)) throw new Refusal('conflict', 'Another entry was kept under this id already.');
    return { fresh: false };
  }
  await q.insertEntry(tx, e);
  const vendor = e.facts.vendor;
  if (vendor && /^\p{Lu}/u.test(vendor)) await q.saveVendor(tx, uuidv7(), vendor);
  await refreshStanding(tx, build.id, shop.timeZone);
  if (e.kind === 'moved' || e.kind === 'correction') await refreshPlace(tx, build.id, build.nickname);
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
});

/** Says in the logbook what a service has changed, inside its transaction; the caller holds the build. */
export async function logIn(tx: Tx, deps: Deps, build: BuildKey, said: Said): Promise<void> {
  await keep(tx, build, await shopOf(tx), entryOf(build, said, deps.clock.now()));
}

/** A whole logbook from elsewhere, in its order, for a build that has none yet. */
export async function logAll(tx: Tx, deps: Deps, build: BuildKey, all: readonly Said[]): Promise<void> {
  await q.lockCounter(tx);
  for (const said of all) await q.insertEntry(tx, entryOf(build, said, deps.clock.now()));
  await refreshStanding(tx, build.id, (await shopOf(tx)).timeZone);
}

/** The instant so many milliseconds ago. */
export const agoOf = (now: string, agoMs = 0): string => new Date(Date.parse(now) - agoMs).toISOString();

/** Keeps an entry inside a transaction that does more; the caller holds the build. */
export async function addIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  dto: EntryAddDto,
  prefix?: string,
): Promise<ShopView> {
  if (dto.endsId !== undefined && dto.kind !== 'resumed' && dto.kind !== 'arrived')
    throw invalidAt('endsId', 'only what goes on again, or arrived, ends a wait');
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
    about_type: dto.endsId === undefined ? null : 'entry',
    about_id: dto.endsId ?? null,
    corrects_id: null,
    now: null,
  });
  return shop;
}

/** Two cars do not stand on one lift. Of a move in the past it is not asked: it has been. */
async function refuseMove(tx: Tx, build: BuildKey, { facts }: EntryAddDto): Promise<void> {
  if (facts.on !== undefined) return;
  await q.lockCounter(tx);
  const refused = await whyNotMoved(tx, build, facts);
  if (refused !== null)
    throw new Refusal(
      'conflict',
      `${refused.charAt(0).toUpperCase()}${refused.slice(1)}. Nothing was moved.`,
    );
}

async function addOne(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  dto: EntryAddDto,
  prefix?: string,
): Promise<ShopView> {
  if (dto.kind === 'moved' && !(await q.entryById(tx, dto.id))) await refuseMove(tx, build, dto);
  return addIn(tx, deps, who, build, dto, prefix);
}

/**
 * Keeps a run of speech about several cars: all of it, or none. What is next for a car is what was said last, whatever stood there.
 * Builds are held in the order of their ids, so that two runs at once do not wait for each other.
 */
export async function keepSaid(
  deps: Deps,
  who: SignedIn,
  { lines, nexts, agoMs }: SaidManyDto,
): Promise<{ kept: number }> {
  if (nexts.length > 0 && !seesPrices(who))
    throw new Refusal('forbidden', 'What is next for a car is for the desk to say. Nothing was kept.');
  return inShop(deps.db, who.shopId, async (tx) => {
    const builds = new Map<string, BuildKey>();
    for (const id of [...new Set([...lines, ...nexts].map((x) => x.buildId))].sort()) {
      const build = await buildForUpdate(tx, id);
      if (!build) throw notFound('build');
      builds.set(id, build);
    }
    for (const [i, { buildId, ...line }] of lines.entries())
      await addOne(
        tx,
        deps,
        who,
        builds.get(buildId)!,
        { ...line, ...(agoMs !== undefined && { agoMs }) },
        `lines.${i}.facts`,
      );
    for (const { buildId, next } of nexts) await sayNext(tx, buildId, next.trim());
    return { kept: lines.length + nexts.length };
  });
}

export async function addEntry(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: EntryAddDto,
): Promise<EntryView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await addOne(tx, deps, who, build, dto);
    return shown((await q.entryNow(tx, dto.id))!, who);
  });
}

/** Corrects an entry, or withdraws it. The first words stay in the logbook. Answers the entry as it holds now. */
export async function correctEntry(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: EntryCorrectDto,
): Promise<EntryView> {
  if ((dto.now === undefined) === (dto.withdraw !== true))
    throw new Refusal('invalid', 'Say what holds now, or withdraw the entry.', {
      fields: [{ field: 'now', reason: 'say what holds now, or withdraw the entry' }],
    });
  const holds: Corrected | 'withdrawn' = dto.now ? saidOf(dto.now, 'now.facts') : 'withdrawn';
  const now = deps.clock.now();
  return inShop(deps.db, who.shopId, async (tx) => {
    const shop = await shopOf(tx);
    const build = await buildForUpdate(tx, buildId);
    const row = build ? await q.entryById(tx, dto.correctsId) : undefined;
    if (!build || !row || row.build_id !== buildId) throw notFound('entry');
    const before = await q.entryNow(tx, dto.correctsId);
    const hasMoney = row.facts.moneyMinor !== undefined || before?.facts.moneyMinor !== undefined;
    const refused = whyNotCorrect({ kind: row.kind, aboutType: row.about_type, hasMoney }, seesPrices(who));
    if (refused) throw new Refusal('forbidden', refused);
    await keep(tx, build, shop, {
      id: dto.id,
      build_id: buildId,
      at: now,
      recorded_at: now,
      person_id: who.personId,
      kind: 'correction',
      text: holds === 'withdrawn' ? 'Withdrawn' : holds.text,
      facts: {},
      audience: 'shop',
      about_type: 'entry',
      about_id: dto.correctsId,
      corrects_id: dto.correctsId,
      now: holds,
    });
    return shown((await q.entryNow(tx, dto.correctsId))!, who);
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
