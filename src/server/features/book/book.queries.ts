import type { BookState, BookView } from '#contract/book.ts';
import type { Book, BookPicture } from '#core/book/book.ts';
import type { LeftOut } from '#core/book/leaks.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import type { Facts } from '#core/log/kinds.ts';
import type { Tx } from '../../db/pool.ts';

export interface BookRow {
  id: string;
  origin: 'bound' | 'read';
  build_id: string | null;
  with_costs: boolean;
  /** Texts that were said to be meant. */
  meant: string[];
  state: BookState;
  done: number;
  of: number;
  why: string;
  content: Book | null;
  left_out: LeftOut[];
  pages: number | null;
  pdf_hash: string | null;
  pdf_bytes: number | null;
  zip_hash: string | null;
  zip_bytes: number | null;
  given_at: string | null;
  asked_by: string;
  asked_at: string;
  made_at: string | null;
}

export const toBook = (r: Omit<BookRow, 'content'>): BookView => ({
  id: r.id,
  origin: r.origin,
  buildId: r.build_id,
  withCosts: r.with_costs,
  state: r.state,
  done: r.done,
  of: r.of,
  why: r.why,
  leftOut: r.left_out,
  meant: r.meant,
  pages: r.pages,
  pdfBytes: r.pdf_bytes,
  zipBytes: r.zip_bytes,
  givenAt: r.given_at,
  askedAt: r.asked_at,
  madeAt: r.made_at,
});

/** All but the content, which is large; of that only which car it is. */
export type LightRow = Omit<BookRow, 'content'> & { vehicle: string | null };
const LIGHT = `id, content #>> '{vehicle,name}' as vehicle, origin, build_id, with_costs, meant, state, done, of, why, left_out, pages, pdf_hash, pdf_bytes, zip_hash,
  zip_bytes, given_at, asked_by, asked_at, made_at`;

export const bookById = (tx: Tx, id: string): Promise<LightRow | undefined> =>
  tx.one(`select ${LIGHT} from books where shop_id = :shopId and id = :id`, { id });

export const bookWhole = (tx: Tx, id: string): Promise<BookRow | undefined> =>
  tx.one('select * from books where shop_id = :shopId and id = :id', { id });

export const booksOf = (tx: Tx, buildId: string): Promise<LightRow[]> =>
  tx.rows(
    `select ${LIGHT} from books where shop_id = :shopId and build_id = :buildId order by asked_at desc, id desc`,
    { buildId },
  );

/** The newest book that the customer was given. */
export const bookGiven = (tx: Tx, buildId: string): Promise<LightRow | undefined> =>
  tx.one(
    `select ${LIGHT} from books where shop_id = :shopId and build_id = :buildId and given_at is not null
     order by asked_at desc, id desc limit 1`,
    { buildId },
  );

export const insertBook = (
  tx: Tx,
  b: {
    id: string;
    origin: BookRow['origin'];
    buildId: string | null;
    withCosts: boolean;
    meant: readonly string[];
    zip: string | null;
    by: string;
    now: string;
  },
): Promise<number> =>
  tx.run(
    `insert into books (shop_id, id, origin, build_id, with_costs, meant, state, zip_hash, asked_by, asked_at)
     values (:shopId, :id, :origin, :buildId, :withCosts, :meant::jsonb, 'waiting', :zip, :by, :now)`,
    { ...b, meant: JSON.stringify(b.meant) },
  );

export const saveContent = (
  tx: Tx,
  b: { id: string; content: Book; leftOut: readonly LeftOut[]; of: number },
): Promise<number> =>
  tx.run(
    `update books set state = 'making', done = 0, of = :of, why = '', content = :content::jsonb,
       left_out = :leftOut::jsonb where shop_id = :shopId and id = :id`,
    { id: b.id, of: b.of, content: JSON.stringify(b.content), leftOut: JSON.stringify(b.leftOut) },
  );

export const saveProgress = (tx: Tx, b: { id: string; done: number; of: number }): Promise<number> =>
  tx.run(`update books set state = 'making', done = :done, of = :of where shop_id = :shopId and id = :id`, b);

/** Answers how many it made: none where another try was quicker. */
export const saveMade = (
  tx: Tx,
  b: {
    id: string;
    buildId: string;
    now: string;
    pages: number;
    pdf: { hash: string; bytes: number };
    zip: { hash: string; bytes: number };
  },
): Promise<number> =>
  tx.run(
    `update books set state = 'ready', done = of, build_id = :buildId, made_at = :now, pages = :pages,
       pdf_hash = :pdfHash, pdf_bytes = :pdfBytes, zip_hash = :zipHash, zip_bytes = :zipBytes
     where shop_id = :shopId and id = :id and state <> 'ready'`,
    {
      id: b.id,
      buildId: b.buildId,
      now: b.now,
      pages: b.pages,
      pdfHash: b.pdf.hash,
      pdfBytes: b.pdf.bytes,
      zipHash: b.zip.hash,
      zipBytes: b.zip.bytes,
    },
  );

export const saveFailed = (tx: Tx, id: string, why: string): Promise<number> =>
  tx.run(`update books set state = 'failed', why = :why where shop_id = :shopId and id = :id`, { id, why });

export const saveGiven = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run(
    `update books set given_at = :now where shop_id = :shopId and id = :id and given_at is null and state = 'ready'`,
    { id, now },
  );

/** A picture with the row that it is here: both go when the pictures are named. */
export interface PictureRow extends BookPicture {
  id?: string;
  beforeId?: string | null;
}

interface ToldRow {
  at: string;
  kind: LoggedKind;
  text: string;
  facts: Facts;
  pictures: PictureRow[] | null;
}

/** The logbook as the customer may read it, oldest first, with its photographs as they are shown. */
export const toldLogbook = (tx: Tx, buildId: string): Promise<ToldRow[]> =>
  tx.rows(
    `select e.at, e.kind, e.text, e.facts - 'person' as facts, (
       select json_agg(json_build_object('file', '', 'sha256', p.shown_hash, 'width', p.width, 'height', p.height,
           'caption', p.caption, 'id', p.id, 'beforeId', p.before_id, 'takenAt', to_char(p.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
         order by p.id)
       from photos p where p.shop_id = e.shop_id and p.entry_id = e.id and p.removed_at is null) as pictures
     from entries_now e where e.shop_id = :shopId and e.build_id = :buildId and e.audience = 'customer'
       and not e.withdrawn order by e.at, e.seq`,
    { buildId },
  );

export const fittedParts = (
  tx: Tx,
  buildId: string,
): Promise<{ content: Record<string, never>; fitted_on: string | null; old_fate: string | null }[]> =>
  tx.rows(
    `select content, old_fate, (
         select max(h ->> 'on') from jsonb_array_elements(history) h where h ->> 'act' = 'fit') as fitted_on
     from parts where shop_id = :shopId and build_id = :buildId and removed_at is null and state = 'fitted'
     order by made_at, id`,
    { buildId },
  );

/** Cautions of the work that was done, each once. */
export const cautionsOf = async (tx: Tx, buildId: string): Promise<string[]> =>
  (
    await tx.rows<{ caution: string }>(
      `select c.caution
       from tasks t, jsonb_array_elements_text(coalesce(t.content -> 'cautions', '[]')) with ordinality c (caution, n)
       where t.shop_id = :shopId and t.build_id = :buildId and t.state = 'done'
       group by c.caution order by min(t.position * 1000 + c.n)`,
      { buildId },
    )
  ).map((r) => r.caution);
