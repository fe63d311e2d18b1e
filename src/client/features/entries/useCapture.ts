import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { KnownView } from '#contract/builds.ts';
import type { CaptureContext } from '#core/capture/index.ts';
import { useShop, useToday } from '../../shared/shop.ts';
import { knownQuery } from './entries.queries.ts';

/** What the parser knows of this shop. The same object until a name or the day changes. */
export function useCapture(): CaptureContext {
  const { currency, units, locale } = useShop().shop;
  const today = useToday();
  const { data: known } = useQuery(knownQuery);
  return useMemo(
    () => withKnown({ today, currency, units, locale }, known ?? null),
    [today, currency, units, locale, known],
  );
}

/** With the names that the shop knows; with none while they are on their way. */
export const withKnown = (
  { today, currency, units, locale }: Pick<CaptureContext, 'today' | 'currency' | 'units' | 'locale'>,
  known: KnownView | null,
): CaptureContext => ({
  ...{ today, currency, units, locale },
  builds: known?.builds ?? [],
  people: known?.people ?? [],
  vendors: known?.vendors ?? [],
  parts: [],
  places: known?.places ?? [],
});
