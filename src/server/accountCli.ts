/**
 * What `npm run account` runs, for whoever is at the machine: nobody is shut out for good. `list`, `link EMAIL` (a link by which
 * a new password is set), `factor-off EMAIL` (for a lost telephone). The owner can read that it was done.
 */
import { openDatabase, atTheDoor, inShop, type Tx } from './db/pool.ts';
import { accountForUpdate, setTotp } from './features/session/account.queries.ts';
import { noteEvent } from './features/session/events.ts';
import { passwordUrl, RESET_MS } from './features/session/links.ts';
import { peopleAtTheDoor, shopOf, type PersonRow } from './features/session/session.queries.ts';

function must(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; use "npm run account"`);
  return value;
}

const db = openDatabase(must('AVRIK_ADMIN_URL'), 2);
const deps = { secret: must('AVRIK_SECRET'), publicUrl: must('AVRIK_URL') };
const [command = '', address = ''] = process.argv.slice(2);
const say = (text: string): boolean => process.stdout.write(`${text}\n`);

const BY_HAND = 'At the machine, with "npm run account".';

async function each(work: (tx: Tx, person: PersonRow) => Promise<string>): Promise<void> {
  const email = address.trim().toLowerCase();
  const people = await atTheDoor(db, { email }, (tx) => peopleAtTheDoor(tx, email));
  if (people.length === 0) {
    process.stderr.write(`Nobody signs in with "${address}".\n`);
    process.exitCode = 1;
  }
  for (const person of people) say(await inShop(db, person.shop_id, (tx) => work(tx, person)));
}

const COMMANDS: Record<string, () => Promise<void>> = {
  link: () =>
    each(async (tx, { shop_id: shopId, id: personId, name, password_hash: passwordHash }) => {
      const now = new Date().toISOString();
      await noteEvent(tx, now, {
        kind: 'reset asked',
        personId,
        text: `${BY_HAND} The link holds for an hour.`,
      });
      const url = passwordUrl(deps, { shopId, personId, passwordHash }, Date.parse(now) + RESET_MS);
      return `${name}, ${(await shopOf(tx)).name}: open this within an hour, in a browser that reaches Avrik:\n\n${url}\n`;
    }),
  'factor-off': () =>
    each(async (tx, { id, name }) => {
      if (!(await accountForUpdate(tx, id))?.totp_on) return `${name} has no second factor.`;
      await setTotp(tx, id, { secret: null, isOn: false, step: 0, recovery: [] });
      await noteEvent(tx, new Date().toISOString(), {
        kind: 'second factor off',
        personId: id,
        text: BY_HAND,
      });
      return `${name} signs in with the password alone now.`;
    }),
};

try {
  await COMMANDS[command]!();
} finally {
  await db.destroy();
}
