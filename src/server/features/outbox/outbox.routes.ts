import type { OutboxView } from '#contract/letters.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { handler, type Feature } from '../../http/routes.ts';

export function outboxRoutes(deps: Deps): Feature {
  return {
    outboxList: handler({
      run: async ({ who }) => {
        if (!deps.outbox) throw notFound('outbox');
        return { mails: await deps.outbox.list(who.shopId) } satisfies OutboxView;
      },
    }),
  };
}
