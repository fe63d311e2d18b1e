import type { BuildCreateDto, BuildNextDto, BuildRow, BuildView, CustomersView } from '#contract/builds.ts';
import { totalsOf } from '#core/log/entries.ts';
import { dayOf } from '#core/time/days.ts';
import { holdShop } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { linkUrl } from '../../links.ts';
import { seesPrices } from '../entries/index.ts';
import { notRoadworthyOf } from '../estimate/index.ts';
import { addRequirements } from '../vehicle/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './builds.queries.ts';

export const readFloor = (deps: Deps, who: SignedIn): Promise<{ builds: BuildRow[] }> =>
  inShop(deps.db, who.shopId, async (tx) => ({ builds: (await q.floorRows(tx)).map(q.toRow) }));

function viewOf(deps: Deps, who: SignedIn, b: q.BuildDetail, notRoadworthy: string[]): BuildView {
  const totals = totalsOf(b.sums);
  const common = {
    ...q.toRow(b),
    standard: b.standard,
    next: b.next_step,
    version: b.version,
    complaint: b.complaint,
    eventDay: b.event_day,
    tellBy: b.tell_by,
    notRoadworthy,
    workedMinutes: totals.workedMinutes,
    estimateMinutes: totals.estimateMinutes,
    minutesByKind: b.sums.filter((s) => s.minutes > 0).map(({ kind, minutes }) => ({ kind, minutes })),
  };
  if (!seesPrices(who)) return common;
  return {
    ...common,
    storagePerDayMinor: b.storage_per_day_minor,
    budgetMinor: b.budget_minor,
    discretionMinor: b.discretion_minor,
    customerEmail: b.customer_email,
    customerRecord: {
      version: b.customer_version,
      phone: b.customer_phone,
      address: b.customer_address,
      language: b.customer_language,
    },
    link: b.link_id === null ? null : { url: linkUrl(deps, b.link_id), lastOpenedAt: b.link_opened_at },
    draftId: b.draft_id,
  };
}

export async function readIn(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<BuildView> {
  const build = await q.buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  return viewOf(deps, who, build, await notRoadworthyOf(tx, deps, buildId));
}

export const readBuild = (deps: Deps, who: SignedIn, buildId: string): Promise<BuildView> =>
  inShop(deps.db, who.shopId, (tx) => readIn(tx, deps, who, buildId));

/** Two who name a build at the same time wait for each other. */
export async function refuseTakenName(tx: Tx, buildId: string, nickname: string): Promise<void> {
  await holdShop(tx);
  const other = await q.openBuildNamed(tx, nickname, buildId);
  if (other)
    throw invalidAt(
      'nickname',
      `${other.number} is open and called that: choose a name that tells them apart`,
    );
}

/** A new build with its vehicle and customer. The same id again is the same build. */
export async function createBuild(deps: Deps, who: SignedIn, dto: BuildCreateDto): Promise<BuildView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    await holdShop(tx);
    if (await q.buildExists(tx, dto.id)) return readIn(tx, deps, who, dto.id);
    await refuseTakenName(tx, dto.id, dto.nickname.trim());
    const today = dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);
    await q.insertCustomer(tx, {
      id: dto.customerId,
      name: dto.customerName.trim(),
      email: dto.customerEmail.trim(),
      tellEveryDays: dto.tellEveryDays ?? 14,
      tellBy: dto.tellBy ?? 'mail',
    });
    await q.insertVehicle(tx, {
      id: dto.vehicleId,
      name: dto.vehicleName.trim(),
      year: dto.vehicleYear ?? null,
    });
    await q.insertBuild(tx, {
      id: dto.id,
      number: await q.nextNumber(tx),
      nickname: dto.nickname.trim(),
      customerId: dto.customerId,
      vehicleId: dto.vehicleId,
      standard: dto.standard,
      promised: dto.promised ?? null,
      promisedOn: dto.promised === undefined ? null : today,
      arrivedAt: deps.clock.now(),
      complaint: dto.complaint?.trim() ?? '',
      budgetMinor: dto.budgetMinor ?? null,
      discretionMinor: dto.discretionMinor ?? 0,
      eventDay: dto.eventDay ?? null,
    });
    await addRequirements(
      tx,
      { buildId: dto.id, vehicleId: dto.vehicleId },
      (dto.requirements ?? []).map((r) => r.trim()).filter((r) => r !== ''),
    );
    return readIn(tx, deps, who, dto.id);
  });
}

/** So many customers are listed at once. */
const MOST_CUSTOMERS = 50;

/** Customers who answer to what is looked for; those who came last, while nothing is. */
export const listCustomers = (deps: Deps, who: SignedIn, search: string): Promise<CustomersView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const found = await q.customersOf(tx, search.trim(), MOST_CUSTOMERS + 1);
    if (found.length <= MOST_CUSTOMERS) return { customers: found, more: false };
    const [first] = found.map((c) => c.id).sort();
    return { customers: found.filter((c) => c.id !== first), more: true };
  });

export async function setNext(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: BuildNextDto,
): Promise<BuildView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const before = await readIn(tx, deps, who, buildId);
    const next = dto.next.trim();
    if (before.next === next) return before;
    if (!(await q.saveNext(tx, { id: buildId, next, version: dto.version })))
      throw changedMeanwhile('what is next', before);
    return readIn(tx, deps, who, buildId);
  });
}
