import type { UpkeepAlarm, UpkeepFacts } from '#core/upkeep/alarms.ts';

/** How the installation is kept, and what of it needs somebody. */
export interface UpkeepView extends UpkeepFacts {
  alarms: UpkeepAlarm[];
  /** How many whole copies there are. */
  copiesKept: number;
  /** The address that customers open, as it stands in letters. */
  publicUrl: string;
}
