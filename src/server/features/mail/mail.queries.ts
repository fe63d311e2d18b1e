import type { MailServerDto } from '#contract/mail.ts';
import type { Tx } from '../../db/pool.ts';

/** Keeps it if it is still at this version, 0 being none; answers whether it was. */
export const saveServer = async (
  tx: Tx,
  s: Omit<MailServerDto, 'password'> & { password: Buffer | null },
): Promise<boolean> =>
  (await tx.run(
    `insert into mail_settings (shop_id, host, port, secure, user_name, password, from_address)
     values (:shopId, :host, :port, :secure, :userName, :password, :fromAddress)
     on conflict (shop_id) do update set host = :host, port = :port, secure = :secure, user_name = :userName,
       password = :password, from_address = :fromAddress, version = mail_settings.version + 1
     where mail_settings.version = :version`,
    s,
  )) === 1;

export const dropServer = (tx: Tx): Promise<number> =>
  tx.run('delete from mail_settings where shop_id = :shopId');

export const personMail = (tx: Tx, id: string): Promise<{ name: string; email: string } | undefined> =>
  tx.one('select name, email from people where shop_id = :shopId and id = :id', { id });
