/** What the owner must see to so that nothing is lost and what is said of mail is true. */

export interface UpkeepFacts {
  /** How copies of everything are made: `elsewhere` where the database is looked after by others. */
  copies: {
    made: 'daily' | 'off' | 'elsewhere';
    /** UTC ISO instant of the newest whole copy; null where there is none. */
    lastGood: string | null;
    /** Why the last try did not come about, or what it lacks. */
    fault: string | null;
  };
  disk: { freeBytes: number; totalBytes: number };
  mail: {
    /** Why no mail goes out, or null. */
    whyNot: string | null;
    /** A mail went out to try how mail goes now. */
    tried: boolean;
    /** Mails of which nobody knows whether they went. */
    perhaps: number;
    waiting: number;
  };
}

export const UPKEEP_ALARMS = [
  'disk-full',
  'disk-low',
  'copy-old',
  'copy-fault',
  'copies-off',
  'mail-off',
  'mail-untried',
  'mail-perhaps',
] as const;
export type UpkeepAlarm = (typeof UPKEEP_ALARMS)[number];

const GIB = 2 ** 30;
const HOUR_MS = 3600_000;

/** Common practice: photographs and a copy of the database need room to be written beside before they count. */
export const DISK = { lowBytes: 5 * GIB, lowShare: 0.05, fullBytes: GIB / 2 } as const;

/** Whether there is room to write; null where there is. */
export function diskAlarm({ freeBytes, totalBytes }: UpkeepFacts['disk']): 'disk-full' | 'disk-low' | null {
  if (freeBytes < DISK.fullBytes) return 'disk-full';
  return freeBytes < Math.min(DISK.lowBytes, totalBytes * DISK.lowShare) ? 'disk-low' : null;
}

/** One copy a day, and one may fail. */
const OLDEST_COPY_MS = 48 * HOUR_MS;

/**
 * What is to be said, the most urgent first.
 * @param now UTC ISO instant
 * @param since UTC ISO instant from which there was something to copy
 */
export function upkeepAlarms({ copies, disk, mail }: UpkeepFacts, now: string, since: string): UpkeepAlarm[] {
  const alarms = new Set<UpkeepAlarm>();
  const room = diskAlarm(disk);
  if (room !== null) alarms.add(room);
  if (copies.made === 'off') alarms.add('copies-off');
  if (copies.made === 'daily') {
    const newest = Date.parse(copies.lastGood ?? since);
    if (Date.parse(now) - newest > OLDEST_COPY_MS) alarms.add('copy-old');
    if (copies.fault !== null) alarms.add('copy-fault');
  }
  if (mail.whyNot !== null) alarms.add('mail-off');
  else if (!mail.tried) alarms.add('mail-untried');
  if (mail.perhaps > 0) alarms.add('mail-perhaps');
  return UPKEEP_ALARMS.filter((a) => alarms.has(a));
}
