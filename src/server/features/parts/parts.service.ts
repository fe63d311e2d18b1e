/** Parts of a build and of the whole shop. What is done with one is an entry of the logbook. */
import type {
  PartActDto,
  PartPutDto,
  PartsDeskView,
  PartsQueryDto,
  PartsView,
  PartView,
} from '#contract/parts.ts';
import { whyMayNotFit, whyNotSerialRange } from '#core/parts/fits.ts';
import { formatDay } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidFields, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { mapInTurns } from '../../turns.ts';
import { buildDetail, buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn, sameWritten, seesPrices } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './parts.queries.ts';
import { doneTo, doToPart, pricesOf, refuseUndoable } from './doing.ts';
import { logEntailed, saying } from './saying.ts';
import { writeIn, writtenOf, type Written } from './written.ts';

/** Shown on the desk at once. */
const MOST_SHOWN = 500;

function partView(who: SignedIn, p: q.PartRow): PartView {
  const { priceMinor, costMinor, depositMinor, ...content } = p.content;
  return {
    ...content,
    id: p.id,
    version: p.version,
    buildId: p.build_id,
    nickname: p.nickname,
    vendor: p.vendor,
    state: p.state,
    due: p.due,
    history: p.history,
    unit: p.unit?.kind ?? null,
    line: p.line,
    whyMayNotFit: whyMayNotFit(p.content, {
      unit: p.unit,
      vehicleYear: p.vehicle_year,
      chassisNumber: p.chassis_number,
    }),
    ...(p.line_id === null ? {} : { lineId: p.line_id }),
    core: p.core,
    oldFate: p.old_fate,
    donor: p.donor && [p.donor.name, p.donor.place].filter(Boolean).join(', '),
    ...(p.donor_id === null ? {} : { donorId: p.donor_id }),
    ...(seesPrices(who) ? pricesOf({ priceMinor, costMinor, depositMinor }) : {}),
    ...(seesPrices(who) && p.credit_minor !== 0 ? { creditMinor: p.credit_minor } : {}),
  };
}

const viewOf = async (tx: Tx, who: SignedIn, buildId: string): Promise<PartsView> => ({
  buildId,
  parts: await mapInTurns(tx, await q.partsOf(tx, buildId), (p) => partView(who, p)),
  units: (await q.unitsOf(tx, buildId)).map(({ id, content }) => ({
    id,
    name: [content.kind, content.number, content.year].filter(Boolean).join(' '),
  })),
  lines: await q.linesOf(tx, buildId),
  tasks: await q.tasksOf(tx, buildId),
});

const changing = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<PartsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return viewOf(tx, who, buildId);
  });

export const readParts = (deps: Deps, who: SignedIn, buildId: string): Promise<PartsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildDetail(tx, buildId))) throw notFound('build');
    return viewOf(tx, who, buildId);
  });

export const readDesk = (
  deps: Deps,
  who: SignedIn,
  { q: said = '' }: PartsQueryDto,
): Promise<PartsDeskView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const rows = await q.partsOfShop(tx, said.trim(), MOST_SHOWN + 1);
    const parts = await mapInTurns(tx, rows.slice(0, MOST_SHOWN), (p) => partView(who, p));
    return { parts, more: rows.length > MOST_SHOWN };
  });

/** What no class can check by itself. */
async function faultsOf(
  tx: Tx,
  buildId: string,
  dto: PartPutDto,
): Promise<{ field: string; reason: string }[]> {
  const faults: { field: string; reason: string }[] = [];
  if ((dto.fitsFrom ?? -Infinity) > (dto.fitsTo ?? Infinity))
    faults.push({ field: 'fitsTo', reason: 'the last year is before the first' });
  const serials = whyNotSerialRange(dto);
  if (serials !== null) faults.push({ field: 'serialTo', reason: serials });
  if (dto.lineId !== undefined && !(await q.linesOf(tx, buildId)).some((l) => l.id === dto.lineId))
    faults.push({ field: 'lineId', reason: 'that line is not on the estimate' });
  if (dto.taskId !== undefined && !(await q.tasksOf(tx, buildId)).some((t) => t.id === dto.taskId))
    faults.push({ field: 'taskId', reason: 'that task is not of this car, or is done' });
  if (dto.donorId !== undefined && !(await q.donorById(tx, dto.donorId)))
    faults.push({ field: 'donorId', reason: 'that vehicle is not on the list of donors' });
  if (dto.unitId !== undefined && !(await q.unitsOf(tx, buildId)).some((u) => u.id === dto.unitId))
    faults.push({ field: 'unitId', reason: 'that unit is not in this vehicle' });
  return faults;
}

/** Writes down a part that is needed (version 0), or changes it. A technician's change leaves the price as it was. */
export const putPart = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: PartPutDto,
): Promise<PartsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const {
      version,
      lineId = null,
      donorId = null,
      vendor,
      priceMinor,
      costMinor,
      depositMinor,
      ...said
    } = dto;
    const known = await q.partById(tx, id);
    if (known && known.build_id !== buildId) throw notFound('part');
    const content = {
      ...said,
      ...pricesOf(seesPrices(who) ? { priceMinor, costMinor, depositMinor } : (known?.content ?? {})),
    };
    const written: Written = { lineId, donorId, content, vendor: vendor.trim() };
    if (known && sameWritten(writtenOf(known), written)) return;
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this part', known);
    const faults = await faultsOf(tx, buildId, dto);
    if (faults.length > 0) throw invalidFields(faults);
    await writeIn(tx, deps, who, build, id, written, known);
  });

/** Does something with a part, and says so in the logbook. The same entry again is the same act. */
export const actOnPart = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  partId: string,
  dto: PartActDto,
): Promise<PartsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const part = await q.partById(tx, partId);
    if (part?.build_id !== buildId) throw notFound('part');
    if (await q.wasKept(tx, dto.entryId)) return;
    if (part.version !== dto.version) throw changedMeanwhile('this part', part);
    const given = seesPrices(who)
      ? dto
      : { ...dto, priceMinor: undefined, costMinor: undefined, creditMinor: undefined };
    refuseUndoable(part, given);
    const { locale } = await shopOf(tx);
    const said = saying(part, given as PartActDto, (day) => formatDay(day, locale));
    await logIn(tx, deps, build, {
      ...said,
      id: dto.entryId,
      personId: who.personId,
      about: { type: 'part', id: partId },
      acts: [doneTo(part, dto.act)],
    });
    await logEntailed(tx, deps, who, build, part, dto);
    await doToPart(tx, who, part, given, { id: dto.entryId, words: said.text, at: deps.clock.now() });
  });
