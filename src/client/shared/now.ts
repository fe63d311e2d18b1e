/** The server's clock, as it goes on while a page stands open. */
import { useEffect, useState } from 'react';

const TICK_MS = 15_000;

/** The instant now, from the server's `then` at which the page's data was read; ticks four times a minute. */
export function useNow(then: string): string {
  const [ahead, setAhead] = useState({ then, ms: 0 });
  useEffect(() => {
    const began = performance.now();
    const timer = setInterval(() => setAhead({ then, ms: performance.now() - began }), TICK_MS);
    return () => clearInterval(timer);
  }, [then]);
  return new Date(Date.parse(then) + (ahead.then === then ? ahead.ms : 0)).toISOString();
}
