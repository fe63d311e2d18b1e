/** What is open on a car: parts, pieces that are away, tasks, agreed lines without tasks, holds. */
import type { OpenThingsView } from '#contract/entries.ts';
import type { OpenThing } from '#core/acts/acts.ts';
import { waitedFor } from '#core/waits/waits.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail } from '../builds/index.ts';
import { workOf } from '../work/index.ts';
import * as q from './openThings.queries.ts';

export const readOpenThings = (deps: Deps, who: SignedIn, buildId: string): Promise<OpenThingsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildDetail(tx, buildId);
    if (!build) throw notFound('build');
    const { tasks, lines, spells } = await workOf(tx, deps, who, buildId);
    const mine = new Set(spells.filter((s) => s.personId === who.personId).map((s) => s.taskId));
    const open = tasks.filter((t) => t.state === 'to do' || t.state === 'going');
    const things: OpenThing[] = [
      ...(await q.openParts(tx, buildId)).map(({ id, what, ...p }) => ({
        type: 'part' as const,
        id,
        name: what,
        ...p,
      })),
      ...(await q.piecesAway(tx, buildId)).map(({ id, what, ...p }) => ({
        type: 'piece' as const,
        id,
        name: what,
        ...p,
      })),
      ...open.map((t) => ({
        type: 'task' as const,
        id: t.id,
        name: t.title,
        state: t.state,
        ...(mine.has(t.id) ? { isMine: true } : {}),
      })),
      ...lines
        .filter((l) => !tasks.some((t) => t.lineId === l.id && t.state !== 'dropped'))
        .map((l) => ({
          type: 'line' as const,
          id: l.id,
          name: l.title,
          state: l.state,
          ...(l.whyNot === null ? {} : { whyNot: l.whyNot }),
        })),
      ...build.standing.waits.map((w) => ({
        type: 'hold' as const,
        id: w.entryId,
        name: waitedFor(w),
        state: '',
      })),
    ];
    return { buildId, things };
  });
