/** Makes the migrated template database that every test file clones. */
import pg from 'pg';
import { migrate } from '../../src/server/db/migrate.ts';
import { adminUrl, APP_PASSWORD, TEMPLATE, TEST_SECRET } from './cluster.ts';

export default async function globalSetup(): Promise<void> {
  const admin = new pg.Client({ connectionString: adminUrl('postgres') });
  await admin.connect();
  await admin.query(`drop database if exists ${TEMPLATE} with (force)`);
  await admin.query(`create database ${TEMPLATE}`);
  await admin.end();
  await migrate(adminUrl(TEMPLATE), {
    appPassword: APP_PASSWORD,
    secret: TEST_SECRET,
    isPrivate: true,
    allowNew: false,
  });
}
