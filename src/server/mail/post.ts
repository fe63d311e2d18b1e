/** Mail on its way out: through the shop's own server where it has one, else where the installation says, which may be the stand-in. */
import nodemailer, { type Transporter } from 'nodemailer';
import { inShop, type Tx } from '../db/pool.ts';
import type { Deps } from '../deps.ts';
import { answerAddress, STAND_IN_FROM } from './address.ts';
import { SHOP_HEADER } from './outbox.ts';
import { unseal } from './seal.ts';

export interface MailServer {
  host: string;
  port: number;
  secure: 'tls' | 'starttls' | 'none';
  user_name: string;
  password: Buffer | null;
  from_address: string;
  version: number;
}

export const mailServerOf = (tx: Tx): Promise<MailServer | undefined> =>
  tx.one(
    'select host, port, secure, user_name, password, from_address, version from mail_settings where shop_id = :shopId',
  );

export interface Mail {
  /** Of the message; the same mail sent twice has the same. */
  id: string;
  from: string;
  to: { name: string; address: string };
  subject: string;
  date?: string | undefined;
  text: string;
  html?: string;
  /** The link that answers to it belong to. */
  linkId?: string;
}

const PATIENCE = { connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 20_000 };

/** A connection to a shop's own server. `starttls` is insisted upon: nothing goes in the clear that was meant not to. */
const transportTo = (secret: string, s: MailServer): Transporter =>
  nodemailer.createTransport({
    host: s.host,
    port: s.port,
    secure: s.secure === 'tls',
    requireTLS: s.secure === 'starttls',
    ignoreTLS: s.secure === 'none',
    ...(s.user_name === ''
      ? {}
      : { auth: { user: s.user_name, pass: s.password === null ? '' : unseal(secret, s.password) } }),
    ...PATIENCE,
  });

/** Whether the server said that it will never take this mail (RFC 5321: codes from 500 on). */
export const isForGood = (error: unknown): boolean => {
  const code = (error as { responseCode?: number } | null)?.responseCode ?? 0;
  return code >= 500;
};

export interface Post {
  send(shopId: string, mail: Mail): Promise<void>;
  close(): void;
}

export function openPost(deps: Deps): Post {
  const usual = nodemailer.createTransport({ url: deps.smtpUrl, ...PATIENCE });
  return {
    close: () => usual.close(),
    send: async (shopId, { id, from, to, linkId, ...mail }) => {
      const own = await inShop(deps.db, shopId, mailServerOf);
      const transport = own ? transportTo(deps.secret, own) : usual;
      // Only the stand-in hands answers on; a real server puts them into the shop's own mail.
      const answers =
        !own && deps.outbox !== null && linkId !== undefined ? answerAddress(deps, linkId) : null;
      try {
        await transport.sendMail({
          ...mail,
          from: { name: from, address: own?.from_address ?? STAND_IN_FROM },
          to,
          messageId: `<${id}@avrik.invalid>`,
          headers: { [SHOP_HEADER]: shopId },
          ...(answers === null ? {} : { replyTo: answers, envelope: { from: answers, to: to.address } }),
        });
      } finally {
        if (own) transport.close();
      }
    },
  };
}
