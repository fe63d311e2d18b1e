/** Writes down the demo's vehicles through the service. */
import type { RowDtoOf } from '#contract/vehicle.ts';
import { REGISTERS, type Register } from '#core/vehicle/registers.ts';
import type { Deps } from '#server/deps.ts';
import { putRow, saveIdentity } from '#server/features/vehicle/vehicle.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import type { DemoBuild } from './saltmarsh.ts';
import { VEHICLES } from './vehicles.ts';

export async function describeVehicle(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  { build, id }: { build: DemoBuild; id: () => string },
): Promise<void> {
  const vehicle = VEHICLES[build.nickname];
  if (!vehicle) return;
  const { vehicleName: name, vehicleYear: year } = build;
  if (vehicle.identity)
    await saveIdentity(deps, who, buildId, {
      version: 1,
      name,
      year,
      odometerUnit: 'mi',
      ...vehicle.identity,
    });
  for (const register of REGISTERS)
    for (const row of vehicle[register] ?? []) {
      const dto = { version: 0, ...row } as RowDtoOf<Register>;
      await putRow(deps, who, buildId, { register, id: id() }, dto);
    }
}
