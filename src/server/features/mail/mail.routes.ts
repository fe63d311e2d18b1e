import { MailServerDto, OutboxAnswerDto, type OutboxView } from '#contract/mail.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './mail.service.ts';

export function mailRoutes(deps: Deps): Feature {
  return {
    outboxList: handler({
      run: async ({ who }) => {
        if (!deps.outbox) throw notFound('outbox');
        return { mails: await deps.outbox.list(who.shopId) } satisfies OutboxView;
      },
    }),
    outboxAnswer: handler({
      body: OutboxAnswerDto,
      run: ({ who, params, body }) => s.answerMail(deps, who, params.mail!, body.text),
    }),
    outboxReturn: handler({ run: ({ who, params }) => s.returnMail(deps, who, params.mail!) }),
    mailServerRead: handler({ run: ({ who }) => s.readServer(deps, who) }),
    mailServerPut: handler({ body: MailServerDto, run: ({ who, body }) => s.putServer(deps, who, body) }),
    mailServerDrop: handler({ run: ({ who }) => s.dropServer(deps, who) }),
    mailAgain: handler({ run: ({ who, params }) => s.decideMail(deps, who, params.mail!, 'again') }),
    mailArrived: handler({ run: ({ who, params }) => s.decideMail(deps, who, params.mail!, 'arrived') }),
    mailServerTry: handler({ run: ({ who }) => s.tryServer(deps, who) }),
  };
}
