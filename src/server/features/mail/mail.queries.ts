import type { MailServerDto } from '#contract/mail.ts';
import type { Tx } from '../../db/pool.ts';

/** Keeps it if it is still at this version, 0 being none; answers whether it was. */
export const saveServer = async (
  tx: Tx,
  s: Omit<MailServerDto, 'password'> & { password: Buffer | null; fromName: string },
): Promise<boolean> =>
  (await tx.run(
    `insert into mail_settings (shop_id, host, port, secure, user_name, password, from_address, from_name)
     values (:shopId, :host, :port, :secure, :userName, :password, :fromAddress, :fromName)
     on conflict (shop_id) do update set host = :host, port = :port, secure = :secure, user_name = :userName,
       password = :password, from_address = :fromAddress, from_name = :fromName, version = mail_settings.version + 1
     where mail_settings.version = :version`,
    s,
  )) === 1;

export const dropServer = (tx: Tx): Promise<number> =>
  tx.run('delete from mail_settings where shop_id = :shopId');

/** A change of how mail goes makes what was tried before worth nothing. */
export const noteTried = (tx: Tx, at: string | null): Promise<number> =>
  tx.run('update shops set mail_tried_at = :at where id = :shopId', { at });

export const triedAt = async (tx: Tx): Promise<string | null> =>
  (await tx.one<{ at: string | null }>('select mail_tried_at as at from shops where id = :shopId'))?.at ??
  null;

export const noteLetter = (tx: Tx, id: string, mail: 'queued' | 'accepted'): Promise<number> =>
  tx.run('update letters set mail = :mail, mail_note = null where shop_id = :shopId and id = :id', {
    id,
    mail,
  });

export const personMail = (tx: Tx, id: string): Promise<{ name: string; email: string } | undefined> =>
  tx.one('select name, email from people where shop_id = :shopId and id = :id', { id });
