/** The throw-away cluster that the test script starts. */
import pg from 'pg';

export const TEMPLATE = 'avrik_template';
export const APP_PASSWORD = 'only-for-tests';
export const TEST_SECRET = 'a secret for tests only, long enough';

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

/** A database with the migrated schema and nothing in it; nobody connects to the template itself, or it could not be copied. */
export async function migratedDatabase(name: string): Promise<{ drop: () => Promise<void> }> {
  const maker = new pg.Client({ connectionString: adminUrl('postgres') });
  await maker.connect();
  await maker.query(`create database ${name} template ${TEMPLATE}`);
  const drop = async (): Promise<void> => {
    await maker.query(`drop database ${name} with (force)`);
    await maker.end();
  };
  return { drop };
}
