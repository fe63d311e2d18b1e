import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { CaptureContext } from '#core/capture/index.ts';
import { useShop, useToday } from '../../shared/shop.ts';
import { knownQuery } from './entries.queries.ts';

/** What the parser knows of this shop. The same object until a name or the day changes. */
export function useCapture(): CaptureContext {
  const { currency, units, locale } = useShop().shop;
  const today = useToday();
  const { data: known } = useQuery(knownQuery);
  return useMemo(
    () => ({
      today,
      currency,
      units,
      locale,
      builds: known?.builds ?? [],
      people: known?.people ?? [],
      vendors: known?.vendors ?? [],
      parts: [],
      places: known?.places ?? [],
    }),
    [today, currency, units, locale, known],
  );
}
