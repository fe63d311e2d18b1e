import type { LetterRow, LetterView } from '#contract/letters.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import type { Letter } from '#core/update/letter.ts';
import type { Tx } from '../../db/pool.ts';

export interface LetterRecord {
  id: string;
  build_id: string;
  state: 'draft' | 'sent';
  content: Letter;
  pictures: ShownPicture[];
  up_to: number;
  version: number;
  drafted_at: string;
  sent_at: string | null;
  mail: LetterView['mail'];
  mail_note: string | null;
}

interface LetterDetail extends LetterRecord {
  number: string;
  nickname: string;
  vehicle: string;
  customer_name: string;
  customer_email: string;
  /** Where a word goes by text message; empty: nowhere. */
  text_to: string;
  newer: number;
}

export const letterDetail = (tx: Tx, id: string): Promise<LetterDetail | undefined> =>
  tx.one(
    `select l.*, b.number, b.nickname, v.name as vehicle, c.name as customer_name, c.email as customer_email, c.text_to,
       (select count(*) from entries e where e.shop_id = l.shop_id and e.build_id = l.build_id and e.seq > l.up_to
          and e.kind <> 'told') as newer
     from letters l
     join builds b on b.shop_id = l.shop_id and b.id = l.build_id
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     where l.shop_id = :shopId and l.id = :id`,
    { id },
  );

export const toLetterView = (
  r: LetterDetail,
  { leaks, unsaid }: Pick<LetterView, 'leaks' | 'unsaid'> = { leaks: [], unsaid: [] },
): LetterView => ({
  id: r.id,
  buildId: r.build_id,
  state: r.state,
  content: r.content,
  pictures: r.pictures,
  version: r.version,
  draftedAt: r.drafted_at,
  sentAt: r.sent_at,
  mail: r.mail,
  mailNote: r.mail_note,
  build: { number: r.number, nickname: r.nickname, vehicle: r.vehicle },
  customer: { name: r.customer_name, email: r.customer_email },
  stale: r.state === 'draft' && r.newer > 0,
  leaks,
  unsaid,
});

export const letterForUpdate = (tx: Tx, id: string): Promise<LetterRecord | undefined> =>
  tx.one('select * from letters where shop_id = :shopId and id = :id for update', { id });

export const openDraft = (tx: Tx, buildId: string): Promise<{ id: string } | undefined> =>
  tx.one(`select id from letters where shop_id = :shopId and build_id = :buildId and state = 'draft'`, {
    buildId,
  });

export const insertDraft = (
  tx: Tx,
  l: { id: string; buildId: string; content: Letter; upTo: number; now: string },
): Promise<number> =>
  tx.run(
    `insert into letters (shop_id, id, build_id, state, content, up_to, drafted_at)
     values (:shopId, :id, :buildId, 'draft', :content::jsonb, :upTo, :now)`,
    { ...l, content: JSON.stringify(l.content) },
  );

export const saveContent = (tx: Tx, l: { id: string; content: Letter; upTo: number }): Promise<number> =>
  tx.run(
    `update letters set content = :content::jsonb, up_to = :upTo, version = version + 1
     where shop_id = :shopId and id = :id and state = 'draft'`,
    { ...l, content: JSON.stringify(l.content) },
  );

export async function markSent(
  tx: Tx,
  l: {
    id: string;
    buildId: string;
    upTo: number;
    now: string;
    by: string;
    content: Letter;
    promised: string | null;
    pictures: readonly ShownPicture[];
  },
): Promise<void> {
  await tx.run(
    `update letters set state = 'sent', sent_at = :now, sent_by = :by, mail = 'queued', version = version + 1,
       content = :content::jsonb, promised = :promised, pictures = :pictures::jsonb
     where shop_id = :shopId and id = :id`,
    {
      id: l.id,
      now: l.now,
      by: l.by,
      content: JSON.stringify(l.content),
      promised: l.promised,
      pictures: JSON.stringify(l.pictures),
    },
  );
  await tx.run('update builds set told_up_to = :upTo where shop_id = :shopId and id = :buildId', {
    upTo: l.upTo,
    buildId: l.buildId,
  });
}

export const noteMail = (
  tx: Tx,
  l: { id: string; mail: NonNullable<LetterView['mail']>; note: string | null },
): Promise<number> =>
  tx.run('update letters set mail = :mail, mail_note = :note where shop_id = :shopId and id = :id', l);

/** A letter that came back; answers its heading, or null where this build sent none of this id, or it is known already. */
export const markReturned = async (
  tx: Tx,
  l: { id: string; buildId: string; why: string },
): Promise<string | null> =>
  (
    await tx.one<{ subject: string }>(
      `update letters set mail = 'returned', mail_note = :why
       where shop_id = :shopId and build_id = :buildId and id = :id and state = 'sent' and mail <> 'returned'
       returning content ->> 'subject' as subject`,
      l,
    )
  )?.subject ?? null;

export const lettersOf = async (tx: Tx, buildId: string): Promise<LetterRow[]> =>
  tx.rows<LetterRow>(
    `select id, state, content ->> 'subject' as subject, coalesce(sent_at, drafted_at) as at from letters
     where shop_id = :shopId and build_id = :buildId order by coalesce(sent_at, drafted_at) desc`,
    { buildId },
  );
