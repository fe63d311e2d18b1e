/**
 * Three-point hours: what tasks one after another take together, and the chance to be done in time.
 *
 * Sources. Mean and deviation: Malcolm, Roseboom, Clark & Fazar 1959, Operations Research 7; PMBOK Guide (published). The sum is only
 * roughly normal: textbook (central limit). Half and four fifths as limits: common practice.
 */
import { inconsistent, judged, listAt, numberAt, objectAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore
import { normalCdf } from './statistics.ts';

export interface PertPlanInput {
  tasks: { optimistic_h: number; likely_h: number; pessimistic_h: number }[];
  deadline_h?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface PertPlanResult extends Judged {
  tasks: { mean_h: number; sd_h: number }[];
  total_h: number;
  sd_h: number;
  p80_h: number;
  probabilityOnTime: number | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { unlikely: 0.5, tight: 0.8 };

const MOST_HOURS = 100_000;
/** Normal quantile of four fifths. */
const Z80 = 0.8416212335729143;
const FEW = 5;

function taskAt(value: unknown, field: string): { mean_h: number; sd_h: number } {
  const of = objectAt(value, field);
  const at = (name: string): number => numberAt(of[name], `${field}.${name}`, { least: 0, most: MOST_HOURS });
  const [a, m, b] = [at('optimistic_h'), at('likely_h'), at('pessimistic_h')];
  if (m < a) throw inconsistent(`${field}.likely_h`, 'it is below the optimistic one');
  if (b < m) throw inconsistent(`${field}.pessimistic_h`, 'it is below the likely one');
  return { mean_h: (a + 4 * m + b) / 6, sd_h: (b - a) / 6 };
}

function chanceOf(deadline: number, total: number, sd: number): number {
  if (sd === 0) return deadline >= total - SLACK ? 1 : 0;
  return normalCdf((deadline - total) / sd);
}

/** Adds tasks up that come one after another and do not hang on each other. */
export function pertPlan(input: PertPlanInput): PertPlanResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const tasks = listAt(input.tasks, 'tasks', { least: 1, most: 500 }).map((t, i) => taskAt(t, `tasks[${i}]`));
  const deadline = optionalAt(input.deadline_h, 'deadline_h', { least: 0, most: 1e8 });
  const total = tasks.reduce((a, t) => a + t.mean_h, 0);
  const sd = Math.sqrt(tasks.reduce((a, t) => a + t.sd_h ** 2, 0));
  const chance = deadline === null ? null : chanceOf(deadline, total, sd);
  const { reasons, say } = reasonList();
  if (chance !== null) {
    const so = `The chance to be done in time is ${(chance * 100).toFixed(0)} %.`;
    if (chance < allowed.unlikely - SLACK) say('fail', 'deadline_unlikely', so);
    else if (chance < allowed.tight - SLACK) say('watch', 'deadline_tight', so);
    if (sd > 0 && tasks.length < FEW)
      say('watch', 'few_tasks_normal_is_rough', `With fewer than ${FEW} tasks the chance is rough.`);
  }
  return {
    tasks,
    total_h: total,
    sd_h: sd,
    p80_h: total + Z80 * sd,
    probabilityOnTime: chance,
    ...judged(reasons),
  };
}
