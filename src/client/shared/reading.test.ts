/** What is read again after news. Nasty case: the first answer is on its way, and was read before what is new. */
import { expect, test } from '@jest/globals';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { keyOf, readTouched } from './reading.ts';

/** A page that shows a logbook: its answers come when they are let go. */
function shown(client: QueryClient, buildId: string) {
  const answers: ((words: string) => void)[] = [];
  const queryFn = (): Promise<string> => new Promise((resolve) => answers.push(resolve));
  const observer = new QueryObserver(client, { queryKey: keyOf('entriesList', buildId), queryFn });
  observer.subscribe(() => undefined);
  return { answers, words: () => observer.getCurrentResult().data };
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

test('a first answer that was read before the news is read once more; one of another build is not', async () => {
  const client = new QueryClient();
  const [page, other] = [shown(client, 'van'), shown(client, 'hearse')];
  readTouched(client, new Set(['van']));
  page.answers[0]!('before');
  other.answers[0]!('before');
  await settled();
  expect([page.answers.length, other.answers.length]).toEqual([2, 1]);
  page.answers[1]!('with the news');
  await settled();
  expect(page.words()).toBe('with the news');
  readTouched(client, new Set(['van']));
  page.answers[2]!('newer');
  await settled();
  expect([page.words(), page.answers.length]).toEqual(['newer', 3]);
  client.clear();
});
