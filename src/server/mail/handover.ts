/**
 * A mail on the border between here and a mail server. What crosses it is noted before and after, so that a process that dies
 * in between leaves a mail that was perhaps sent, and not one that is sent twice.
 */
import type { Tx } from '../db/pool.ts';

export type MailState = 'waiting' | 'handing over' | 'accepted' | 'failed' | 'perhaps';

/** The job that makes a mail. */
export interface MailJob {
  task: string;
  payload: object;
}

export interface Handover {
  id: string;
  messageId: string;
  to: { name: string; address: string };
  subject: string;
  job: MailJob | null;
}

export interface MailRow {
  id: string;
  to_name: string;
  to_address: string;
  subject: string;
  state: MailState;
  note: string | null;
  task: string | null;
  payload: object | null;
  begun_at: string;
}

const COLUMNS = 'id, to_name, to_address, subject, state, note, task, payload, begun_at';

export const mailForUpdate = (tx: Tx, id: string): Promise<MailRow | undefined> =>
  tx.one(`select ${COLUMNS} from mails where shop_id = :shopId and id = :id for update`, { id });

/**
 * Notes that a mail is about to be handed over. Answers 'begin' where it may be; else what became of it before: it was
 * accepted, or its hand-over was begun once and no answer was ever noted.
 */
export async function beginHandover(
  tx: Tx,
  h: Handover,
  now: string,
): Promise<'begin' | 'accepted' | 'perhaps'> {
  const before = await mailForUpdate(tx, h.id);
  if (before?.state === 'accepted' || before?.state === 'perhaps') return before.state;
  if (before?.state === 'handing over') {
    await noteHandover(tx, h.id, { state: 'perhaps', note: STOPPED }, now);
    return 'perhaps';
  }
  await writeMail(tx, h, { state: 'handing over', note: null }, now);
  return 'begin';
}

const STOPPED =
  'Avrik was stopped while the mail was being handed over, before the mail server had answered.';

export const writeMail = (
  tx: Tx,
  h: Handover,
  { state, note }: { state: MailState; note: string | null },
  now: string,
): Promise<number> =>
  tx.run(
    `insert into mails (shop_id, id, message_id, to_name, to_address, subject, state, note, task, payload, begun_at)
     values (:shopId, :id, :messageId, :name, :address, :subject, :state, :note, :task, :payload::jsonb, :now)
     on conflict (shop_id, id) do update set message_id = excluded.message_id, to_name = excluded.to_name,
       to_address = excluded.to_address, subject = excluded.subject, state = excluded.state, note = excluded.note,
       task = excluded.task, payload = excluded.payload, begun_at = excluded.begun_at, ended_at = null`,
    {
      ...{
        id: h.id,
        messageId: h.messageId,
        name: h.to.name,
        address: h.to.address,
        subject: h.subject,
        state,
        note,
      },
      ...{ task: h.job?.task ?? null, payload: h.job ? JSON.stringify(h.job.payload) : null, now },
    },
  );

export const noteHandover = (
  tx: Tx,
  id: string,
  { state, note }: { state: MailState; note: string | null },
  now: string,
): Promise<number> =>
  tx.run(
    'update mails set state = :state, note = :note, ended_at = :now where shop_id = :shopId and id = :id',
    {
      ...{ id, state, note, now },
    },
  );

/** What waits for a server, and what was perhaps sent; oldest first. */
export const openMails = (tx: Tx): Promise<MailRow[]> =>
  tx.rows(
    `select ${COLUMNS} from mails where shop_id = :shopId and state in ('waiting', 'perhaps') order by begun_at limit 500`,
  );
