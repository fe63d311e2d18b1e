/** The vehicle itself: its numbers, its units, what came with it, where its parts come from, what must hold at the end. */
import { v7 as uuidv7 } from 'uuid';
import type { IdentityDto, RowDtoOf, VehicleView } from '#contract/vehicle.ts';
import { canonical } from '#core/approval/canonical.ts';
import {
  REGISTERS,
  registerSentence,
  whyNotMet,
  type Register,
  type RegisterRows,
  type Requirement,
} from '#core/vehicle/registers.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import * as q from './vehicle.queries.ts';

/** Rows of one register: of one car that is plenty, and a page can still show them. */
const MOST_ROWS = 500;

const toRow = ({ id, version, content }: q.RegisterRow): object => ({ ...content, id, version });

export async function viewOf(tx: Tx, buildId: string): Promise<VehicleView> {
  const vehicle = await q.vehicleOf(tx, buildId);
  if (!vehicle) throw notFound('build');
  const rows = await q.registerRows(tx, vehicle.vehicle_id, buildId);
  const of = (register: Register): object[] => rows.filter((r) => r.register === register).map(toRow);
  return {
    buildId,
    identity: q.toIdentity(vehicle),
    rows: Object.fromEntries(REGISTERS.map((r) => [r, of(r)])) as unknown as VehicleView['rows'],
  };
}

export const readVehicle = (deps: Deps, who: SignedIn, buildId: string): Promise<VehicleView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, buildId));

/** What is changed beside the logbook is said in it, for the shop. */
const log = (tx: Tx, deps: Deps, who: SignedIn, build: BuildKey, text: string): Promise<void> =>
  logIn(tx, deps, build, { kind: 'note', text, personId: who.personId });

/** The build, held, and its vehicle; runs a change and answers what holds after it. */
async function changing(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (
    tx: Tx,
    build: BuildKey,
    vehicle: NonNullable<Awaited<ReturnType<typeof q.vehicleOf>>>,
  ) => Promise<void>,
): Promise<VehicleView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    const vehicle = build && (await q.vehicleOf(tx, buildId));
    if (!build || !vehicle) throw notFound('build');
    await change(tx, build, vehicle);
    return viewOf(tx, buildId);
  });
}

const identitySentence = (d: IdentityDto): string =>
  [
    `Identity: ${d.name}`,
    d.year === undefined ? '' : `of ${d.year}`,
    d.chassisNumber && `chassis ${d.chassisNumber}`,
    d.plate && `plate ${d.plate}`,
    d.odometer === undefined ? '' : `${d.odometer} ${d.odometerUnit}`,
    d.evidence,
  ]
    .filter(Boolean)
    .join(', ');

export const saveIdentity = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: IdentityDto,
): Promise<VehicleView> =>
  changing(deps, who, buildId, async (tx, build, vehicle) => {
    const before = q.toIdentity(vehicle);
    const after = { ...dto, year: dto.year ?? null, odometer: dto.odometer ?? null };
    if (canonical(before) === canonical(after)) return;
    if (!(await q.saveIdentity(tx, vehicle.vehicle_id, dto)))
      throw changedMeanwhile('this', await viewOf(tx, buildId));
    await log(tx, deps, who, build, identitySentence(dto));
  });

/** Refuses what no class can check by itself. */
function refuseRow(register: Register, row: object): void {
  const reason = register === 'requirement' ? whyNotMet(row as Requirement) : null;
  if (reason !== null)
    throw new Refusal('invalid', `Evidence: ${reason}. Nothing was kept.`, {
      fields: [{ field: 'evidence', reason }],
    });
}

async function toChange(tx: Tx, buildId: string, row: q.RegisterRow, version: number): Promise<void> {
  if (row.version !== version || row.removed_at !== null)
    throw changedMeanwhile('this', await viewOf(tx, buildId));
}

/** Writes a row of a register; version 0 makes it. The same again changes nothing and is not said twice. */
export const putRow = <R extends Register>(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  at: { register: R; id: string },
  dto: RowDtoOf<R>,
): Promise<VehicleView> =>
  changing(deps, who, buildId, async (tx, build, vehicle) => {
    const { version, ...content } = dto;
    refuseRow(at.register, content);
    const known = await q.rowById(tx, at.id);
    if (known && (known.vehicle_id !== vehicle.vehicle_id || known.register !== at.register))
      throw new Refusal('conflict', 'Another row was kept under this id already.');
    if (known && canonical(known.content) === canonical(content) && known.removed_at === null) return;
    if (known) {
      await toChange(tx, buildId, known, version);
      await q.saveRow(tx, at.id, content);
    } else {
      const { rows } = await viewOf(tx, buildId);
      if (rows[at.register].length >= MOST_ROWS)
        throw new Refusal('too-many', `At most ${MOST_ROWS} rows of one kind.`);
      await q.insertRow(tx, { ...at, vehicleId: vehicle.vehicle_id, buildId, content });
    }
    const sentence = registerSentence(at.register, content as unknown as RegisterRows[R]);
    await log(tx, deps, who, build, sentence);
  });

/** Takes a row off; what it said stays in the logbook. */
export const dropRow = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  at: { register: Register; id: string },
): Promise<VehicleView> =>
  changing(deps, who, buildId, async (tx, build, vehicle) => {
    const row = await q.rowById(tx, at.id);
    if (!row || row.vehicle_id !== vehicle.vehicle_id || row.register !== at.register) throw notFound('row');
    if (row.removed_at !== null) return;
    await q.removeRow(tx, at.id, deps.clock.now());
    const sentence = registerSentence(row.register, row.content as unknown as RegisterRows[Register]);
    await log(tx, deps, who, build, `Taken off the list. ${sentence}`);
  });

/** Requirements that were named when the build began. */
export async function addRequirements(
  tx: Tx,
  at: { buildId: string; vehicleId: string },
  texts: readonly string[],
): Promise<void> {
  for (const text of texts)
    await q.insertRow(tx, {
      ...at,
      id: uuidv7(),
      register: 'requirement',
      content: { text, met: false, evidence: '' } satisfies Requirement,
    });
}

/** What is written of a vehicle elsewhere, for one that nothing is written of here yet. */
export async function bringInVehicle(
  tx: Tx,
  at: { buildId: string; vehicleId: string },
  identity: Omit<VehicleView['identity'], 'version'>,
  registers: { [R in Register]: readonly RegisterRows[R][] },
): Promise<void> {
  const { year, odometer, ...rest } = identity;
  const known = { ...(year !== null && { year }), ...(odometer !== null && { odometer }) };
  await q.saveIdentity(tx, at.vehicleId, { ...rest, ...known, version: 1 });
  for (const register of REGISTERS)
    for (const content of registers[register])
      await q.insertRow(tx, { ...at, id: uuidv7(), register, content });
}
