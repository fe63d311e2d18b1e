import { diskAlarm } from '#core/upkeep/alarms.ts';
import { NEWEST_MIGRATION } from '../../db/migrate.ts';
import { atTheDoor } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';

/**
 * 200 only when the database answers and is migrated to what this server knows. Where the disk is full it is still 200, since
 * everything can be read; it says so.
 */
export function healthRoutes(deps: Deps): Feature {
  return {
    health: {
      run: async () => {
        const migrated = await atTheDoor(deps.db, {}, (tx) =>
          tx.one('select 1 from knex_migrations where name = :name', { name: NEWEST_MIGRATION }),
        ).catch((error: unknown) => {
          deps.log.warn({ err: error }, 'health: the database does not answer');
          throw new Refusal('unavailable', 'The database cannot be reached.');
        });
        if (!migrated) throw new Refusal('unavailable', 'The database is not migrated.');
        return { status: diskAlarm(await deps.disk()) ?? 'ok' };
      },
    },
  };
}
