import type { KnownView } from '#contract/builds.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';

interface Named {
  id: string;
  name: string;
}

const builds = async (tx: Tx): Promise<KnownView['builds']> => {
  const rows = await tx.rows<{
    id: string;
    number: string;
    nickname: string;
    vehicle: string;
    customer: string;
  }>(
    `select b.id, b.number, b.nickname, v.name as vehicle, c.name as customer from builds b
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     where b.shop_id = :shopId order by b.number`,
  );
  return rows.map((r) => ({ id: r.id, name: r.nickname, aliases: [r.number, r.vehicle, r.customer] }));
};

/** The names that the log line knows. */
export function shopRoutes(deps: Deps): Feature {
  return {
    known: handler({
      run: ({ who }) =>
        inShop(
          deps.db,
          who.shopId,
          async (tx) =>
            ({
              builds: await builds(tx),
              people: await tx.rows<Named>(
                'select id, name from people where shop_id = :shopId order by name collate people_order',
              ),
              vendors: await tx.rows<Named>(
                'select id, name from vendors where shop_id = :shopId order by name collate people_order',
              ),
              places: await tx.rows<Named>(
                'select id, name from places where shop_id = :shopId order by position',
              ),
            }) satisfies KnownView,
        ),
    }),
  };
}
