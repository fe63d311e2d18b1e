/** Mail that cannot be delivered is said in the logbook of its car: whoever waits for an answer must know that nobody was asked. */
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { isForGood, NotSent } from '../../mail/post.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from './entries.service.ts';

interface About {
  shopId: string;
  buildId: string;
  /** “The letter could not be sent to Wilma”, without why. */
  words: string;
  /** No further try follows. */
  last: boolean;
}

/** What follows where it is not the mail server that refused. */
const FOLLOWS = {
  waiting: '. It is kept, and goes when there is one.',
  perhaps: '. Whether it went is not known; decide under Shop, Mail server, whether it is sent again.',
} as const;

/** What the mail server said. */
export const mailFault = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).slice(0, 300);

/** Sends; where it is refused for good, or tried for the last time, the logbook says so. Throws where it is to be tried again. */
export async function sendOrSay(
  deps: Deps,
  { shopId, buildId, words, last }: About,
  send: () => Promise<void>,
): Promise<void> {
  try {
    await send();
  } catch (error) {
    if (!(error instanceof NotSent) && !last && !isForGood(error)) throw error;
    await inShop(deps.db, shopId, async (tx) => {
      const build = (await buildForUpdate(tx, buildId))!;
      const text = `${words}: ${mailFault(error)}${error instanceof NotSent ? FOLLOWS[error.state] : ''}`;
      await logIn(tx, deps, build, { personId: null, kind: 'note', audience: 'shop', text });
    });
  }
}
