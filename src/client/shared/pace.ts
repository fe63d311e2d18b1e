/** How often something may be done: at once while it is seldom, at most so often in the long run. */
export class Pace {
  private left: number;
  private at = 0;

  /** `burst`: so many in a row without waiting; `everyMs`: then one each. */
  constructor(
    private readonly burst: number,
    private readonly everyMs: number,
  ) {
    this.left = burst;
  }

  /** Takes one if there is one, and answers 0; else the milliseconds until there is. `nowMs` never goes back. */
  take(nowMs: number): number {
    this.left = Math.min(this.burst, this.left + (nowMs - this.at) / this.everyMs);
    this.at = nowMs;
    if (this.left < 1) return Math.ceil((1 - this.left) * this.everyMs);
    this.left -= 1;
    return 0;
  }
}
