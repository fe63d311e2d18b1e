/** Papers of a car, as PDF: taken in as they are, and given to the customer to keep or kept by the shop. */
import { rm } from 'node:fs/promises';
import type { Request, Response } from 'express';
import { fileTypeFromFile } from 'file-type';
import { MOST_PAPER_BYTES, type PaperGiveDto, type PaperView } from '#contract/papers.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { receive, type Limit, type Received } from '../../media/receive.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { nameOf, sendPhoto } from '../photos/index.ts';
import * as q from './papers.queries.ts';

const OF_A_PAPER: Limit = {
  most: MOST_PAPER_BYTES,
  whyNot: (bytes) =>
    bytes === 0
      ? 'The file is empty.'
      : bytes > MOST_PAPER_BYTES
        ? `The file is larger than ${MOST_PAPER_BYTES / 1024 / 1024} MB.`
        : null,
};

export interface PaperAt {
  buildId: string;
  id: string;
}

/** The same bytes again under the same id are the same paper. */
function sameOr(row: q.PaperRow, at: PaperAt, hash: string): PaperView {
  if (row.build_id !== at.buildId || row.hash !== hash || row.removed_at !== null)
    throw new Refusal('conflict', 'Another paper was kept under this id already.');
  return q.toPaper(row);
}

/** Takes a file that lies on the disk as a paper of a car. The file is gone afterwards. */
export async function takePaper(
  deps: Deps,
  who: SignedIn,
  at: PaperAt,
  name: string,
  { file, hash, bytes }: Received,
): Promise<PaperView> {
  try {
    const mime = (await fileTypeFromFile(file).catch(() => undefined))?.mime;
    if (mime !== 'application/pdf')
      throw new Refusal('invalid', 'By its content it is no PDF. Nothing was kept.', {
        fields: [{ field: 'file', reason: 'a PDF' }],
      });
    await deps.photos.take(who.shopId, hash, file);
    return await inShop(deps.db, who.shopId, async (tx) => {
      if (!(await buildForUpdate(tx, at.buildId))) throw notFound('build');
      const before = await q.paperById(tx, at.id);
      if (before) return sameOr(before, at, hash);
      const { personId } = who;
      await q.insertPaper(tx, { ...at, name, hash, bytes, personId, now: deps.clock.now() });
      return q.toPaper((await q.paperById(tx, at.id))!);
    });
  } finally {
    await rm(file, { force: true });
  }
}

export async function uploadPaper(deps: Deps, who: SignedIn, at: PaperAt, req: Request): Promise<PaperView> {
  const received = await receive(req, await deps.photos.incoming(), OF_A_PAPER);
  return takePaper(deps, who, at, nameOf(req), received);
}

export const listPapers = (deps: Deps, who: SignedIn, buildId: string): Promise<{ papers: PaperView[] }> =>
  inShop(deps.db, who.shopId, async (tx) => ({ papers: (await q.papersOf(tx, buildId)).map(q.toPaper) }));

async function present(tx: Tx, id: string): Promise<q.PaperRow> {
  const row = await q.paperById(tx, id);
  if (!row || row.removed_at !== null) throw notFound('paper');
  return row;
}

/** Puts a paper on the customer's page, or takes it off again; the logbook says so. */
export const givePaper = (deps: Deps, who: SignedIn, id: string, dto: PaperGiveDto): Promise<PaperView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = (await buildForUpdate(tx, (await present(tx, id)).build_id))!;
    const paper = await present(tx, id);
    if ((paper.given_at !== null) === dto.given) return q.toPaper(paper);
    await q.setGiven(tx, id, dto.given ? deps.clock.now() : null);
    await logIn(tx, deps, build, {
      personId: who.personId,
      kind: 'note',
      text: dto.given
        ? `Gave the customer ${paper.name} to keep`
        : `Took ${paper.name} off the customer’s page`,
      audience: 'shop',
      about: { type: 'paper', id },
    });
    return q.toPaper(await present(tx, id));
  });

/** Takes a paper away, from the customer's page too. */
export const dropPaper = (deps: Deps, who: SignedIn, id: string): Promise<{ removed: true }> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const row = await q.paperById(tx, id);
    if (!row) throw notFound('paper');
    if (row.removed_at === null) await q.setRemoved(tx, id, deps.clock.now());
    return { removed: true as const };
  });

const asFile = (row: q.PaperRow) => ({
  hash: row.hash,
  type: 'application/pdf',
  saveAs: /\.pdf$/i.test(row.name) ? row.name : `${row.name}.pdf`,
  mayChange: true,
});

export async function sendPaper(deps: Deps, who: SignedIn, id: string, res: Response): Promise<void> {
  const row = await inShop(deps.db, who.shopId, (tx) => present(tx, id));
  await sendPhoto(deps, res, who.shopId, asFile(row));
}

/** The file of a paper that the customer of this build was given; null where they were not. */
export async function paperGiven(
  tx: Tx,
  buildId: string,
  id: string,
): Promise<ReturnType<typeof asFile> | null> {
  const row = (await q.papersGiven(tx, buildId)).find((p) => p.id === id);
  return row ? asFile(row) : null;
}
