/** What a demo estimate is written in. */
import type { EstimateLineDto } from '#contract/estimate.ts';
import type { LineClass } from '#core/log/kinds.ts';
import type { Work } from '#core/estimate/lines.ts';

type Points = [low: number, likely: number, high: number];

/** A line by its short name within the build; hours and pounds. */
export interface DemoLine {
  key: string;
  title: string;
  why: string;
  class: LineClass;
  work: Work;
  hours: Points;
  parts?: Points;
  outwork?: Points;
  sundries?: number;
  needs?: string[];
  access?: string[];
  later?: number;
  wish?: EstimateLineDto['wish'];
  wait?: boolean;
  /** The way to do it that it belongs to. */
  way?: string;
  /** Words of the finding that it comes from. */
  finding?: string;
}

/** Ways to do it, the first of them advised. */
interface DemoChoice {
  title: string;
  ways: { key: string; name: string; weeks: [number, number]; risk: string }[];
}

export interface DemoEstimate {
  choices?: DemoChoice[];
  /** Lines put on the estimate now; one of a known key is changed. */
  lines: DemoLine[];
  openings?: { name: string; work: Work; hours: number }[];
  /** Sent with these words; absent: not sent yet. */
  note?: string;
}
