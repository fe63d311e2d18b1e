/**
 * Brings a database up to date: the app's role, the tables, the job queue's own schema.
 * Runs with the owner's connection, which the server itself never has.
 */
import knexFactory from 'knex';
import pg from 'pg';
import { Logger, runMigrations } from 'graphile-worker';
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
};

/** Knex keeps migrations by file name; static imports keep their names the same under every loader. */
const migrationSource = {
  getMigrations: async () => Object.keys(MIGRATIONS) as (keyof typeof MIGRATIONS)[],
  getMigrationName: (name: keyof typeof MIGRATIONS) => name,
  getMigration: async (name: keyof typeof MIGRATIONS) => MIGRATIONS[name],
};

export const NEWEST_MIGRATION = Object.keys(MIGRATIONS).at(-1)!;

/** The queue's migrations say nothing that a person starting the shop needs. */
const quietLogger = new Logger(() => () => undefined);

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

/** Roles are shared by all databases of a cluster; making them twice at once is not an error. */
async function ensureRoles(admin: pg.Client, appPassword: string, database: string): Promise<void> {
  await admin.query(`
    do $$ begin
      if not exists (select from pg_roles where rolname = 'avrik_jobs') then create role avrik_jobs nologin; end if;
      if not exists (select from pg_roles where rolname = 'avrik_app') then create role avrik_app login; end if;
    exception when duplicate_object or unique_violation then null; end $$`);
  const { rows } = await admin.query<{ rolsuper: boolean; rolbypassrls: boolean }>(
    "select rolsuper, rolbypassrls from pg_roles where rolname = 'avrik_app'",
  );
  if (rows[0]?.rolsuper || rows[0]?.rolbypassrls)
    throw new Error('the role avrik_app must be neither superuser nor bypass row-level security');
  await admin.query(`alter role avrik_app login password ${quoted(appPassword)}`);
  // The job queue's tables belong to a role that owns nothing of a shop; the app works them as its member.
  await admin.query('grant avrik_jobs to avrik_app; grant avrik_jobs to current_user');
  await admin.query(`grant create, connect on database "${database}" to avrik_jobs`);
}

/**
 * @param adminUrl connection of the database's owner; its role must be allowed to create roles
 * @param appPassword the password that the app's role `avrik_app` gets
 */
export async function migrate(adminUrl: string, appPassword: string): Promise<void> {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  try {
    const { rows } = await admin.query<{ version: number; name: string }>(
      "select current_setting('server_version_num')::int as version, current_database() as name",
    );
    if (rows[0]!.version < 150_000) throw new Error('Avrik needs PostgreSQL 15 or newer');
    await ensureRoles(admin, appPassword, rows[0]!.name);
  } finally {
    await admin.end();
  }
  const knex = knexFactory({ client: 'pg', connection: adminUrl, pool: { min: 0, max: 1 } });
  try {
    await knex.migrate.latest({ migrationSource });
    await knex.raw('grant select on knex_migrations to avrik_app');
  } finally {
    await knex.destroy();
  }
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
