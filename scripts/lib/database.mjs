/** What the scripts ask of a database, with the tools of PostgreSQL itself or its usual client. */
import { spawnSync } from 'node:child_process';
import { ROOT } from './packages.mjs';
import { Told } from './say.mjs';

const psql = (bin, adminUrl, sql) =>
  spawnSync(`${bin}/psql`, ['-XtAq', '-d', adminUrl, '-c', sql], { encoding: 'utf8' });

export function ensureDatabase(bin, adminUrl, name) {
  if (psql(bin, adminUrl, `select 1 from pg_database where datname = '${name}'`).stdout.trim() === '1')
    return;
  const made = psql(bin, adminUrl, `create database ${name}`);
  if (made.status !== 0) throw new Told(`Could not make the database:\n${made.stderr}`);
}

/** Copies a database that nobody is connected to. */
export function copyDatabase(bin, adminUrl, { from, to }) {
  const made = psql(bin, adminUrl, `create database ${to} template ${from}`);
  if (made.status !== 0) throw new Told(`Could not copy the database:\n${made.stderr}`);
}

/** Whether a shop was made in this database; false where Avrik's tables are not there yet. */
export function holdsShop(adminUrl) {
  const code = `
    import pg from 'pg';
    const client = new pg.Client({ connectionString: process.env.AVRIK_ADMIN_URL });
    await client.connect();
    const { rows } = await client.query("select to_regclass('public.installation') is not null as there");
    const made = rows[0].there && (await client.query('select first_shop_made from installation')).rows[0];
    process.stdout.write(made?.first_shop_made ? 'yes' : 'no');
    await client.end();`;
  const done = spawnSync(process.execPath, ['--input-type=module', '-e', code], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, AVRIK_ADMIN_URL: adminUrl },
  });
  if (done.status !== 0) throw new Told(`The database does not answer:\n${done.stderr}`);
  return done.stdout === 'yes';
}
