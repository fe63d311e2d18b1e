/** What a book is bound of, read in one transaction: what the customer may see, as it is now. */
import { UNSAID, type Fate } from '#core/parts/parts.ts';
import {
  BOOK_FORMAT,
  BOOK_VERSION,
  pictureFile,
  picturesOf,
  type Book,
  type BookPart,
} from '#core/book/book.ts';
import type { LeftOut } from '#core/book/leaks.ts';
import { dayOf } from '#core/time/days.ts';
import { CAUTIONS, isCaution } from '#core/work/cautions.ts';
import type { Register } from '#core/vehicle/registers.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { buildDetail } from '../builds/index.ts';
import { withoutPrices } from '../entries/index.ts';
import { guardOf, lettersMoney } from '../letters/index.ts';
import { shopOf } from '../session/index.ts';
import { vehicleView } from '../vehicle/index.ts';
import { followUpsOf } from '../work/index.ts';
import * as q from './book.queries.ts';

async function logbookOf(tx: Tx, deps: Deps, buildId: string, withCosts: boolean): Promise<Book['logbook']> {
  const rows = await q.toldLogbook(tx, buildId);
  const all = rows.map(({ at, kind, text, facts: { moneyMinor, ...facts }, pictures }) => ({
    at,
    kind,
    text,
    facts: { ...facts, ...(withCosts && moneyMinor !== undefined && { moneyMinor }) },
    pictures: pictures ?? [],
  }));
  return withCosts ? all : withoutPrices(tx, deps, all);
}

async function partsOf(tx: Tx, buildId: string): Promise<BookPart[]> {
  return (await q.fittedParts(tx, buildId)).map(({ content, fitted_on, old_fate }) => {
    const { what, number, quantity, catalogue, instead, source } = content as unknown as BookPart;
    return {
      what,
      number,
      quantity,
      catalogue,
      instead,
      source,
      fittedOn: fitted_on,
      old: old_fate === UNSAID ? null : (old_fate as Fate | null),
    };
  });
}

async function costsOf(tx: Tx, deps: Deps, buildId: string): Promise<Book['costs']> {
  const { money, lines } = await lettersMoney(tx, deps, buildId);
  if (money === null) return null;
  return {
    agreedMinor: money.approvedMinor,
    spentMinor: money.spentMinor,
    receivedMinor: money.account.reduce((sum, a) => sum + a.receivedMinor, 0),
    lines: lines.map((l) => ({ title: l.title, agreedMinor: l.approvedMinor, spentMinor: l.spentMinor })),
  };
}

/** The names of pictures in the archive, in the order of the logbook; one that is shown twice is there twice. */
function named(book: Book): Book {
  const pictures: q.PictureRow[] = picturesOf(book);
  const files = new Map(pictures.map((p, i) => [p.id, pictureFile(i + 1)]));
  const asNamed = (p: q.PictureRow) => {
    const before = p.beforeId ? files.get(p.beforeId) : undefined;
    const file = files.get(p.id)!;
    return { ...without(p, 'id', 'beforeId'), file, ...(before === undefined ? {} : { before }) };
  };
  return {
    ...book,
    logbook: book.logbook.map((e) => ({ ...e, pictures: e.pictures.map(asNamed) })),
  };
}

/** A row without what only this shop's database needs. */
function without<T extends object, K extends keyof T>(row: T, ...keys: K[]): Omit<T, K> {
  const rest = { ...row };
  for (const key of keys) delete rest[key];
  return rest;
}

/** The book of a build, without what is not for its customer, and what that was. */
export async function contentOf(
  tx: Tx,
  deps: Deps,
  buildId: string,
  { withCosts, meant }: { withCosts: boolean; meant: readonly string[] },
): Promise<{ book: Book; leftOut: LeftOut[] }> {
  const shop = await shopOf(tx);
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const now = deps.clock.now();
  const { identity, rows } = await vehicleView(tx, buildId);
  const register = <R extends Register>(r: R) => rows[r].map((row) => without(row, 'id', 'version'));
  const book: Book = {
    format: BOOK_FORMAT,
    version: BOOK_VERSION,
    boundAt: now,
    shop: {
      name: shop.name,
      currency: shop.currency,
      units: shop.units,
      locale: shop.locale,
      timeZone: shop.timeZone,
    },
    customer: { name: build.customer, email: build.customer_email },
    build: {
      number: build.number,
      nickname: build.nickname,
      standard: build.standard,
      complaint: build.complaint,
      arrivedAt: build.arrived_at,
    },
    vehicle: without(identity, 'version'),
    registers: {
      unit: register('unit'),
      belonging: register('belonging'),
      provenance: register('provenance'),
      requirement: register('requirement'),
    },
    logbook: await logbookOf(tx, deps, buildId, withCosts),
    parts: await partsOf(tx, buildId),
    costs: withCosts ? await costsOf(tx, deps, buildId) : null,
    cautions: (await q.cautionsOf(tx, buildId)).map((c) => (isCaution(c) ? CAUTIONS[c] : c)),
    followUps: (await followUpsOf(tx, buildId)).map((f) => ({
      title: f.title,
      dueOn: f.dueOn,
      dueMiles: f.dueMiles,
      doneOn: f.doneAt === null ? null : dayOf(f.doneAt, shop.timeZone),
    })),
  };
  const checked = await deps.compute.run('bookWithoutLeaks', book, await guardOf(tx, buildId), meant);
  return { book: named(checked.book), leftOut: checked.leftOut };
}
