/** The mail by which somebody sets a password: invited, or because they forgot it. */
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { PasswordMail } from '../../jobs/queue.ts';
import { NotSent, type Post } from '../../mail/post.ts';
import { accountForUpdate } from './account.queries.ts';
import { INVITATION_MS, passwordUrl, RESET_MS } from './links.ts';
import { shopOf } from './session.queries.ts';

/** A link that could not be mailed is not kept for later: it would be too old. The owner can read that it was asked for. */
export async function mailPassword(
  deps: Deps,
  post: Post,
  { shopId, personId, why }: PasswordMail,
): Promise<void> {
  const { account, shop } = await inShop(deps.db, shopId, async (tx) => ({
    account: await accountForUpdate(tx, personId),
    shop: await shopOf(tx),
  }));
  if (!account || account.has_left) return;
  const now = Date.parse(deps.clock.now());
  const holder = { shopId, personId, passwordHash: account.password_hash };
  const url = passwordUrl(deps, holder, now + (why === 'reset' ? RESET_MS : INVITATION_MS));
  const words =
    why === 'reset'
      ? `Somebody, likely you, asked for a new password at ${shop.name}. Set it here; the link holds for an hour:\n\n${url}\n\nIf it was not you, do nothing: your password stays as it is.`
      : `You are to work with Avrik at ${shop.name}. Set your password here; the link holds for a week:\n\n${url}\n\nYou sign in with ${account.email}.`;
  try {
    await post.tryOut(shopId, {
      id: `password-${personId}-${now}`,
      from: shop.name,
      to: { name: account.name, address: account.email },
      subject: why === 'reset' ? `A new password for ${shop.name}` : `Your account at ${shop.name}`,
      date: deps.clock.now(),
      text: `${account.name},\n\n${words}\n`,
    });
  } catch (error) {
    if (!(error instanceof NotSent)) throw error;
    deps.log.warn({ why: error.message }, 'a link to set a password could not be mailed');
  }
}
