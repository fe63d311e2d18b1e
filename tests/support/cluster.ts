/** The throw-away cluster that the test script starts. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import pg from 'pg';

export const TEMPLATE = 'avrik_template';
/** The data folder of a filled demo shop whose database is `avrik_demo`; undefined where the tests were started without one. */
export const DEMO_FOLDER = process.env.AVRIK_TEST_DEMO;

/** The cluster has one role for all servers in it: they share its password. */
export const { appPassword: APP_PASSWORD, secret: TEST_SECRET } = (
  DEMO_FOLDER
    ? JSON.parse(readFileSync(path.join(DEMO_FOLDER, 'secrets.json'), 'utf8'))
    : { appPassword: 'only-for-tests', secret: 'a secret for tests only, long enough' }
) as { appPassword: string; secret: string };

/** The administrator's URL of a database in the cluster. */
export function adminUrl(database: string): string {
  const url = process.env.AVRIK_TEST_CLUSTER;
  if (!url)
    throw new Error('no test cluster: run the tests with "npm test", or one step with "npm test -- server"');
  return url.replace('{database}', database);
}

/** The app role's URL of a database in the cluster. */
export function appUrl(database: string): string {
  const url = new URL(adminUrl(database));
  url.username = 'avrik_app';
  url.password = APP_PASSWORD;
  return url.href;
}

/** A copy of a database: by default of the one with the migrated schema and nothing in it. Nobody connects to what is copied. */
export async function migratedDatabase(
  name: string,
  template = TEMPLATE,
): Promise<{ drop: () => Promise<void> }> {
  const maker = new pg.Client({ connectionString: adminUrl('postgres') });
  await maker.connect();
  await maker.query(`create database ${name} template ${template}`);
  const drop = async (): Promise<void> => {
    await maker.query(`drop database ${name} with (force)`);
    await maker.end();
  };
  return { drop };
}
