/** Routes of mail. */
import type { MailServerDto, MailServerView, MailTried, OutboxAnswerDto, OutboxView } from './mail.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

const mailServerRead = get('/api/shop/mail-server', ['owner']).answers<MailServerView>().about('mail');

export const mailRoutes = {
  mailServerRead,
  mailServerPut: put('/api/shop/mail-server', ['owner'])
    .takes<MailServerDto>()
    .answersAs(mailServerRead)
    .about('mail'),
  mailServerDrop: del('/api/shop/mail-server', ['owner']).answersAs(mailServerRead).about('mail'),
  mailServerTry: post('/api/shop/mail-server/try', ['owner']).answers<MailTried>().about('mail'),
  /** Sends a mail once more of which nobody knows whether it went. */
  mailAgain: post('/api/mails/:mail/again', ['owner']).answersAs(mailServerRead).about('mail'),
  /** Says that such a mail arrived. */
  mailArrived: post('/api/mails/:mail/arrived', ['owner']).answersAs(mailServerRead).about('mail'),
  outboxAnswer: post('/api/outbox/:mail/answer', DESK)
    .takes<OutboxAnswerDto>()
    .answers<{ sent: true }>()
    .of('every build')
    .about('mail'),
  outboxReturn: post('/api/outbox/:mail/return', DESK)
    .answers<{ sent: true }>()
    .of('every build')
    .about('mail'),
  outboxList: get('/api/outbox', DESK).answers<OutboxView>().about('mail'),
} as const;
