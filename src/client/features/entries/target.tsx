/** Which car the log line writes to: the page says, unless the line itself names another. */
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Named } from '#core/capture/index.ts';

interface Target {
  build: Named | null;
  setBuild: (build: Named | null) => void;
}

const Context = createContext<Target>({ build: null, setBuild: () => undefined });

export function LogTarget({ children }: { children: ReactNode }) {
  const [build, setBuild] = useState<Named | null>(null);
  const value = useMemo(() => ({ build, setBuild }), [build]);
  return <Context value={value}>{children}</Context>;
}

export const useLogTarget = (): Named | null => use(Context).build;

/** A page about one car calls this. */
export function useThisCar(id: string | undefined, name: string | undefined): void {
  const { setBuild } = use(Context);
  useEffect(() => {
    setBuild(id && name ? { id, name } : null);
    return () => setBuild(null);
  }, [id, name, setBuild]);
}
