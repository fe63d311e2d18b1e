/** Which car the log line writes to: the page says, unless the line itself names another. */
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Named } from '#core/capture/index.ts';

/** The car at hand, and the zone of it where one is looking. */
export type Here = Named & { zone?: string };

interface Target {
  build: Here | null;
  setBuild: (build: Here | null) => void;
}

const Context = createContext<Target>({ build: null, setBuild: () => undefined });

export function LogTarget({ children }: { children: ReactNode }) {
  const [build, setBuild] = useState<Here | null>(null);
  const value = useMemo(() => ({ build, setBuild }), [build]);
  return <Context value={value}>{children}</Context>;
}

export const useLogTarget = (): Here | null => use(Context).build;

/** A page about one car calls this. */
export function useThisCar(id: string | undefined, name: string | undefined, zone?: string): void {
  const { setBuild } = use(Context);
  useEffect(() => {
    setBuild(id && name ? { id, name, ...(zone === undefined ? {} : { zone }) } : null);
    return () => setBuild(null);
  }, [id, name, zone, setBuild]);
}
