/**
 * Brings a database up to date: the app's role, the tables, the job queue's own schema.
 * Runs with the owner's connection, which the server itself never has.
 */
import { createHmac } from 'node:crypto';
import knexFactory from 'knex';
import pg from 'pg';
import { Logger, runMigrations } from 'graphile-worker';
import { hashOfLink } from '../links.ts';
import * as createShop from '../../../migrations/20261124_create_shop.ts';
import * as addBooks from '../../../migrations/20261130_add_books.ts';
import * as addChoices from '../../../migrations/20261126_add_choices.ts';
import * as addCosts from '../../../migrations/20261128_add_costs.ts';
import * as addDonors from '../../../migrations/20261127_add_donors.ts';
import * as addEstimates from '../../../migrations/20261125_add_estimates.ts';
import * as addHouseRules from '../../../migrations/20261125_add_house_rules.ts';
import * as addInspections from '../../../migrations/20261125_add_inspections.ts';
import * as addLetterManner from '../../../migrations/20261129_add_letter_manner.ts';
import * as addLetterWriters from '../../../migrations/20261204_add_letter_writers.ts';
import * as addMail from '../../../migrations/20261201_add_mail.ts';
import * as addOpenings from '../../../migrations/20261125_add_openings.ts';
import * as addPhotos from '../../../migrations/20261125_add_photos.ts';
import * as addQuestions from '../../../migrations/20261129_add_questions.ts';
import * as addReaders from '../../../migrations/20261203_add_readers.ts';
import * as addShopLists from '../../../migrations/20261126_add_shop_lists.ts';
import * as addOutwork from '../../../migrations/20261127_add_outwork.ts';
import * as addPapers from '../../../migrations/20261206_add_papers.ts';
import * as addPauses from '../../../migrations/20261127_add_pauses.ts';
import * as addParts from '../../../migrations/20261126_add_parts.ts';
import * as addPhotoPairs from '../../../migrations/20261205_add_photo_pairs.ts';
import * as addPlan from '../../../migrations/20261126_add_plan.ts';
import * as markInstallation from '../../../migrations/20261208_mark_installation.ts';
import * as keepMails from '../../../migrations/20261209_keep_mails.ts';
import * as addAccounts from '../../../migrations/20261210_add_accounts.ts';
import * as addBuildStages from '../../../migrations/20261211_add_build_stages.ts';
import * as addReaderScopes from '../../../migrations/20261212_add_reader_scopes.ts';
import * as indexWhatIsAskedBy from '../../../migrations/20261213_index_what_is_asked_by.ts';
import * as addEntryActs from '../../../migrations/20261214_add_entry_acts.ts';
import * as addLoans from '../../../migrations/20261215_add_loans.ts';
import * as keepLedger from '../../../migrations/20261216_keep_ledger.ts';
import * as indexWhatGrows from '../../../migrations/20261217_index_what_grows.ts';
import * as numberEntries from '../../../migrations/20261218_number_entries.ts';
import * as addJobs from '../../../migrations/20261219_add_jobs.ts';
import * as keepSums from '../../../migrations/20261220_keep_sums.ts';
import * as keepNews from '../../../migrations/20261221_keep_news.ts';
import * as tellWhatChanged from '../../../migrations/20261222_tell_what_changed.ts';
import * as answerByWordOfMouth from '../../../migrations/20261223_answer_by_word_of_mouth.ts';
import * as pointAtWhatEnds from '../../../migrations/20261224_point_at_what_ends.ts';
import * as keepWhatIsNeeded from '../../../migrations/20261225_keep_what_is_needed.ts';
import * as addReadings from '../../../migrations/20261207_add_readings.ts';
import * as addSymptoms from '../../../migrations/20261126_add_symptoms.ts';
import * as addVoiceNotes from '../../../migrations/20261202_add_voice_notes.ts';
import * as addWalks from '../../../migrations/20261129_add_walks.ts';
import * as addWork from '../../../migrations/20261126_add_work.ts';
import * as addVehicleRegisters from '../../../migrations/20261125_add_vehicle_registers.ts';

const MIGRATIONS = {
  '20261124_create_shop': createShop,
  '20261125_add_estimates': addEstimates,
  '20261125_add_house_rules': addHouseRules,
  '20261125_add_inspections': addInspections,
  '20261125_add_openings': addOpenings,
  '20261125_add_photos': addPhotos,
  '20261125_add_vehicle_registers': addVehicleRegisters,
  '20261126_add_choices': addChoices,
  '20261126_add_parts': addParts,
  '20261126_add_plan': addPlan,
  '20261126_add_shop_lists': addShopLists,
  '20261126_add_symptoms': addSymptoms,
  '20261126_add_work': addWork,
  '20261127_add_donors': addDonors,
  '20261127_add_outwork': addOutwork,
  '20261127_add_pauses': addPauses,
  '20261128_add_costs': addCosts,
  '20261129_add_letter_manner': addLetterManner,
  '20261129_add_walks': addWalks,
  '20261129_add_questions': addQuestions,
  '20261130_add_books': addBooks,
  '20261201_add_mail': addMail,
  '20261202_add_voice_notes': addVoiceNotes,
  '20261203_add_readers': addReaders,
  '20261204_add_letter_writers': addLetterWriters,
  '20261205_add_photo_pairs': addPhotoPairs,
  '20261206_add_papers': addPapers,
  '20261207_add_readings': addReadings,
  '20261208_mark_installation': markInstallation,
  '20261209_keep_mails': keepMails,
  '20261210_add_accounts': addAccounts,
  '20261211_add_build_stages': addBuildStages,
  '20261212_add_reader_scopes': addReaderScopes,
  '20261213_index_what_is_asked_by': indexWhatIsAskedBy,
  '20261214_add_entry_acts': addEntryActs,
  '20261215_add_loans': addLoans,
  '20261216_keep_ledger': keepLedger,
  '20261217_index_what_grows': indexWhatGrows,
  '20261218_number_entries': numberEntries,
  '20261219_add_jobs': addJobs,
  '20261220_keep_sums': keepSums,
  '20261221_keep_news': keepNews,
  '20261222_tell_what_changed': tellWhatChanged,
  '20261223_answer_by_word_of_mouth': answerByWordOfMouth,
  '20261224_point_at_what_ends': pointAtWhatEnds,
  '20261225_keep_what_is_needed': keepWhatIsNeeded,
};

/** Knex keeps migrations by file name; static imports keep their names the same under every loader. */
const migrationSource = {
  getMigrations: async () => Object.keys(MIGRATIONS) as (keyof typeof MIGRATIONS)[],
  getMigrationName: (name: keyof typeof MIGRATIONS) => name,
  getMigration: async (name: keyof typeof MIGRATIONS) => MIGRATIONS[name],
};

export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

export const NEWEST_MIGRATION = MIGRATION_NAMES.at(-1)!;

/** The queue's migrations say nothing that a person starting the shop needs. */
const quietLogger = new Logger(() => () => undefined);

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

/** A reason to stop that a person can act on: its words are shown without a stack. */
class StartRefused extends Error {
  readonly forPeople = true;
}

export interface Installation {
  /** The password that the app's role `avrik_app` has, or gets where the role is new. */
  appPassword: string;
  /** Signs sessions and derives customers' links. */
  secret: string;
  /** The cluster is this installation's alone: a password that does not fit was lost, and is set anew. */
  isPrivate: boolean;
  /** Somebody said that new secrets are to hold from now on. */
  allowNew: boolean;
}

/** Whether the app's role may sign in with this password: PostgreSQL's 28P01 is "invalid password". */
async function passwordWorks(adminUrl: string, password: string): Promise<boolean> {
  const url = new URL(adminUrl);
  url.username = 'avrik_app';
  url.password = password;
  const client = new pg.Client({ connectionString: url.href });
  client.on('error', () => undefined);
  try {
    await client.connect();
    return true;
  } catch (error) {
    if ((error as { code?: string }).code === '28P01') return false;
    throw error;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Roles are shared by all databases of a cluster; making them twice at once is not an error. */
async function ensureRoles(
  admin: pg.Client,
  adminUrl: string,
  to: Installation,
  database: string,
): Promise<void> {
  const known = (await admin.query("select from pg_roles where rolname = 'avrik_app'")).rowCount === 1;
  await admin.query(`
    do $$ begin
      if not exists (select from pg_roles where rolname = 'avrik_jobs') then create role avrik_jobs nologin; end if;
      if not exists (select from pg_roles where rolname = 'avrik_app') then create role avrik_app login; end if;
    exception when duplicate_object or unique_violation then null; end $$`);
  const { rows } = await admin.query<{ rolsuper: boolean; rolbypassrls: boolean }>(
    "select rolsuper, rolbypassrls from pg_roles where rolname = 'avrik_app'",
  );
  if (rows[0]?.rolsuper || rows[0]?.rolbypassrls)
    throw new StartRefused('The role avrik_app must be neither superuser nor bypass row-level security.');
  // A password that works is not touched: another installation on the same server may use it.
  if (!(known && (await passwordWorks(adminUrl, to.appPassword)))) {
    if (known && !to.isPrivate && !to.allowNew)
      throw new StartRefused(`The role avrik_app of this database server has another password than "appPassword" in secrets.json here.
Another installation of Avrik may be using it: a new password would shut that one out. Nothing was changed. Either
  - copy secrets.json from that installation’s data folder, if both are to work one database; or
  - copy only its "appPassword" into secrets.json here, if they have databases of their own; or
  - start once with   npm start -- --new-secrets   if there is no other one any more.`);
    await admin.query(`alter role avrik_app login password ${quoted(to.appPassword)}`);
  }
  // The job queue's tables belong to a role that owns nothing of a shop; the app works them as its member.
  await admin.query('grant avrik_jobs to avrik_app; grant avrik_jobs to current_user');
  await admin.query(`grant create, connect on database "${database}" to avrik_jobs`);
}

const markOf = (secret: string): string =>
  createHmac('sha256', secret).update('the secrets of this installation').digest('hex');

/**
 * Sees that the secrets are those that customers' links were made with. With new ones, allowed, the links that live are made
 * anew, and what was sealed with the old ones is taken away.
 */
async function fitSecrets(admin: pg.Client, { secret, allowNew }: Installation): Promise<void> {
  const mark = markOf(secret);
  const { rows } = await admin.query<{ secret_mark: string | null }>(
    'select secret_mark from installation for update',
  );
  const before = rows[0]?.secret_mark ?? null;
  if (before === mark) return;
  if (before !== null && !allowNew)
    throw new StartRefused(`secrets.json is not the one that this database was worked with: customers’ links would be dead.
Nothing was changed. Put the right file back, or start once with   npm start -- --new-secrets   to make new links.`);
  if (before !== null || allowNew) await renewLinks(admin, secret);
  await admin.query('update installation set secret_mark = $1', [mark]);
}

/** The owner of the tables is held by their policies too, so they are lifted for this transaction's rows. */
async function renewLinks(admin: pg.Client, secret: string): Promise<void> {
  const tables = ['customer_links', 'mail_settings', 'people'];
  for (const table of tables) await admin.query(`alter table ${table} no force row level security`);
  const { rows } = await admin.query<{ id: string }>('select id from customer_links');
  const deps = { secret, publicUrl: '' };
  for (const { id } of rows)
    await admin.query(`update customer_links set token_hash = decode($1, 'hex') where id = $2`, [
      hashOfLink(deps, id),
      id,
    ]);
  await admin.query('update mail_settings set password = null');
  await admin.query("update people set totp_secret = null, totp_on = false, recovery_hashes = '{}'");
  for (const table of tables) await admin.query(`alter table ${table} force row level security`);
}

async function withAdmin(adminUrl: string, work: (admin: pg.Client) => Promise<void>): Promise<void> {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  try {
    await work(admin);
  } finally {
    await admin.end();
  }
}

async function inOneGo(admin: pg.Client, work: () => Promise<void>): Promise<void> {
  await admin.query('begin');
  try {
    await work();
    await admin.query('commit');
  } catch (error) {
    await admin.query('rollback').catch(() => undefined);
    throw error;
  }
}

/** @param adminUrl connection of the database's owner; its role must be allowed to create roles */
export async function migrate(adminUrl: string, to: Installation): Promise<void> {
  await withAdmin(adminUrl, async (admin) => {
    const { rows } = await admin.query<{ version: number; name: string }>(
      "select current_setting('server_version_num')::int as version, current_database() as name",
    );
    if (rows[0]!.version < 150_000) throw new StartRefused('Avrik needs PostgreSQL 15 or newer.');
    await ensureRoles(admin, adminUrl, to, rows[0]!.name);
  });
  const knex = knexFactory({ client: 'pg', connection: adminUrl, pool: { min: 0, max: 1 } });
  try {
    await knex.migrate.latest({ migrationSource });
    await knex.raw('grant select on knex_migrations to avrik_app');
  } finally {
    await knex.destroy();
  }
  await withAdmin(adminUrl, (client) => inOneGo(client, () => fitSecrets(client, to)));
  const pool = new pg.Pool({ connectionString: adminUrl, max: 1, options: '-c role=avrik_jobs' });
  // A lost connection fails the query that was running; there is nothing more to say.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => client.on('error', () => undefined));
  try {
    await runMigrations({ pgPool: pool, logger: quietLogger });
  } finally {
    await pool.end();
  }
}
