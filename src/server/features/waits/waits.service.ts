/** What each build stands waiting for. */
import type { BuildWaitView, WaitsView } from '#contract/waits.ts';
import { placeWanted } from '#core/graph/readiness.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { graphOf } from '../graph/index.ts';

/** What holds each of these builds; all of them where none is named. */
export const waitsNow = async (tx: Tx, deps: Deps, only?: string): Promise<BuildWaitView[]> =>
  (await graphOf(tx, deps, only === undefined ? {} : { only })).map((node) => {
    const { buildId, nickname, binding, others, ways, tasks, ofTasks, ground } = node;
    const places = tasks.flatMap((t) => placeWanted(t, ofTasks.get(t.task.id)!, ground) ?? []);
    return { buildId, nickname, binding, others, ways, places };
  });

export const readWaits = (deps: Deps, who: SignedIn): Promise<WaitsView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ waits: await waitsNow(tx, deps) }));
