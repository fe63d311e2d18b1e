/** Parts of all cars as CSV, and parts of a car from one. */
import { v5 as uuidv5 } from 'uuid';
import type { PartsImportDto } from '#contract/parts.ts';
import type { TableView } from '#contract/table.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import { tableOfParts, type PartColumn } from '#core/parts/exchange.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { csvFile, settleTable } from '../../http/csv.ts';
import type { OutFile } from '../../http/outFile.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { noteEvent, shopOf } from '../session/index.ts';
import * as q from './parts.queries.ts';
import { needed } from './written.ts';

/** Rows of one file: more than a shop has open in a year. */
const MOST_OUT = 10_000;
/** Parts brought into one car at once. */
const MOST_IN = 1000;

/** What is open over all cars. */
export const exportParts = (deps: Deps, who: SignedIn): Promise<OutFile> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { currency } = await shopOf(tx);
    const rows = (await q.partsOfShop(tx, '', MOST_OUT)).map((p) => ({
      ...p.content,
      car: p.nickname,
      state: p.state,
      due: p.due,
      vendor: p.vendor,
    }));
    const text = 'The parts of all cars, as CSV.';
    await noteEvent(tx, deps.clock.now(), { kind: 'export', text, byId: who.personId });
    return csvFile('parts.csv', tableOfParts(rows, currency));
  });

/** Reads a table of parts; with `keep`, and only if every row reads, writes them down as needed. */
export const importParts = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: PartsImportDto,
): Promise<TableView<PartColumn>> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const { currency, locale } = await shopOf(tx);
    const { text, columns } = dto;
    const table = await deps.compute.run('partsTable', { text, columns }, { currency, locale });
    return settleTable(dto, table, 'what', async (parts) => {
      if (parts.length > MOST_IN)
        throw new Refusal('invalid', `At most ${MOST_IN} parts at once. Nothing was kept.`);
      const acts: DoneAct[] = [];
      for (const [i, { vendor, ...content }] of parts.entries()) {
        const id = uuidv5(String(i), dto.id);
        if (await q.partById(tx, id)) continue;
        acts.push(needed(id));
        // A list stays in the order of its rows.
        const now = new Date(Date.parse(deps.clock.now()) + i).toISOString();
        await q.insertPart(tx, {
          id,
          buildId,
          lineId: null,
          donorId: null,
          content,
          vendor,
          now,
        });
      }
      const [first] = acts;
      if (first)
        await logIn(tx, deps, build, {
          personId: who.personId,
          kind: 'needs',
          text: `needs ${acts.length === 1 ? 'a part' : `${acts.length} parts`}, from a table`,
          about: { type: 'part', id: first.id },
          acts,
        });
    });
  });
