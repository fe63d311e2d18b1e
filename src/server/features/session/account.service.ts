/** One's own account: password, second factor, where one is signed in; and a way back in. */
import encodeQR from 'qr';
import type {
  AccountEvent,
  AccountView,
  PasswordChangeDto,
  PasswordSetDto,
  RecoveryCodes,
  SecondFactorBegun,
} from '#contract/account.ts';
import { atTheDoor, inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queuePasswordMail } from '../../jobs/queue.ts';
import { seal, unseal } from '../../mail/seal.ts';
import * as a from './account.queries.ts';
import { eventsOf, noteEvent } from './events.ts';
import { holderOf, isToken } from './links.ts';
import { hashPassword, isPassword, refuseWeakPassword } from './passwords.ts';
import { hashOfRecovery, newRecoveryCodes, newSecret, stepOf, uriOf } from './secondFactor.ts';
import { peopleAtTheDoor, shopOf } from './session.queries.ts';

async function accountOf(tx: Tx, personId: string): Promise<a.AccountRow> {
  const account = await a.accountForUpdate(tx, personId);
  if (!account || account.has_left) throw notFound('account');
  return account;
}

export const readAccount = (deps: Deps, who: SignedIn, sid: string): Promise<AccountView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, who.personId, sid));

async function viewOf(tx: Tx, personId: string, sid: string): Promise<AccountView> {
  const { email, totp_on, recovery_hashes } = await accountOf(tx, personId);
  return {
    email,
    secondFactor: totp_on,
    recoveryLeft: recovery_hashes.length,
    sessions: await a.sessionsOf(tx, personId, sid),
  };
}

const wordsOf = (account: a.AccountRow, shopName: string) => ({
  name: account.name,
  email: account.email,
  shopName,
});

async function refuseWrong(account: a.AccountRow, password: string, field: string): Promise<void> {
  if (!(await isPassword(account.password_hash, password)))
    throw invalidAt(field, 'that is not the password that holds now');
}

/** A new password with the old one; everywhere else one is signed out. */
export async function changePassword(
  deps: Deps,
  who: SignedIn,
  sid: string,
  dto: PasswordChangeDto,
): Promise<AccountView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const account = await accountOf(tx, who.personId);
    await refuseWrong(account, dto.old, 'old');
    await refuseWeakPassword(dto.password, wordsOf(account, (await shopOf(tx)).name));
    await a.setPassword(tx, who.personId, await hashPassword(dto.password));
    await a.endSessions(tx, who.personId, { but: sid });
    await noteEvent(tx, deps.clock.now(), {
      kind: 'password changed',
      personId: who.personId,
      text: 'With the old one; signed out everywhere else.',
    });
    return viewOf(tx, who.personId, sid);
  });
}

/** Asks for a link by mail. It answers the same whether anybody has the address or not. */
export async function askReset(deps: Deps, address: string): Promise<void> {
  const email = address.trim().toLowerCase();
  const people = await atTheDoor(deps.db, { email }, (tx) => peopleAtTheDoor(tx, email));
  for (const { shop_id: shopId, id: personId } of people)
    await inShop(deps.db, shopId, async (tx) => {
      await noteEvent(tx, deps.clock.now(), {
        kind: 'reset asked',
        personId,
        text: 'A link to set a new password was asked for; it holds for an hour.',
      });
      await queuePasswordMail(tx, { shopId, personId, why: 'reset' });
    });
}

const DEAD_LINK = 'This link has been used, or is too old. Ask for a new one.';

/** Sets a password by a link, and signs its holder out everywhere. */
export async function setByLink(deps: Deps, dto: PasswordSetDto): Promise<{ email: string }> {
  const said = holderOf(dto.token);
  if (!said) throw new Refusal('not-found', DEAD_LINK);
  const { shopId, personId } = said;
  return inShop(deps.db, shopId, async (tx) => {
    const account = await a.accountForUpdate(tx, personId);
    const now = deps.clock.now();
    if (
      !account ||
      account.has_left ||
      !isToken(deps, dto.token, { shopId, personId, passwordHash: account.password_hash }, Date.parse(now))
    )
      throw new Refusal('not-found', DEAD_LINK);
    await refuseWeakPassword(dto.password, wordsOf(account, (await shopOf(tx)).name));
    await a.setPassword(tx, personId, await hashPassword(dto.password));
    await a.endSessions(tx, personId);
    await noteEvent(tx, now, { kind: 'password set', personId, text: 'By a link; signed out everywhere.' });
    return { email: account.email };
  });
}

/** Begins a second factor; it counts once a code of it was typed. */
export async function beginSecondFactor(deps: Deps, who: SignedIn): Promise<SecondFactorBegun> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const account = await accountOf(tx, who.personId);
    if (account.totp_on) throw new Refusal('conflict', 'The second factor is on already. Turn it off first.');
    const secret = newSecret();
    await a.setTotp(tx, who.personId, {
      secret: seal(deps.secret, secret),
      isOn: false,
      step: 0,
      recovery: [],
    });
    const uri = uriOf(secret, (await shopOf(tx)).name, account.email);
    return { uri, secret: secret.replace(/(.{4})(?=.)/g, '$1 '), svg: encodeQR(uri, 'svg') };
  });
}

export async function confirmSecondFactor(deps: Deps, who: SignedIn, code: string): Promise<RecoveryCodes> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const account = await accountOf(tx, who.personId);
    if (account.totp_on || account.totp_secret === null)
      throw new Refusal('conflict', 'Begin it again: there is nothing to confirm.');
    const now = deps.clock.now();
    const step = stepOf(unseal(deps.secret, account.totp_secret), code, now, account.totp_step);
    if (step === null) throw invalidAt('code', 'that is not the code that the app shows now');
    const codes = newRecoveryCodes();
    await a.setTotp(tx, who.personId, {
      secret: account.totp_secret,
      isOn: true,
      step,
      recovery: codes.map(hashOfRecovery),
    });
    await noteEvent(tx, now, {
      kind: 'second factor on',
      personId: who.personId,
      text: 'With ten recovery codes.',
    });
    return { codes };
  });
}

export async function dropSecondFactor(
  deps: Deps,
  who: SignedIn,
  sid: string,
  password: string,
): Promise<AccountView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    await refuseWrong(await accountOf(tx, who.personId), password, 'password');
    await a.setTotp(tx, who.personId, { secret: null, isOn: false, step: 0, recovery: [] });
    await noteEvent(tx, deps.clock.now(), {
      kind: 'second factor off',
      personId: who.personId,
      text: 'By themselves.',
    });
    return viewOf(tx, who.personId, sid);
  });
}

/**
 * Checks the second factor of somebody whose password was right; throws where it is missing or wrong. A recovery code counts
 * once.
 */
export async function passSecondFactor(
  tx: Tx,
  deps: Deps,
  account: a.AccountRow,
  code: string | undefined,
): Promise<void> {
  if (!account.totp_on || account.totp_secret === null) return;
  const refuse = (reason: string): never => {
    throw new Refusal('sign-in', `${reason}.`, { fields: [{ field: 'code', reason }] });
  };
  if (code === undefined || code.trim() === '')
    return refuse('type the code that your app shows, or a recovery code');
  const now = deps.clock.now();
  const keep = { secret: account.totp_secret, isOn: true };
  const step = stepOf(unseal(deps.secret, account.totp_secret), code, now, account.totp_step);
  if (step !== null) {
    await a.setTotp(tx, account.id, { ...keep, step, recovery: account.recovery_hashes });
    return;
  }
  const hash = hashOfRecovery(code);
  if (!account.recovery_hashes.includes(hash)) return refuse('that is not the code that the app shows now');
  const recovery = account.recovery_hashes.filter((h) => h !== hash);
  await a.setTotp(tx, account.id, { ...keep, step: account.totp_step, recovery });
  await noteEvent(tx, now, {
    kind: 'recovery code used',
    personId: account.id,
    text: `${recovery.length} recovery codes are left.`,
  });
}

export async function endSession(
  deps: Deps,
  who: SignedIn,
  sid: string,
  sessionId: string,
): Promise<AccountView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    if ((await a.endSessions(tx, who.personId, { only: sessionId })) === 0) throw notFound('sign-in');
    await noteEvent(tx, deps.clock.now(), {
      kind: 'session ended',
      personId: who.personId,
      text: 'Signed out in another place by themselves.',
    });
    return viewOf(tx, who.personId, sid);
  });
}

export const listEvents = (deps: Deps, who: SignedIn): Promise<{ events: AccountEvent[] }> =>
  inShop(deps.db, who.shopId, async (tx) => ({ events: await eventsOf(tx) }));
