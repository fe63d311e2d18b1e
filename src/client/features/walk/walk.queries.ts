import { useQueryClient } from '@tanstack/react-query';
import type { WalkCarView, WalkView } from '#contract/walk.ts';
import { useChange } from '../../shared/changing.ts';
import { sendAct } from '../outgoing/index.ts';
import { readOf } from '../../shared/reading.ts';

export const walkQuery = readOf('walkRead');

/** Marks a car as looked at; without a network it is marked here, and goes when there is one. */
export function useSeen() {
  const client = useQueryClient();
  return (walk: WalkView, { buildId, nickname }: WalkCarView): void => {
    const at = new Date().toISOString();
    client.setQueryData<WalkView>(walkQuery.queryKey, {
      ...walk,
      cars: walk.cars.map((c) => (c.buildId === buildId ? { ...c, seenAt: c.seenAt ?? at } : c)),
    });
    void sendAct({
      id: `${walk.walkId}:${buildId}`,
      route: 'walkSeen',
      params: { walkId: walk.walkId, buildId },
      body: {},
      words: `${nickname}: looked at on the walk`,
    }).catch(() => undefined);
  };
}

export const useEndWalk = () => useChange('walkEnd', (walkId: string) => ({ params: { walkId } }));
