/** Routes of mail. */
import type { MailServerDto, MailServerView, MailTried, OutboxAnswerDto, OutboxView } from './mail.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

export const mailRoutes = {
  mailServerRead: get('/api/shop/mail-server', ['owner']).answers<MailServerView>(),
  mailServerPut: put('/api/shop/mail-server', ['owner']).takes<MailServerDto>().answers<MailServerView>(),
  mailServerDrop: del('/api/shop/mail-server', ['owner']).answers<MailServerView>(),
  mailServerTry: post('/api/shop/mail-server/try', ['owner']).answers<MailTried>(),
  /** Sends a mail once more of which nobody knows whether it went. */
  mailAgain: post('/api/mails/:mail/again', ['owner']).answers<MailServerView>(),
  /** Says that such a mail arrived. */
  mailArrived: post('/api/mails/:mail/arrived', ['owner']).answers<MailServerView>(),
  outboxAnswer: post('/api/outbox/:mail/answer', DESK).takes<OutboxAnswerDto>().answers<{ sent: true }>(),
  outboxReturn: post('/api/outbox/:mail/return', DESK).answers<{ sent: true }>(),
  outboxList: get('/api/outbox', DESK).answers<OutboxView>(),
} as const;
