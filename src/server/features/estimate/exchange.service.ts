/** Estimates out as CSV and JSON, and lines in from CSV: looked at first, then kept whole or not at all. */
import { v5 as uuidv5 } from 'uuid';
import { MOST_LINES, type ImportDto, type ImportView } from '#contract/estimate.ts';
import { tableOf, type TableLine } from '#core/estimate/exchange.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { totalsOf } from '#core/estimate/totals.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { csvFile, settleTable } from '../../http/csv.ts';
import type { OutFile } from '../../http/outFile.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { noteEvent, shopOf } from '../session/index.ts';
import * as q from './estimate.queries.ts';
import { estimateNow } from './estimateNow.ts';

/** Keeps lines that were read; the same import sent again finds its lines there. */
async function keepLines(
  tx: Tx,
  at: { buildId: string; importId: string },
  lines: readonly TableLine[],
): Promise<void> {
  const there = (await q.linesOf(tx, at.buildId)).length;
  const fresh: { id: string; line: (typeof lines)[number] }[] = [];
  for (const [i, line] of lines.entries()) {
    const id = uuidv5(String(i), at.importId);
    if (!(await q.lineById(tx, id))) fresh.push({ id, line });
  }
  if (there + fresh.length > MOST_LINES)
    throw new Refusal('invalid', `An estimate holds at most ${MOST_LINES} lines. Nothing was kept.`);
  for (const { id, line } of fresh) {
    const content: q.LineContent = {
      ...line,
      access: [...line.access],
      needs: [],
      proposal: 'do',
      wish: 'none',
    };
    await q.insertLine(tx, { id, buildId: at.buildId, content, findingId: null });
  }
}

/** Reads a table of lines; with `keep`, and only if every row reads, puts them on the estimate. */
export const importLines = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: ImportDto,
): Promise<ImportView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const { currency, locale } = await shopOf(tx);
    const { text, columns } = dto;
    const table = await deps.compute.run('estimateTable', { text, columns }, { currency, locale });
    return settleTable(dto, table, 'title', (lines) => keepLines(tx, { buildId, importId: dto.id }, lines));
  });

/** Figures that leave the shop are in its record. */
const noteExport = (tx: Tx, deps: Deps, who: SignedIn, nickname: string, as: string): Promise<number> =>
  noteEvent(tx, deps.clock.now(), {
    kind: 'export',
    text: `The estimate of the ${nickname}, as ${as}.`,
    byId: who.personId,
  });

const fileName = (number: string, nickname: string): string =>
  `${number}-${nickname.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-estimate`;

/** The estimate as it stands, for a spreadsheet. Cells that look like formulas are guarded. */
export const exportCsv = (deps: Deps, who: SignedIn, buildId: string): Promise<OutFile> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { build, rows } = await estimateNow(tx, deps, buildId);
    const { currency } = await shopOf(tx);
    await noteExport(tx, deps, who, build.nickname, 'CSV');
    const table = tableOf(
      rows.map((r) => r.content),
      currency,
    );
    return csvFile(`${fileName(build.number, build.nickname)}.csv`, table);
  });

/** The estimate with its terms, sums and what was sent, for other programs. Money is in minor units, hours in minutes. */
export const exportJson = (deps: Deps, who: SignedIn, buildId: string): Promise<OutFile> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { build, rows, lines, choices, terms, revisions } = await estimateNow(tx, deps, buildId);
    await noteExport(tx, deps, who, build.nickname, 'JSON');
    const { currency } = await shopOf(tx);
    const { expectedMinor, taxMinor, grossMinor, p80GrossMinor } = totalsOf(
      lines.filter((l) => l.proposal === 'do'),
      terms,
    );
    const content = {
      build: {
        number: build.number,
        nickname: build.nickname,
        vehicle: build.vehicle,
        year: build.vehicle_year,
      },
      currency,
      terms,
      totals: { expectedMinor, taxMinor, grossMinor, p80GrossMinor },
      choices,
      lines: rows.map(({ id, content: c, finding_id }) => ({ id, ...c, findingId: finding_id })),
      revisions: revisions.map(({ number, hash, sentAt, content: c }) => ({
        number,
        hash,
        sentAt,
        content: c,
      })),
    };
    const body = JSON.stringify(content, null, 2);
    return { name: `${fileName(build.number, build.nickname)}.json`, type: 'application/json', body };
  });

/** The estimate as it stands, or a revision as it was sent, on paper. */
export async function exportPdf(
  deps: Deps,
  who: Pick<SignedIn, 'shopId'>,
  buildId: string,
  revisionId: string | null,
): Promise<OutFile> {
  const paper = await inShop(deps.db, who.shopId, async (tx) => {
    const { build, frozen, revisions } = await estimateNow(tx, deps, buildId);
    const revision = revisionId === null ? null : revisions.find((r) => r.id === revisionId);
    if (revision === undefined) throw notFound('revision');
    const { name: shop, locale, timeZone } = await shopOf(tx);
    return {
      shop,
      locale,
      vehicle: build.vehicle,
      number: build.number,
      nickname: build.nickname,
      customer: build.customer,
      day: formatDay(dayOf(revision?.sentAt ?? deps.clock.now(), timeZone), locale),
      hash: revision?.hash ?? null,
      content: revision?.content ?? frozen,
    };
  });
  const thumbs = paper.content.lines.flatMap((l) => (l.pictures ?? []).map((p) => p.thumb));
  const files = new Map(thumbs.map((thumb) => [thumb, deps.photos.pathOf(who.shopId, thumb)]));
  const body = Buffer.from(await deps.compute.run('estimatePaper', { ...paper, files }));
  const name = `${fileName(paper.number, paper.nickname)}-${paper.content.number}.pdf`;
  return { name, type: 'application/pdf', body };
}
