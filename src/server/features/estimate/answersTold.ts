/** What the customer answered, when, and by which way: told back to them, so that both have the same on record. */
import type { Given } from '#core/approval/answers.ts';
import { dayOf, type Day } from '#core/time/days.ts';
import type { EstimateNow } from './estimateNow.ts';

export interface AnswerTold {
  on: Day;
  /** Who answered, as they wrote it or as whoever took the call did. */
  name: string;
  via: 'page' | 'telephone';
  lines: { title: string; grossMinor: number; given: Given }[];
}

/** Every answer with its lines as they were sent, the newest first. What was left to another way is not a word of its own. */
export function answersTold({ answers, revisions }: EstimateNow, timeZone: string): AnswerTold[] {
  const sent = new Map(revisions.map((r) => [r.id, new Map(r.content.lines.map((l) => [l.id, l]))]));
  return answers.map((a) => ({
    on: dayOf(a.at, timeZone),
    name: a.name,
    via: a.via,
    lines: a.given.flatMap(({ lineId, answer }) => {
      const line = sent.get(a.revision_id)?.get(lineId);
      return line && answer !== 'other way'
        ? [{ title: line.title, grossMinor: line.grossMinor, given: answer }]
        : [];
    }),
  }));
}
