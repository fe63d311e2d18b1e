import type { PlaceWanted } from '#core/graph/readiness.ts';
import type { Hold } from '#core/waits/binding.ts';

export interface BuildWaitView {
  buildId: string;
  nickname: string;
  /** The one thing that releases it last; null where it can be worked on. */
  binding: Hold | null;
  /** Everything else that holds it too. */
  others: Hold[];
  /** Each way to get it going, as the holds that all have to end: by their place among the binding one and the others. */
  ways: number[][];
  /** Tasks that nothing else holds up than where the car stands. */
  places: PlaceWanted[];
}

export interface WaitsView {
  waits: BuildWaitView[];
}
