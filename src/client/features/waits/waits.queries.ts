import type { BuildWaitView } from '#contract/waits.ts';
import type { Hold } from '#core/waits/binding.ts';
import { readOf } from '../../shared/reading.ts';

export const waitsQuery = readOf('waitsRead');

/** Everything that holds a car up, what ends last in front. */
export const holdsOf = (held: BuildWaitView | undefined): Hold[] =>
  held === undefined ? [] : [...(held.binding ? [held.binding] : []), ...held.others];
