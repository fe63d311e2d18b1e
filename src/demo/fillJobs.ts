/** “@job third gear synchro ring | Gearbox rebuilt”: a finding that turned out to be part of a job that was there already. */
import type { Deps } from '#server/deps.ts';
import { joinJob, readJobs } from '#server/features/jobs/jobs.service.ts';
import type { SignedIn } from '#server/http/session.ts';

interface At {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  id: () => string;
}

export async function mergeJob({ deps, who, buildId, id }: At, text: string): Promise<void> {
  const [words = '', title = ''] = text.split(' | ');
  const { jobs } = await readJobs(deps, who, buildId);
  const from = jobs.find((j) => j.findings.some((f) => f.text.includes(words)));
  const to = jobs.find((j) => j.title === title);
  if (!from || !to) throw new Error(`there is no job “${from ? title : words}”`);
  await joinJob(deps, who, buildId, from.id, { entryId: id(), toId: to.id });
}
