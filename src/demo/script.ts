/** Turns the demo's stories into dated steps: what was written, by whom, how many days ago. */
import { groupBy } from '#core/lists/groupBy.ts';
import type { DemoBuild } from './saltmarsh.ts';

export interface Step {
  build: number;
  daysAgo: number;
  /** Minutes after eight in the morning. */
  minute: number;
  /** Who: the key letter of a person. */
  who: string;
  text: string;
  /** Photographs taken with it: "ringed rail: nearside end". */
  photos: string[];
}

/** Begins a row that belongs to the one before it. */
const PHOTO = '@photo ';

const WORK_DAY_MINUTES = 9 * 60;

function storySteps(build: DemoBuild, index: number): Step[] {
  const steps: Step[] = [];
  for (const row of build.story.trim().split('\n')) {
    const [days = '', who = '', ...words] = row.split(' ');
    const text = words.join(' ');
    if (text.startsWith(PHOTO)) {
      steps.at(-1)?.photos.push(text.slice(PHOTO.length));
      continue;
    }
    steps.push({ build: index, daysAgo: Number(days), minute: 0, who, text, photos: [] });
  }
  return overTheDay(steps, index);
}

/** What a story says of one day happens in the order in which it says it, spread over the day. */
function overTheDay(steps: Step[], index: number): Step[] {
  for (const day of groupBy(steps, (s) => s.daysAgo).values())
    for (const [i, s] of day.entries())
      s.minute = Math.floor(((i + 0.5) / day.length) * (WORK_DAY_MINUTES - 60)) + index;
  return steps;
}

/** What is done to one part after another, and by whom: the daily work between the story's own lines. */
const ROUTINE: [string, (part: string, hours: string) => string][] = [
  ['M', (p, h) => `stripped ${p}, ${h}`],
  ['J', (p, h) => `cleaned ${p}, ${h}`],
  ['M', (p, h) => `repaired ${p}, ${h}`],
  ['P', (p, h) => `trial fitted ${p}, ${h}`],
];
const HOURS = ['1h', '2h', '1.5h', '45 min', '3h', 'half an hour', '2h 30', 'an hour and a half'];

function routineSteps(build: DemoBuild, index: number, arrivedAgo: number, endedAgo: number): Step[] {
  const steps: Step[] = [];
  build.parts.forEach((part, p) =>
    ROUTINE.forEach(([who, say], r) => {
      const n = p * ROUTINE.length + r;
      const along = (p + r / ROUTINE.length + 0.5) / (build.parts.length + 1);
      const daysAgo = Math.max(endedAgo, Math.round(arrivedAgo - (arrivedAgo - endedAgo) * along));
      const text = say(part, HOURS[(n * 5 + index * 3) % HOURS.length]!);
      steps.push({
        build: index,
        daysAgo,
        minute: (90 + n * 71 + index * 23) % WORK_DAY_MINUTES,
        who,
        text,
        photos: [],
      });
    }),
  );
  return steps;
}

/** Every step of every build, oldest first. */
export function stepsOf(builds: readonly DemoBuild[]): Step[] {
  const steps = builds.flatMap((build, index) => {
    const story = storySteps(build, index);
    const arrivedAgo = Math.max(...story.map((s) => s.daysAgo));
    // While it rests nobody works on it.
    const restsAgo = story.find((s) => /^@(?:rest|home) /.test(s.text))?.daysAgo ?? 0;
    return [...story, ...routineSteps(build, index, arrivedAgo - 6, Math.max(2, restsAgo + 1))];
  });
  return steps.sort((a, b) => b.daysAgo - a.daysAgo || a.minute - b.minute || a.build - b.build);
}
