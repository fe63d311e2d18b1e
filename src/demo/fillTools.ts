/** The demo's tools that somebody has taken with them: one overdue, one due, one without a day, one back. */
import { addDays, type Day } from '#core/time/days.ts';
import type { Deps } from '#server/deps.ts';
import { putLoan } from '#server/features/tools/tools.service.ts';
import type { SignedIn } from '#server/http/session.ts';

/** What, to whom, so many days ago, due in so many, back so many days ago. */
const LOANS: [string, string, number, number | null, number | null][] = [
  ['valve spring compressor', 'Cobb Springs', 19, -4, null],
  ['torque wrench, large', 'Petra Vosk', 2, 3, null],
  ['engine crane', 'the boatyard next door', 40, null, null],
  ['paint gauge', 'Milo Tarrant', 30, -20, 18],
];

export async function lendTools(deps: Deps, who: SignedIn, today: Day, id: () => string): Promise<void> {
  for (const [what, lentTo, ago, dueIn, backAgo] of LOANS)
    await putLoan(deps, who, id(), {
      version: 0,
      what,
      lentTo,
      lentOn: addDays(today, -ago),
      ...(dueIn === null ? {} : { due: addDays(today, dueIn) }),
      ...(backAgo === null ? {} : { backOn: addDays(today, -backAgo) }),
    });
}
