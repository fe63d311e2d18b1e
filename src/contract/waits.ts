import type { Hold } from '#core/waits/binding.ts';

export interface BuildWaitView {
  buildId: string;
  nickname: string;
  /** The one thing that releases it last; null where it can be worked on. */
  binding: Hold | null;
  /** Everything else that holds it too. */
  others: Hold[];
}

export interface WaitsView {
  waits: BuildWaitView[];
}
