/** The demo's letters: how each customer likes to be told, what they asked on their page, and what they were answered. */
import { createHash } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import { DETAILS, type Detail } from '#core/update/letter.ts';
import { addDays, type Day } from '#core/time/days.ts';
import { inShop } from '#server/db/pool.ts';
import type { Deps } from '#server/deps.ts';
import { bindBook } from '#server/features/book/index.ts';
import { insertBook } from '#server/features/book/book.queries.ts';
import { giveBook } from '#server/features/book/book.service.ts';
import { buildForUpdate } from '#server/features/builds/index.ts';
import { putManner, readManner } from '#server/features/letters/manner.service.ts';
import { askIn } from '#server/features/questions/index.ts';
import { answerQuestion, readQuestions } from '#server/features/questions/questions.service.ts';
import { givePaper, takePaper } from '#server/features/papers/papers.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import { bytesOf, MARGIN, openPaper, write } from '#server/paper/paper.ts';
import { fieldsOf } from './fillParts.ts';

interface Telling {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  id: () => string;
  today: Day;
}

const isDetail = (value: string | undefined): value is Detail =>
  (DETAILS as readonly (string | undefined)[]).includes(value);

/** "detail=enthusiast; greeting=Guten Tag {name},; also=EUR; rate=1.17; metric=yes". */
async function tellSo({ deps, who, buildId, today }: Telling, rule: string): Promise<void> {
  const { detail, greeting = '', also, rate, metric } = fieldsOf(rule);
  const { version } = await readManner(deps, who, buildId);
  await putManner(deps, who, buildId, {
    version,
    detail: isDetail(detail) ? detail : 'full',
    greeting,
    closing: '',
    textTo: '',
    ...(metric === undefined ? {} : { metric: metric === 'yes' }),
    ...(also === undefined
      ? {}
      : { alsoCurrency: also, alsoRate: Number(rate), alsoRateOn: addDays(today, -1) }),
  });
}

/** "Tove: Can I keep the old heater?". */
async function ask({ deps, who, buildId, id }: Telling, rule: string): Promise<void> {
  const [name = '', ...text] = rule.split(': ');
  await inShop(deps.db, who.shopId, async (tx) => {
    const build = (await buildForUpdate(tx, buildId))!;
    await askIn(tx, deps, build, { id: id(), name, text: text.join(': ') });
  });
}

/** Answers what was asked last. */
async function answer({ deps, who, buildId }: Telling, text: string): Promise<void> {
  const open = (await readQuestions(deps, who, buildId)).find((q) => q.answeredAt === null);
  if (!open) throw new Error(`nobody asked what is answered: ${text}`);
  await answerQuestion(deps, who, open.id, { answer: text });
}

/** "costs=yes": bound now, and given to the customer. */
async function bind({ deps, who, buildId, id }: Telling, rule: string): Promise<void> {
  const bookId = id();
  const asked = { withCosts: fieldsOf(rule).costs === 'yes', meant: [], zip: null };
  // Not by the queue, whose clock is today's.
  await inShop(deps.db, who.shopId, (tx) =>
    insertBook(tx, {
      id: bookId,
      origin: 'bound',
      buildId,
      ...asked,
      by: who.personId,
      now: deps.clock.now(),
    }),
  );
  await bindBook(deps, { shopId: who.shopId, bookId }, true);
  await giveBook(deps, who, bookId);
}

/** "Pressure test of the gas side: what it says": a paper that was drawn up for the demo, given to the customer. */
async function givePaperOf({ deps, who, buildId, id }: Telling, rule: string): Promise<void> {
  const [name = '', ...words] = rule.split(': ');
  const doc = openPaper(name);
  const bytes = await bytesOf(doc, () => {
    write(doc, name, MARGIN, MARGIN, { size: 20, weight: 'bold' });
    write(doc, `${words.join(': ')}\n\nMade up for the demo shop.`, MARGIN, MARGIN + 48, { size: 11 });
  });
  const file = await deps.photos.incoming();
  await writeFile(file, bytes);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const paper = await takePaper(deps, who, { buildId, id: id() }, `${name}.pdf`, {
    file,
    hash,
    bytes: bytes.length,
  });
  await givePaper(deps, who, paper.id, { given: true });
}

const ACTS: Record<string, (t: Telling, rule: string) => Promise<void>> = {
  '@told': tellSo,
  '@asks': ask,
  '@answers': answer,
  '@book': bind,
  '@paper': givePaperOf,
};

/** Answers whether the step was one of these. */
export async function letters(telling: Telling, text: string): Promise<boolean> {
  const [word = '', ...rest] = text.split(' ');
  const act = ACTS[word];
  if (!act) return false;
  await act(telling, rest.join(' '));
  return true;
}
