/** One figure of the benchmark. */
export interface Line {
  what: string;
  value: number;
  unit: string;
  /** What it should be, as `at least` or `at most`. */
  goal?: { atLeast?: number; atMost?: number };
}
