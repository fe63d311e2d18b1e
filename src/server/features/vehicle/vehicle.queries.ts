import type { IdentityDto, VehicleView } from '#contract/vehicle.ts';
import { OF_THE_VEHICLE, type Register } from '#core/vehicle/registers.ts';
import type { Tx } from '../../db/pool.ts';

interface VehicleRow {
  vehicle_id: string;
  name: string;
  year: number | null;
  chassis_number: string;
  plate: string;
  odometer: number | null;
  odometer_unit: IdentityDto['odometerUnit'];
  identity_evidence: string;
  version: number;
}

export const toIdentity = (r: VehicleRow): VehicleView['identity'] => ({
  version: r.version,
  name: r.name,
  year: r.year,
  chassisNumber: r.chassis_number,
  plate: r.plate,
  odometer: r.odometer,
  odometerUnit: r.odometer_unit,
  evidence: r.identity_evidence,
});

export const vehicleOf = (tx: Tx, buildId: string): Promise<VehicleRow | undefined> =>
  tx.one(
    `select v.id as vehicle_id, v.name, v.year, v.chassis_number, v.plate, v.odometer, v.odometer_unit,
       v.identity_evidence, v.version
     from builds b join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     where b.shop_id = :shopId and b.id = :buildId`,
    { buildId },
  );

/** Keeps the identity if the vehicle is still at this version; answers whether it was. */
export const saveIdentity = async (tx: Tx, vehicleId: string, dto: IdentityDto): Promise<boolean> =>
  (await tx.run(
    `update vehicles set name = :name, year = :year, chassis_number = :chassisNumber, plate = :plate,
       odometer = :odometer, odometer_unit = :odometerUnit, identity_evidence = :evidence, version = version + 1
     where shop_id = :shopId and id = :vehicleId and version = :version`,
    { ...dto, vehicleId, year: dto.year ?? null, odometer: dto.odometer ?? null },
  )) === 1;

export interface RegisterRow {
  id: string;
  register: Register;
  vehicle_id: string;
  build_id: string;
  content: Record<string, unknown>;
  version: number;
  removed_at: string | null;
}

/** What is written of the vehicle by any of its builds, and of this build alone. */
export const registerRows = (tx: Tx, vehicleId: string, buildId: string): Promise<RegisterRow[]> =>
  tx.rows(
    `select id, register, vehicle_id, build_id, content, version, removed_at from register_rows
     where shop_id = :shopId and vehicle_id = :vehicleId and removed_at is null
       and (build_id = :buildId or register = any(:ofTheVehicle)) order by position, id`,
    { vehicleId, buildId, ofTheVehicle: OF_THE_VEHICLE },
  );

/** The row wherever it belongs, taken off or not: an id is used once. */
export const rowById = (tx: Tx, id: string): Promise<RegisterRow | undefined> =>
  tx.one('select * from register_rows where shop_id = :shopId and id = :id', { id });

export const insertRow = (
  tx: Tx,
  r: { id: string; register: Register; vehicleId: string; buildId: string; content: object },
): Promise<number> =>
  tx.run(
    `insert into register_rows (shop_id, id, register, vehicle_id, build_id, content, position)
     select :shopId, :id, :register, :vehicleId, :buildId, :content::jsonb, coalesce(max(position), 0) + 1
     from register_rows where shop_id = :shopId and vehicle_id = :vehicleId`,
    { ...r, content: JSON.stringify(r.content) },
  );

export const saveRow = (tx: Tx, id: string, content: object): Promise<number> =>
  tx.run(
    `update register_rows set content = :content::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    { id, content: JSON.stringify(content) },
  );

export const removeRow = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run(
    'update register_rows set removed_at = :now, version = version + 1 where shop_id = :shopId and id = :id',
    { id, now },
  );
