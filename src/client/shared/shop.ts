/** How this shop writes, and the day it is there. */
import { useEffect, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import type { Role } from '#contract/access.ts';
import type { ShopView } from '#contract/session.ts';
import type { Manner } from '#core/log/sentences.ts';
import { formatMoney } from '#core/money/money.ts';
import { dayOf } from '#core/time/days.ts';
import { sessionQuery } from './session.ts';

/** The signed-in person's shop. Only for pages behind the sign-in. */
export function useShop(): {
  shop: ShopView;
  person: { id: string; name: string; role: Role };
  seesPrices: boolean;
} {
  const { data } = useSuspenseQuery(sessionQuery);
  if (!data.shop || !data.person) throw new Error('nobody is signed in');
  return { shop: data.shop, person: data.person, seesPrices: data.person.role !== 'technician' };
}

const dayNow = (timeZone: string): string => dayOf(new Date().toISOString(), timeZone);

/** The shop's day; a page left open over midnight turns with it. */
export function useToday(): string {
  const { timeZone } = useShop().shop;
  const [today, setToday] = useState(() => dayNow(timeZone));
  useEffect(() => {
    const timer = setInterval(() => setToday(dayNow(timeZone)), 20_000);
    return () => clearInterval(timer);
  }, [timeZone]);
  return today;
}

export function useManner(): Manner {
  const { currency, locale } = useShop().shop;
  const today = useToday();
  return { currency, locale, today };
}

/** Money as this shop writes it. */
export function useMoney(): (minor: number) => string {
  const { currency, locale } = useShop().shop;
  return (minor) => formatMoney(minor, currency, locale);
}
