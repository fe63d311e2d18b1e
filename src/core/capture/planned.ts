/** What a task that a line plans is called. */
import { LONGEST_TITLE } from '../work/tasks.ts';

/** Its words up to where a comma or a number begins to say how long it takes, or when. Read once, when the line is kept. */
export function titleOf(line: string): string {
  const said = line.replace(/^(?:(?:we |i )?plan(?:ned|ning)?(?: to)?|to[ -]do|todo)\s*:?\s+/i, '').trim();
  const title = said.split(/[,;]|\.\s|\s(?=\d)/)[0]!.trim();
  return (title === '' ? said : title).slice(0, LONGEST_TITLE);
}
