/** How far work is: hours spent against hours to go, never a guessed percentage and never how it looks. */

export interface Effort {
  spentMinutes: number;
  /** What whoever stopped last says is left; until somebody has said so, what was estimated less what was spent. */
  toGoMinutes: number;
}

/** Spent / (spent + to go), 0 to 1; 0 where nothing was spent, 1 where nothing is to go. */
export function progressOf({ spentMinutes, toGoMinutes }: Effort): number {
  const all = spentMinutes + toGoMinutes;
  return all === 0 ? 0 : spentMinutes / all;
}

export function addUp(efforts: readonly Effort[]): Effort {
  return efforts.reduce(
    (sum, e) => ({
      spentMinutes: sum.spentMinutes + e.spentMinutes,
      toGoMinutes: sum.toGoMinutes + e.toGoMinutes,
    }),
    { spentMinutes: 0, toGoMinutes: 0 },
  );
}

/** Hours to go of a task that nobody has stopped yet. */
export const toGoUnsaid = (estimatedMinutes: number, spentMinutes: number): number =>
  Math.max(0, estimatedMinutes - spentMinutes);

/** What the work is expected to come to against what was estimated; above 1 it runs over. Null without an estimate. */
export const overrunOf = (effort: Effort, estimatedMinutes: number): number | null =>
  estimatedMinutes === 0 ? null : (effort.spentMinutes + effort.toGoMinutes) / estimatedMinutes;

/** “7 h spent, 3 h to go (70 %)”; a whole hundred is said only when nothing is to go. */
export function progressInWords(effort: Effort, minutes: (n: number) => string): string {
  const share = progressOf(effort);
  const percent = effort.toGoMinutes > 0 ? Math.min(99, Math.floor(share * 100)) : Math.round(share * 100);
  return `${minutes(effort.spentMinutes)} spent, ${minutes(effort.toGoMinutes)} to go (${percent} %)`;
}
