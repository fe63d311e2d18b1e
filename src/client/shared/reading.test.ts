/**
 * What is read again after news, and what is shown after a change. Nasty cases: the first answer is on its way, and was read before what
 * is new; a read that began before a change comes back after it; a refused change; a change of what stands beside the builds.
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { ROUTES, type RouteName } from '#contract/routes.ts';
import { keyOf, readChanged, readTold, showAnswer } from './reading.ts';

let client = new QueryClient();
afterEach(() => {
  client.clear();
  client = new QueryClient();
});

/** A page that shows what a route answers: its answers come when they are let go. */
function shown(route: RouteName, ...of: string[]) {
  const answers: ((words: string) => void)[] = [];
  const queryFn = (): Promise<string> => new Promise((resolve) => answers.push(resolve));
  const observer = new QueryObserver(client, { queryKey: keyOf(route, ...of), queryFn });
  observer.subscribe(() => undefined);
  return { answers, words: () => observer.getCurrentResult().data as unknown };
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

test('a first answer that was read before the news is read once more; one of another build is not', async () => {
  const [page, other] = [shown('entriesList', 'van'), shown('entriesList', 'hearse')];
  readTold(client, ['van']);
  page.answers[0]!('before');
  other.answers[0]!('before');
  await settled();
  expect([page.answers.length, other.answers.length]).toEqual([2, 1]);
  page.answers[1]!('with the news');
  await settled();
  expect(page.words()).toBe('with the news');
  readTold(client, ['van']);
  page.answers[2]!('newer');
  await settled();
  expect([page.words(), page.answers.length]).toEqual(['newer', 3]);
});

describe('what a route answers to a change', () => {
  const AFTER = { symptoms: 'two' };

  test('stays, though a read began before it and ends after it; that read is made once more', async () => {
    const page = shown('symptomsRead', 'van');
    page.answers[0]!('one');
    await settled();
    readTold(client, ['van']);
    await showAnswer(client, 'symptomPut', { buildId: 'van', symptomId: 's' }, AFTER);
    page.answers[1]!('one');
    await settled();
    expect([page.words(), page.answers.length]).toEqual([AFTER, 3]);
    page.answers[2]!('two, and a third');
    await settled();
    expect(page.words()).toBe('two, and a third');
  });

  test('stays, though the very first read began before it', async () => {
    const page = shown('symptomsRead', 'van');
    await showAnswer(client, 'symptomPut', { buildId: 'van', symptomId: 's' }, AFTER);
    page.answers[0]!('one');
    await settled();
    expect([page.words(), page.answers.length]).toEqual([AFTER, 2]);
  });

  test('is shown where its own parameters do not say whose it is', async () => {
    const page = shown('letterRead', 'l1');
    page.answers[0]!('');
    await settled();
    await showAnswer(client, 'letterDraft', { buildId: 'van' }, { id: 'l1', state: 'draft' });
    expect(page.words()).toEqual({ id: 'l1', state: 'draft' });
  });
});

describe('what a change may have changed', () => {
  /** The pages that are read again after a call. */
  async function readAgainAfter(route: RouteName, params: Record<string, string>): Promise<string[]> {
    const pages = {
      floor: shown('floor'),
      van: shown('costsRead', 'van'),
      hearse: shown('costsRead', 'hearse'),
      terms: shown('termsRead'),
      lists: shown('shopLists'),
      rounds: shown('letterDraft', 'van'),
      rules: shown('rulesRead'),
    };
    for (const { answers } of Object.values(pages)) answers[0]!('');
    await settled();
    readChanged(client, route, params);
    await settled();
    return Object.entries(pages).flatMap(([name, { answers }]) => (answers.length > 1 ? [name] : []));
  }

  test.each<[RouteName, Record<string, string>, string[]]>([
    ['instalmentPaid', { buildId: 'van', instalmentId: 'i' }, ['floor', 'van', 'lists']],
    ['invoicePut', { invoiceId: 'i' }, ['floor', 'van', 'hearse', 'lists']],
    ['ratePut', { rateId: 'r' }, ['van', 'hearse', 'terms']],
    ['ruleSave', { rule: 'r' }, ['rules']],
    ['letterSave', { letterId: 'l' }, []],
    ['mannerPut', { buildId: 'van' }, []],
  ])('%s', async (route, params, pages) => {
    expect(await readAgainAfter(route, params)).toEqual(pages);
  });

  test('each topic is read somewhere and changed somewhere', () => {
    const of = (isRead: boolean): Set<string> =>
      new Set(Object.values(ROUTES).flatMap((r) => ((r.method === 'get') === isRead ? r.topics : [])));
    expect([...of(true)].sort()).toEqual([...of(false)].sort());
  });
});
