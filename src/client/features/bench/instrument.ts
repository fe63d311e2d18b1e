/** What measures and sends its readings by itself. Gauges that type like a keyboard need none of this. */

export interface Instrument {
  name: string;
  /** Only played: its readings are made up. */
  isPlayed: boolean;
  /**
   * Sends readings until it is stopped. `wanted` gives what could be read at the place where one measures; null where it measures nothing.
   */
  start: (wanted: () => number | null, onReading: (value: number) => void) => () => void;
}

const EVERY_MS = 200;

/** A stand-in that streams made-up readings with noise. */
export const playedInstrument = (name: string): Instrument => ({
  name,
  isPlayed: true,
  start: (wanted, onReading) => {
    const timer = setInterval(() => {
      const value = wanted();
      if (value !== null) onReading(value);
    }, EVERY_MS);
    return () => clearInterval(timer);
  },
});
