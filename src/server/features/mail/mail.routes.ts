import { MailServerDto, OutboxAnswerDto, type OutboxView } from '#contract/mail.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './mail.service.ts';

export function mailRoutes(deps: Deps): Feature {
  return {
    outboxList: {
      run: async ({ who }) => {
        if (!deps.outbox) throw notFound('outbox');
        return { mails: await deps.outbox.list(who.shopId) } satisfies OutboxView;
      },
    },
    outboxAnswer: {
      body: OutboxAnswerDto,
      run: ({ who, params, body }) => s.answerMail(deps, who, params.mail, body.text),
    },
    outboxReturn: { run: ({ who, params }) => s.returnMail(deps, who, params.mail) },
    mailServerRead: { run: ({ who }) => s.readServer(deps, who) },
    mailServerPut: { body: MailServerDto, run: ({ who, body }) => s.putServer(deps, who, body) },
    mailServerDrop: { run: ({ who }) => s.dropServer(deps, who) },
    mailAgain: { run: ({ who, params }) => s.decideMail(deps, who, params.mail, 'again') },
    mailArrived: { run: ({ who, params }) => s.decideMail(deps, who, params.mail, 'arrived') },
    mailServerTry: { run: ({ who }) => s.tryServer(deps, who) },
  };
}
