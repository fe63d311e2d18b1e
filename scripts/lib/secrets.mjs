/** The installation's secrets: what signs sessions, makes customers' links, and seals the mail server's password. */
import { randomBytes } from 'node:crypto';
import path from 'node:path';
import { readObject, setAside, writeWhole } from './files.mjs';
import { say, Told } from './say.mjs';

export const secretsFile = (folder) => path.join(folder, 'secrets.json');

const WHAT_IT_MEANS = `
Customers’ links and the sealed password of the shop’s mail server come from the secrets in it, so Avrik does not make
others by itself. Nothing was changed. Either
  - put the file back from a copy of this data folder, or from a backup (npm run backup -- --list), and start again; or
  - start once with   npm start -- --new-secrets   All data stays. Everybody signs in anew, every link that customers
    have stops working (the next letter carries the new one), and the mail server’s password must be typed again.`;

const usable = ({ state, value }) =>
  state === 'there' && typeof value.secret === 'string' && typeof value.appPassword === 'string';

/**
 * The secrets of this folder. New ones are made where there is no shop yet, or where `allowNew` says so.
 * @param hasShop whether the database holds a shop already
 */
export function secretsIn(folder, { hasShop, allowNew }) {
  const file = secretsFile(folder);
  const found = readObject(file);
  if (usable(found) && !allowNew) return found.value;
  const what = found.state === 'missing' ? 'is missing' : 'is empty or broken';
  if (hasShop && !allowNew) throw new Told(`${file} ${what}, but the database holds a shop.${WHAT_IT_MEANS}`);
  if (found.state !== 'missing') say(`The old secrets are kept as ${setAside(file)}`);
  const fresh = { secret: randomBytes(32).toString('hex'), appPassword: randomBytes(24).toString('hex') };
  writeWhole(file, JSON.stringify(fresh));
  return fresh;
}
